<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

/** Where vehicles stand. */
final readonly class PlanSite
{
    /**
     * @param int $hopMin               minutes of travel, once a day and crew
     * @param array<int, true> $closed  day numbers
     * @param array<string, array<int, true>> $barred day numbers on which a crew may not go there, by crew; a lock
     *     doesn't change that
     * @param int|null $papersUntil     the last day on which anybody is let in at all; null: no end is known
     * @param bool $bay                 under a roof, warm and out of the wind: no weather stands against a visit
     */
    public function __construct(
        public string $id,
        public int $hopMin,
        public array $closed = [],
        public array $barred = [],
        public ?int $papersUntil = null,
        public bool $bay = false,
    ) {}

    /** Whether a crew is let in on a day: its people are on the register, its papers hold. */
    public function admits(string $crew, int $day): bool
    {
        return !isset($this->barred[$crew][$day]);
    }
}
