<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

/** Points of a plan (domain, model "plan"), as a set a workspace may replace. */
final readonly class PlanRules
{
    /**
     * @param float $offTarget        a day of a gap away from its target
     * @param float $beyondMax        a day of a gap beyond its longest
     * @param array{float, float} $topper  a day after it is due, a day before it is worth doing
     * @param array{float, float} $decon   the same
     * @param array{float, float} $base    the same, of a short-lived base
     * @param array{float, float} $inspection  the same; it says which visit carries it and is no part of a plan's cost
     * @param float $poorWeather      a visit on a poor day
     * @param float $travel           a minute of travel
     * @param float $overtime         a minute beyond the crew's minutes
     * @param int $overtimeMost       minutes beyond the crew's minutes that are allowed
     * @param int $renewFromTenths    tenths of the repeat after which renewing again is worth doing
     * @param float $stay             what must be saved before a visit moves that stands in a plan already
     * @param int $holds              of a hundred days so many hold what they are given; 50 plans with the middle of what visits take
     */
    public function __construct(
        public float $offTarget = 1.0,
        public float $beyondMax = 10.0,
        public array $topper = [8.0, 2.0],
        public array $decon = [4.0, 1.0],
        public array $base = [8.0, 2.0],
        public array $inspection = [4.0, 1.0],
        public float $poorWeather = 15.0,
        public float $travel = 0.1,
        public float $overtime = 0.5,
        public int $overtimeMost = 60,
        public int $renewFromTenths = 7,
        public int $holds = 50,
        public float $stay = 3.0,
    ) {}
}
