<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

/** A vehicle in the weeks: where it stands, how long its visits take, how often it wants them. Day numbers. */
final readonly class PlanVehicle
{
    /**
     * @param array{wash: int, topper: int, decon: int, inspection?: int, base?: int, recoat?: int} $minutes for one
     *     person; each kind what it adds
     * @param int $min     days between visits, at least
     * @param int $target  days between visits, wished for
     * @param int $max     days between visits, before it costs dearly
     * @param array<int, true> $closed             days it can't be had
     * @param list<array{int, int}> $deadlines     first and last day of each window in which a visit must fall
     * @param array<int, int> $locks               what is fixed, kind bits by day
     * @param Cycle|null $base                     renewal of a short-lived base
     * @param int $each              kind bits that every visit of it holds anyway, whose minutes stand in those of the
     *     wash
     * @param array<int, array{wash: int, topper: int, decon: int, inspection?: int, base?: int,
     *     recoat?: int}> $together minutes by how many work at it, where that is known
     * @param bool $mayStay                        a visit longer than a day may go on the days after
     * @param array<int, int> $without       kind bits for which a day has nothing to do them with: too cold for what is
     *     on the shelf, say
     * @param float $spread   of ln minutes of a visit
     * @param float $common   the part of it that all visits of a day share
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
        public ?Cycle $base = null,
        public int $each = 0,
        public array $together = [],
        public bool $mayStay = false,
        public array $without = [],
        public float $spread = 0.0,
        public float $common = 0.0,
    ) {}

    /** Minutes of a visit that holds these kinds, when so many work at it. */
    public function minutesFor(int $bits, int $people = 1): int
    {
        $minutes = $this->together[$people] ?? $this->minutes;
        $sum = $minutes['wash'];
        $bits &= ~$this->each;
        if ($bits !== 0) {
            $sum +=
                ($bits & 1 ? $minutes['topper'] : 0) +
                ($bits & 2 ? $minutes['decon'] : 0) +
                ($bits & 4 ? $minutes['inspection'] ?? 0 : 0) +
                ($bits & 8 ? $minutes['base'] ?? 0 : 0) +
                ($bits & 16 ? $minutes['recoat'] ?? 0 : 0);
        }

        return $sum;
    }

    /**
     * The same with other things fixed.
     *
     * @param array<int, int> $locks
     */
    public function locked(array $locks): self
    {
        return $this->with(['locks' => $locks]);
    }

    /**
     * The same with kinds that some days have nothing to do with.
     *
     * @param array<int, int> $without  kind bits by day
     */
    public function without(array $without): self
    {
        return $this->with(['without' => $without]);
    }

    /** @param array{locks?: array<int, int>, without?: array<int, int>} $other */
    private function with(array $other): self
    {
        return new self(...[...get_object_vars($this), ...$other]);
    }
}
