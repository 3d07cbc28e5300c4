<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

/** A vehicle in the weeks: where it stands, how long its visits take, how often it wants them. Day numbers. */
final readonly class PlanVehicle
{
    /**
     * @param array{wash: int, topper: int, decon: int, inspection?: int} $minutes
     * @param int $min     days between visits, at least
     * @param int $target  days between visits, wished for
     * @param int $max     days between visits, before it costs dearly
     * @param array<int, true> $closed             days it can't be had
     * @param list<array{int, int}> $deadlines     first and last day of each window in which a visit must fall
     * @param array<int, int> $locks               what is fixed, kind bits by day
     */
    public function __construct(
        public string $id,
        public string $site,
        public array $minutes,
        public int $min,
        public int $target,
        public int $max,
        public int $lastWash,
        public ?Cycle $topper = null,
        public ?Cycle $decon = null,
        public array $closed = [],
        public array $deadlines = [],
        public array $locks = [],
        public ?Cycle $inspection = null,
    ) {}

    /** Minutes of a visit that holds these kinds. */
    public function minutesFor(int $bits): int
    {
        return $this->minutes['wash'] + ($bits & 1 ? $this->minutes['topper'] : 0) + ($bits & 2 ? $this->minutes['decon'] : 0) + ($bits & 4 ? $this->minutes['inspection'] ?? 0 : 0);
    }
}
