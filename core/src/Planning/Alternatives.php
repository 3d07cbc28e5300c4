<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

use Closure;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

/**
 * Why a visit stands where it stands, and what any other day would cost: the vehicle's other visits give way, those of
 * all others stay.
 */
final readonly class Alternatives
{
    /**
     * @param list<Said> $why
     * @param array<int, array{cost: float|null, why: Said|null}> $days by day: points more than now (below
     *     nought: fewer), or why it can't be
     * @param array<int, array{road: int, over: int, people: int}> $tolls by day it can be on: minutes on the road and
     *     beyond the crew's hours that this visit takes there, and how many go
     * @param array{road: int, over: int, people: int} $toll  the same where it stands
     */
    private function __construct(public array $why, public array $days, public array $tolls, public array $toll) {}

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
            $vehicles[$vehicleId] ?? throw InvalidInput::at('vehicle', Said::of('fault.vehicle', vehicle: $vehicleId));
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
            throw InvalidInput::at('date', Said::of('fault.no-visit', vehicle: $vehicleId, on: Day::date($day)));
        ksort($own);
        $now = self::held($instance, $ledger, $vehicle, $own);
        $days = $tolls = [];
        for (
            $other = max($instance->start, $day - $around);
            $other <= min($instance->end - 1, $day + $around);
            $other++
        ) {
            if ($other !== $day) {
                $days[$other] = self::at($instance, $ledger, $vehicle, $here, $other, $now);
                $toll = $days[$other]['cost'] === null ? null : $ledger->toll($vehicle, $other, $here->bits);
                $tolls += $toll === null ? [] : [$other => $toll];
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
            $tolls,
            $ledger->toll($vehicle, $day, $here->bits, $crews[$here->crew]) ?? [
                'road' => 0,
                'over' => 0,
                'people' => 1,
            ],
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

        return $course->best(self::prices($ledger, $course, static fn(int $day): bool => isset($own[$day])))['cost'];
    }

    /** @return array{cost: float|null, why: Said|null} */
    private static function at(
        Instance $instance,
        Ledger $ledger,
        PlanVehicle $vehicle,
        PlacedVisit $here,
        int $other,
        float $now,
    ): array {
        $why = match (true) {
            isset($vehicle->closed[$other]) => Said::of('alternatives.the-vehicle-is-away'),
            isset($instance->siteOf($vehicle)->closed[$other]) => Said::of('alternatives.the-place-is-closed'),
            !$instance->skyOver($vehicle, $other)->wash => Said::of('alternatives.the-weather-forbids-it'),
            ($here->bits & ~$vehicle->each & Instance::WEATHERED) > 0 && !$instance->skyOver($vehicle, $other)->topper
                => Said::of('alternatives.nothing-but-a-wash-goes-in'),
            ($lost = $here->bits & ~$vehicle->each & ~$instance->kindsOn($vehicle, $other)) > 0 => Said::of(
                'alternatives.nothing-on-the-shelf-goes',
                kinds: array_map(static fn(Kind $kind): Said => $kind->says(), array_slice(Kind::of($lost), 1)),
            ),
            array_filter($instance->crews, static fn(PlanCrew $crew): bool => ($crew->minutes[$other] ?? 0) > 0) === []
                => Said::of('alternatives.nobody-works'),
            $instance->mayGo($vehicle, $other) === [] => Said::of('alternatives.nobody-who-works-may-go'),
            $ledger->prices($vehicle, $other, [$here->bits], 0.0)[0] === [] => Said::of(
                'alternatives.the-crews-are-full',
            ),
            default => null,
        };
        if ($why !== null) {
            return ['cost' => null, 'why' => $why];
        }
        // What is locked elsewhere stays; the visit itself is let go.
        $locks = [$other => $here->bits] + array_diff_key($vehicle->locks, [$here->day => 1]);
        $course = new Course($instance, $vehicle->locked($locks));
        $prices = self::prices($ledger, $course, static fn(int $day): bool => $day !== $here->day);
        $cost = $course->best($prices)['cost'] - $now;

        return $cost >= Course::MISSED / 2
            ? ['cost' => null, 'why' => Said::of('alternatives.a-deadline-or-another-lock')]
            : ['cost' => round($cost, 6), 'why' => null];
    }

    /**
     * @param Closure(int): bool $may  whether a day is to be had at all
     * @return list<array<int, float>>
     */
    private static function prices(Ledger $ledger, Course $course, Closure $may): array
    {
        $prices = $ledger->pricesOn($course->vehicle, $course->days, $course->kinds, $course->poor)[0];
        foreach ($course->days as $i => $day) {
            if (!$may($day)) {
                $prices[$i] = [];
            }
        }

        return $prices;
    }

    /**
     * @param array<int, PlacedVisit> $own  the vehicle's visits by day, in order
     * @param array<int, array{cost: float|null, why: Said|null}> $days
     * @return list<Said>
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
            Said::of(
                'alternatives.days-after-the-visit-before',
                days: $here->day - $before,
                target: $vehicle->target,
                min: $vehicle->min,
                max: $vehicle->max,
            ),
        ];
        if (isset($vehicle->locks[$here->day])) {
            $says[] = Said::of('alternatives.it-is-locked-here');
        }
        foreach (
            [
                [$vehicle->topper, 1, Said::of('alternatives.the-topper')],
                [$vehicle->decon, 2, Said::of('alternatives.decontamination')],
                [$vehicle->inspection, 4, Said::of('alternatives.looking-over-the-base')],
                [$vehicle->base, 8, Said::of('alternatives.the-base')],
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
                $says[] = Said::of(
                    'alternatives.is-due-on-worth-doing-from',
                    name: $name,
                    due: Day::date($due),
                    from: Day::date($from),
                );
            }
        }
        foreach ($vehicle->deadlines as [$first, $last]) {
            if ($here->day >= $first && $here->day <= $last) {
                $says[] = Said::of('alternatives.it-keeps-the-deadline-of', on: Day::date($last));
            }
        }
        if ($together > 0) {
            $says[] = Said::of('alternatives.it-shares-the-trip-with', together: $together);
        }
        if ($instance->skyOver($vehicle, $here->day)->poor) {
            $says[] = Said::of('alternatives.the-weather-is-poor-every');
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
                    ? Said::of(
                        'alternatives.would-be-better',
                        on: Day::date($next),
                        advice: $costs[$next] < -$instance->rules->stay
                            ? Said::of('alternatives.plan-again-to-move-it')
                            : Said::of('alternatives.too-little-to-move-what-is'),
                    )
                    : Said::of('alternatives.the-next-best-is', on: Day::date($next), cost: self::worth($costs[$next]));
        }

        return $says;
    }

    /** How good a day of so many points more is, in words: a point is about what a visit a day beside its wish costs. */
    public static function worth(float $points): Said
    {
        return match (true) {
            $points < -0.05 => Said::of('alternatives.better'),
            $points < 0.05 => Said::of('alternatives.just-as-good'),
            $points < 2.0 => Said::of('alternatives.hardly-worse'),
            $points < 8.0 => Said::of('alternatives.a-little-worse'),
            $points < 25.0 => Said::of('alternatives.clearly-worse'),
            default => Said::of('alternatives.much-worse'),
        };
    }
}
