<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

use Vicissa\Core\InvalidInput;

/**
 * Why a visit stands where it stands, and what any other day would cost: the vehicle's other visits give way, those of
 * all others stay.
 */
final readonly class Alternatives
{
    /**
     * @param list<string> $why   sentences
     * @param array<int, array{cost: float|null, why: string|null}> $days by day: points more than now (below
     *     nought: fewer), or why it can't be
     */
    private function __construct(public array $why, public array $days) {}

    /**
     * @param list<PlacedVisit> $visits  the plan it stands in
     * @param int $around                 days before and after it that are looked at
     *
     * @throws InvalidInput when there is no such visit
     */
    public static function to(Instance $instance, array $visits, string $vehicleId, int $day, int $around = 28): self
    {
        $vehicles = $instance->byId();
        $vehicle =
            $vehicles[$vehicleId] ??
            throw InvalidInput::at('vehicle', sprintf('There is no vehicle “%s”.', $vehicleId));
        $crews = array_flip(array_map(static fn(PlanCrew $crew): string => $crew->id, $instance->crews));
        $ledger = new Ledger($instance);
        $own = $together = [];
        foreach ($visits as $visit) {
            if ($visit->vehicle === $vehicleId) {
                $own[$visit->day] = $visit;
            } else {
                $ledger->add($vehicles[$visit->vehicle], $crews[$visit->crew], $visit->day, $visit->bits);
                $together[$visit->day][$visit->crew][$vehicles[$visit->vehicle]->site][] = $visit->vehicle;
            }
        }
        $here =
            $own[$day] ??
            throw InvalidInput::at('date', sprintf('%s has no visit on %s.', $vehicleId, Day::date($day)));
        ksort($own);
        $now = self::held($instance, $ledger, $vehicle, $own);
        $days = [];
        for (
            $other = max($instance->start, $day - $around);
            $other <= min($instance->end - 1, $day + $around);
            $other++
        ) {
            if ($other !== $day) {
                $days[$other] = self::at($instance, $ledger, $vehicle, $here, $other, $now);
            }
        }

        return new self(
            self::why(
                $instance,
                $vehicle,
                $own,
                $here,
                count($together[$day][$here->crew][$vehicle->site] ?? []),
                $days,
            ),
            $days,
        );
    }

    /**
     * What the vehicle costs with its visits as they stand.
     *
     * @param array<int, PlacedVisit> $own
     */
    private static function held(Instance $instance, Ledger $ledger, PlanVehicle $vehicle, array $own): float
    {
        $course = new Course(
            $instance,
            $vehicle->locked(array_map(static fn(PlacedVisit $visit): int => $visit->bits, $own) + $vehicle->locks),
        );
        $prices = [];
        foreach ($course->days as $i => $day) {
            $prices[] = isset($own[$day]) ? self::prices($instance, $ledger, $vehicle, $course, $i) : [];
        }

        return $course->best($prices)['cost'];
    }

    /** @return array{cost: float|null, why: string|null} */
    private static function at(
        Instance $instance,
        Ledger $ledger,
        PlanVehicle $vehicle,
        PlacedVisit $here,
        int $other,
        float $now,
    ): array {
        $why = match (true) {
            isset($vehicle->closed[$other]) => 'The vehicle is away.',
            isset($instance->siteOf($vehicle)->closed[$other]) => 'The place is closed.',
            !$instance->skyOver($vehicle, $other)->wash => 'The weather forbids it.',
            ($here->bits & ~$vehicle->each & Instance::WEATHERED) > 0 && !$instance->skyOver($vehicle, $other)->topper
                => 'Nothing but a wash goes in that weather.',
            ($lost = $here->bits & ~$vehicle->each & ~$instance->kindsOn($vehicle, $other)) > 0 => sprintf(
                '%s: nothing on the shelf goes on in that weather.',
                implode(
                    ', ',
                    array_map(static fn(Kind $kind): string => $kind->says(), array_slice(Kind::of($lost), 1)),
                ),
            ),
            array_filter($instance->crews, static fn(PlanCrew $crew): bool => ($crew->minutes[$other] ?? 0) > 0) === []
                => 'Nobody works.',
            $instance->mayGo($vehicle, $other) === [] => 'Nobody who works may go there.',
            $ledger->prices($vehicle, $other, [$here->bits], 0.0)[0] === [] => 'The crews are full.',
            default => null,
        };
        if ($why !== null) {
            return ['cost' => null, 'why' => $why];
        }
        // What is locked elsewhere stays; the visit itself is let go.
        $locks = [$other => $here->bits] + array_diff_key($vehicle->locks, [$here->day => 1]);
        $course = new Course($instance, $vehicle->locked($locks));
        $prices = [];
        foreach ($course->days as $i => $day) {
            $prices[] = $day === $here->day ? [] : self::prices($instance, $ledger, $vehicle, $course, $i);
        }
        $cost = $course->best($prices)['cost'] - $now;

        return $cost >= Course::MISSED / 2
            ? ['cost' => null, 'why' => 'A deadline or another lock would be missed.']
            : ['cost' => round($cost, 6), 'why' => null];
    }

    /** @return array<int, float> */
    private static function prices(
        Instance $instance,
        Ledger $ledger,
        PlanVehicle $vehicle,
        Course $course,
        int $i,
    ): array {
        $day = $course->days[$i];

        return $ledger->prices(
            $vehicle,
            $day,
            $course->kinds($i),
            $instance->skyOver($vehicle, $day)->poor ? $instance->rules->poorWeather : 0.0,
        )[0];
    }

    /**
     * @param array<int, PlacedVisit> $own  the vehicle's visits by day, in order
     * @param array<int, array{cost: float|null, why: string|null}> $days
     * @return list<string>
     */
    private static function why(
        Instance $instance,
        PlanVehicle $vehicle,
        array $own,
        PlacedVisit $here,
        int $together,
        array $days,
    ): array {
        $earlier = array_filter($own, static fn(PlacedVisit $visit): bool => $visit->day < $here->day);
        $before = max([$vehicle->lastWash, ...array_keys($earlier)]);
        $says = [
            sprintf(
                '%d days after the visit before; %d are wished for, %d to %d allowed.',
                $here->day - $before,
                $vehicle->target,
                $vehicle->min,
                $vehicle->max,
            ),
        ];
        if (isset($vehicle->locks[$here->day])) {
            $says[] = 'It is locked here.';
        }
        foreach (
            [
                [$vehicle->topper, 1, 'The topper'],
                [$vehicle->decon, 2, 'Decontamination'],
                [$vehicle->inspection, 4, 'Looking over the base'],
                [$vehicle->base, 8, 'The base'],
            ]
            as [$cycle, $bit, $name]
        ) {
            if ($cycle !== null && ($here->bits & $bit) !== 0) {
                // After one of the plan it is due again from there.
                $done = array_keys(
                    array_filter($earlier, static fn(PlacedVisit $visit): bool => ($visit->bits & $bit) !== 0),
                );
                [$due, $from] =
                    $done === []
                        ? [$cycle->due, $cycle->from]
                        : [max($done) + $cycle->repeat, max($done) + $cycle->restsFor($instance->rules)];
                $says[] = sprintf('%s is due on %s, worth doing from %s.', $name, Day::date($due), Day::date($from));
            }
        }
        foreach ($vehicle->deadlines as [$first, $last]) {
            if ($here->day >= $first && $here->day <= $last) {
                $says[] = sprintf('It keeps the deadline of %s.', Day::date($last));
            }
        }
        if ($together > 0) {
            $says[] = sprintf('It shares the trip with %d other%s.', $together, $together === 1 ? '' : 's');
        }
        if ($instance->skyOver($vehicle, $here->day)->poor) {
            $says[] = 'The weather is poor; every better day costs more.';
        }
        $costs = array_filter(
            array_map(static fn(array $of): ?float => $of['cost'], $days),
            static fn(?float $cost): bool => $cost !== null,
        );
        if ($costs !== []) {
            asort($costs);
            $next = (int) array_key_first($costs);
            $says[] =
                $costs[$next] < -1e-9
                    ? sprintf(
                        '%s would be cheaper by %s points now; %s.',
                        Day::date($next),
                        self::plain(-$costs[$next]),
                        $costs[$next] < -Planner::STAY
                            ? 'plan again to move it'
                            : 'too little to move what is planned for',
                    )
                    : sprintf(
                        'The next best is %s, %s.',
                        Day::date($next),
                        $costs[$next] < 1e-9
                            ? 'just as good'
                            : sprintf(
                                '%s point%s more',
                                self::plain($costs[$next]),
                                self::plain($costs[$next]) === '1' ? '' : 's',
                            ),
                    );
        }

        return $says;
    }

    private static function plain(float $value): string
    {
        return rtrim(rtrim(number_format($value, 1, '.', ''), '0'), '.');
    }
}
