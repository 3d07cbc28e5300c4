<?php

declare(strict_types=1);

namespace Vicissa\Core\Record;

use Vicissa\Core\Planning\Cycle;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Protection\Family;

/** A layer that is on, with the days on which its forecast has it renewed: day numbers. */
final readonly class Foreseen
{
    /** What is worn out is still renewed when it is late, for so many days. */
    private const BASE_GRACE = 28;

    public function __construct(
        public Family $family,
        /** The day it went on. */
        public int $on,
        /** Worth renewing from; due; late. All null without a forecast. */
        public ?int $from = null,
        public ?int $due = null,
        public ?int $late = null,
    ) {}

    /** When a topper comes due by its forecast; null without one. */
    public function asTopper(): ?Cycle
    {
        return $this->due === null
            ? null
            : new Cycle(
                $this->from ?? $this->due,
                $this->due,
                $this->late ?? $this->due,
                max(7, $this->due - $this->on),
            );
    }

    /** When a base does: only one that is meant to be renewed in passing ({@see Kind::Base}, domain §15.4). */
    public function asBase(): ?Cycle
    {
        return $this->due === null || !$this->family->isShortLived()
            ? null
            : new Cycle(
                $this->from ?? $this->due,
                $this->due,
                ($this->late ?? $this->due) + self::BASE_GRACE,
                max(14, $this->due - $this->on),
            );
    }
}
