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
        public float $base = 0.0,
    ) {
        $this->total = $cadence + $topper + $decon + $weather + $travel + $overtime + $base;
    }

    /**
     * Counted from the visits alone, so that nothing a search believed can slip in.
     *
     * @param list<PlacedVisit> $visits
     */
    public static function of(Instance $instance, array $visits): self
    {
        $rules = $instance->rules;
        $by = [];
        $weather = $travel = 0.0;
        $vehicles = $instance->byId();
        foreach ($visits as $visit) {
            $vehicle = $vehicles[$visit->vehicle];
            $by[$visit->vehicle][$visit->day] = $visit->bits;
            $weather += $instance->skyOver($vehicle, $visit->day)->poor ? $rules->poorWeather : 0.0;
        }
        $overtime = 0.0;
        [$needs, $driven] = Reserve::needs($instance, $visits);
        foreach ($instance->crews as $crew) {
            foreach ($needs[$crew->id] ?? [] as $day => $minutes) {
                $travel += $rules->travel * $driven[$crew->id][$day];
                $overtime += $rules->overtime * max(0, $minutes - ($crew->minutes[$day] ?? 0));
            }
        }
        $sum = ['cadence' => 0.0, 'topper' => 0.0, 'decon' => 0.0, 'base' => 0.0];
        foreach ($instance->vehicles as $vehicle) {
            foreach (self::ofDates($instance, $vehicle, $by[$vehicle->id] ?? []) as $what => $cost) {
                $sum[$what] += $cost;
            }
        }

        return new self($sum['cadence'], $sum['topper'], $sum['decon'], $weather, $travel, $overtime, $sum['base']);
    }

    /**
     * What gaps and dates of one vehicle cost.
     *
     * @param array<int, int> $visits  kind bits by day
     * @return array{cadence: float, topper: float, decon: float, base: float}
     */
    public static function ofDates(Instance $instance, PlanVehicle $vehicle, array $visits): array
    {
        ksort($visits);
        $rules = $instance->rules;
        $days = static fn(int $bit): array => array_map(static fn(int $bits): bool => ($bits & $bit) !== 0, $visits);

        return [
            'cadence' => self::cadence($vehicle, array_keys($visits), $instance->end, $rules),
            // A new base renews the topper's date; nobody put a topper on too early by that, or too late.
            'topper' => self::cycle(
                $vehicle->topper,
                array_filter(array_map(static fn(int $bits): int => $bits & 9, $visits)),
                $instance->end,
                $rules->topper,
                $rules,
            ),
            'decon' => self::cycle($vehicle->decon, array_filter($days(2)), $instance->end, $rules->decon, $rules),
            'base' => self::cycle($vehicle->base, array_filter($days(8)), $instance->end, $rules->base, $rules),
        ];
    }

    /** @param list<int> $days */
    private static function cadence(PlanVehicle $vehicle, array $days, int $end, PlanRules $rules): float
    {
        $cost = 0.0;
        $last = $vehicle->lastWash;
        foreach ($days as $day) {
            $gap = $day - $last;
            $cost +=
                $rules->offTarget * abs($gap - $vehicle->target) + $rules->beyondMax * max(0, $gap - $vehicle->max);
            $last = $day;
        }

        return $cost + $rules->beyondMax * max(0, $end - $last - $vehicle->max);
    }

    /**
     * @param array<int, int|bool> $days  by day; 8 where it is renewed by something else
     * @param array{float, float} $points
     */
    private static function cycle(?Cycle $cycle, array $days, int $end, array $points, PlanRules $rules): float
    {
        if ($cycle === null) {
            return 0.0;
        }
        [$from, $due, $cost] = [$cycle->from, $cycle->due, 0.0];
        foreach ($days as $day => $by) {
            $cost += $by === 8 ? 0.0 : $points[0] * max(0, $day - $due) + $points[1] * max(0, $from - $day);
            [$from, $due] = [$day + $cycle->restsFor($rules), $day + $cycle->repeat];
        }

        return $cost + $points[0] * max(0, $end - $due);
    }

    /** Costs come in steps; between two of them no plan can lie, so a bound rises to the next. */
    public static function stepUp(Instance $instance, float $bound): float
    {
        $rules = $instance->rules;
        $step = 0;
        foreach (
            [
                $rules->offTarget,
                $rules->beyondMax,
                ...$rules->topper,
                ...$rules->decon,
                ...$rules->base,
                $rules->poorWeather,
                $rules->overtime,
                ...array_map(
                    static fn(PlanSite $site): float => $rules->travel * $site->hopMin,
                    array_values($instance->sites),
                ),
            ]
            as $cost
        ) {
            $thousandths = (int) round(1000.0 * $cost);
            while ($thousandths !== 0) {
                [$step, $thousandths] = [$thousandths, $step % $thousandths];
            }
        }

        return $step === 0 ? $bound : (ceil(($bound * 1000.0) / $step - 1e-6) * $step) / 1000.0;
    }
}
