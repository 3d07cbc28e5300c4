<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Matching\Fit;
use Vicissa\Core\Matching\Verdict;
use Vicissa\Core\Matching\Zone;

/** A product judged for a role on a zone. */
final readonly class Judged
{
    public function __construct(
        public Bottle $bottle,
        public Zone $zone,
        public Verdict $verdict,
        public Fit $fit,
        public ?float $cost,
        public ?Reason $reason = null,
    ) {}

    public function allowed(): bool
    {
        return $this->verdict->allowed() && !($this->reason?->blocks() ?? false);
    }

    public function because(Reason $reason): self
    {
        return new self($this->bottle, $this->zone, $this->verdict, $this->fit, $this->cost, $reason);
    }
}
