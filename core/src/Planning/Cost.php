<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

/** What a plan costs, in points, by what it is for. */
final readonly class Cost
{
    public float $total;

    public function __construct(
        public float $cadence,
        public float $topper,
        public float $decon,
        public float $weather,
        public float $travel,
        public float $overtime,
    ) {
        $this->total = $cadence + $topper + $decon + $weather + $travel + $overtime;
    }

    /**
     * Counted from the visits alone, so that nothing a search believed can slip in.
     *
     * @param list<PlannedVisit> $visits
     */
    public static function of(Instance $instance, array $visits): self
    {
        $rules = $instance->rules;
        $by = $work = $hops = [];
        $weather = $travel = 0.0;
        $vehicles = [];
        foreach ($instance->vehicles as $vehicle) {
            $vehicles[$vehicle->id] = $vehicle;
        }
        foreach ($visits as $visit) {
            $vehicle = $vehicles[$visit->vehicle];
            $by[$visit->vehicle][$visit->day] = $visit->bits;
            $weather += $instance->sky($visit->day)->poor ? $rules->poorWeather : 0.0;
            $work[$visit->crew][$visit->day] = ($work[$visit->crew][$visit->day] ?? 0) + $vehicle->minutesFor($visit->bits);
            $hops[$visit->crew][$visit->day][$vehicle->site] = $instance->siteOf($vehicle)->hopMin;
        }
        $overtime = 0.0;
        foreach ($instance->crews as $crew) {
            foreach ($work[$crew->id] ?? [] as $day => $minutes) {
                $driven = array_sum($hops[$crew->id][$day]);
                $travel += $rules->travel * $driven;
                $overtime += $rules->overtime * max(0, $minutes + $driven - ($crew->minutes[$day] ?? 0));
            }
        }
        $cadence = $topper = $decon = 0.0;
        foreach ($instance->vehicles as $vehicle) {
            $own = $by[$vehicle->id] ?? [];
            ksort($own);
            $cadence += self::cadence($vehicle, array_keys($own), $instance->end, $rules);
            $topper += self::cycle($vehicle->topper, array_keys(array_filter($own, static fn(int $bits): bool => ($bits & 1) !== 0)), $instance->end, $rules->topper, $rules);
            $decon += self::cycle($vehicle->decon, array_keys(array_filter($own, static fn(int $bits): bool => ($bits & 2) !== 0)), $instance->end, $rules->decon, $rules);
        }

        return new self($cadence, $topper, $decon, $weather, $travel, $overtime);
    }

    /** @param list<int> $days */
    private static function cadence(PlanVehicle $vehicle, array $days, int $end, PlanRules $rules): float
    {
        $cost = 0.0;
        $last = $vehicle->lastWash;
        foreach ($days as $day) {
            $gap = $day - $last;
            $cost += $rules->offTarget * abs($gap - $vehicle->target) + $rules->beyondMax * max(0, $gap - $vehicle->max);
            $last = $day;
        }

        return $cost + $rules->beyondMax * max(0, $end - $last - $vehicle->max);
    }

    /**
     * @param list<int> $days
     * @param array{float, float} $points
     */
    private static function cycle(?Cycle $cycle, array $days, int $end, array $points, PlanRules $rules): float
    {
        if ($cycle === null) {
            return 0.0;
        }
        [$from, $due, $cost] = [$cycle->from, $cycle->due, 0.0];
        foreach ($days as $day) {
            $cost += $points[0] * max(0, $day - $due) + $points[1] * max(0, $from - $day);
            [$from, $due] = [$day + $cycle->restsFor($rules), $day + $cycle->repeat];
        }

        return $cost + $points[0] * max(0, $end - $due);
    }
}
