<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

/**
 * A cycle as a search of one vehicle's course weighs it. Day numbers; one that is not wanted is never due and costs
 * nothing.
 */
final readonly class Turnover
{
    private const NEVER = 100000;

    private function __construct(
        public int $from,
        public int $due,
        /** What a day late and a day early cost. */
        public float $late,
        public float $early,
        /** Days after it was done until it is worth doing, and due, again. */
        public int $rests,
        public int $repeat,
    ) {}

    /** @param array{float, float} $weights  of a day late, of a day early */
    public static function of(?Cycle $cycle, array $weights, PlanRules $rules, int $end): self
    {
        [$late, $early] = $weights;

        return $cycle === null
            ? new self(-self::NEVER, $end + self::NEVER, $late, $early, 0, 0)
            : new self($cycle->from, $cycle->due, $late, $early, $cycle->restsFor($rules), $cycle->repeat);
    }

    /** What it costs to do it on a day. */
    public function on(int $day, int $from, int $due): float
    {
        return ($day > $due ? $this->late * ($day - $due) : 0.0) + ($from > $day ? $this->early * ($from - $day) : 0.0);
    }
}
