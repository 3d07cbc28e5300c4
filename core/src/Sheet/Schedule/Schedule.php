<?php

declare(strict_types=1);

namespace Vicissa\Core\Sheet\Schedule;

/** A visit laid out in time. */
final readonly class Schedule
{
    /**
     * @param int $finish                     minutes from the beginning
     * @param array<string, int> $start       minutes, by id, in the order given
     * @param array<string, int> $end
     * @param array<string, int> $slack    minutes a step may begin later without moving the finish, in this order of
     *     work;
     *                                        those after it move along
     * @param array<string, list<int>> $who   persons, from 1
     * @param int $bound           no schedule ends before this; equal to the finish when it is proven earliest
     */
    public function __construct(
        public int $finish,
        public array $start,
        public array $end,
        public array $slack,
        public array $who,
        public int $bound,
    ) {}

    public function isProven(): bool
    {
        return $this->bound >= $this->finish;
    }
}
