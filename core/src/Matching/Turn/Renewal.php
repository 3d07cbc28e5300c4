<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

/** When the outermost layer of a zone is due, by the caution taken. */
final readonly class Renewal
{
    /**
     * @param array<array-key, float> $dueInDays  days from now by caution ("10", "30", "50"); negative when overdue
     * @param bool $failed           a reading on a clean surface has failed, and decontamination or a second one bore
     *     it out
     * @param bool $suspect                    the last clean reading failed, and it may only be clogged (domain §15.4)
     * @param float|null $byRhythm       days from now by a rhythm that somebody set instead of the forecast: every so
     *     many weeks
     */
    public function __construct(
        public array $dueInDays,
        public bool $failed = false,
        public bool $suspect = false,
        public ?float $byRhythm = null,
    ) {}

    public function inDays(Schools $schools): ?float
    {
        return $this->byRhythm ?? ($this->dueInDays[$schools->side(School::Caution)] ?? null);
    }
}
