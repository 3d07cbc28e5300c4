<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

use Vicissa\Core\Says\Said;

/** What a finished plan does not hold, each with its reason in a sentence. */
final readonly class Reasons
{
    private Ledger $ledger;

    /** @var array<string, array<int, int>> kind bits by vehicle and day */
    private array $visits;

    /** @param list<PlacedVisit> $visits */
    private function __construct(private Instance $instance, array $visits)
    {
        $this->ledger = new Ledger($instance);
        $crews = array_flip(array_map(static fn(PlanCrew $crew): string => $crew->id, $instance->crews));
        $vehicles = $instance->byId();
        $by = [];
        foreach ($visits as $visit) {
            $this->ledger->add($vehicles[$visit->vehicle], $crews[$visit->crew], $visit->day, $visit->bits);
            $by[$visit->vehicle][$visit->day] = $visit->bits;
        }
        $this->visits = $by;
    }

    /**
     * @param list<PlacedVisit> $visits
     * @return list<Unmet>
     */
    public static function of(Instance $instance, array $visits): array
    {
        $reasons = new self($instance, $visits);
        $unmet = [];
        foreach ($instance->vehicles as $vehicle) {
            $unmet = [...$unmet, ...$reasons->about($vehicle)];
        }

        return $unmet;
    }

    /** @return list<Unmet> */
    private function about(PlanVehicle $vehicle): array
    {
        $unmet = [];
        $visits = $this->visits[$vehicle->id] ?? [];
        ksort($visits);
        foreach ($vehicle->locks as $day => $bits) {
            if (($visits[$day] ?? null) !== $bits) {
                $unmet[] = new Unmet(
                    $vehicle->id,
                    'lock ' . Day::date($day),
                    $day < $this->instance->start || $day >= $this->instance->end
                        ? Said::of('reasons.it-lies-outside-the-days')
                        : $this->full($vehicle, $day, $bits),
                    true,
                );
            }
        }
        foreach ($vehicle->deadlines as [$first, $last]) {
            if ($last < $this->instance->start || $first >= $this->instance->end) {
                $unmet[] = new Unmet(
                    $vehicle->id,
                    'deadline ' . Day::date($last),
                    Said::of('reasons.it-lies-outside-the-days'),
                );
                continue;
            }
            $kept = array_filter(array_keys($visits), static fn(int $day): bool => $day >= $first && $day <= $last);
            if ($kept === [] && $last >= $this->instance->start && $last < $this->instance->end) {
                $unmet[] = new Unmet(
                    $vehicle->id,
                    'deadline ' . Day::date($last),
                    $this->whyNone($vehicle, max($first, $this->instance->start), $last, array_keys($visits)),
                    true,
                );
            }
        }
        $before = $vehicle->lastWash;
        foreach ([...array_keys($visits), $this->instance->end] as $day) {
            if ($day - $before > $vehicle->max) {
                $what =
                    $day === $this->instance->end
                        ? Said::of('reasons.no-visit-after-days-at-most', on: Day::date($before), max: $vehicle->max)
                        : Said::of(
                            'reasons.days-from-to-at-most',
                            days: $day - $before,
                            from: Day::date($before),
                            to: Day::date($day),
                            max: $vehicle->max,
                        );
                $unmet[] = new Unmet(
                    $vehicle->id,
                    'cadence',
                    Said::after(
                        $what,
                        $this->whyNone(
                            $vehicle,
                            max($this->instance->start, $before + $vehicle->min),
                            min($this->instance->end - 1, $before + $vehicle->max),
                            array_keys($visits),
                        ),
                    ),
                );
            }
            $before = $day;
        }
        $unmet = [...$unmet, ...$this->unreachable($vehicle, array_keys($visits))];
        foreach (
            [
                'topper' => [$vehicle->topper, 9],
                'decon' => [$vehicle->decon, 2],
                'inspection' => [$vehicle->inspection, 4],
                'base' => [$vehicle->base, 8],
            ]
            as $what => [$cycle, $bit]
        ) {
            if ($cycle?->late === null || $cycle->late >= $this->instance->end) {
                continue;
            }
            $done = array_keys(array_filter($visits, static fn(int $bits): bool => ($bits & $bit) !== 0));
            if ($done === [] || $done[0] > $cycle->late) {
                $unmet[] = new Unmet(
                    $vehicle->id,
                    $what,
                    Said::of(
                        'reasons.too-late-after',
                        late: Day::date($cycle->late),
                        first: $done === []
                            ? Said::of('reasons.none-fits-before-the-end')
                            : Said::of('reasons.the-first-that-fits-is', on: Day::date($done[0])),
                        why: $this->whyNotBy($vehicle, $visits, $cycle, $bit),
                    ),
                );
            }
        }

        return $unmet;
    }

    /**
     * Why nothing of a kind was done in time: what stands against it on the visits there are, or why there is none.
     *
     * @param array<int, int> $visits  kind bits by day
     */
    private function whyNotBy(PlanVehicle $vehicle, array $visits, Cycle $cycle, int $bit): Said
    {
        $first = max($this->instance->start, $cycle->from);
        $last = $cycle->late ?? $this->instance->end;
        $there = array_filter(array_keys($visits), static fn(int $day): bool => $day >= $first && $day <= $last);
        if ($there === []) {
            return $last < $this->instance->start
                ? Said::of('reasons.it-was-late-before-the-plan')
                : $this->whyNone($vehicle, $first, min($this->instance->end - 1, $last), array_keys($visits));
        }
        // A topper comes with a new base as well, where one is planned.
        $bits = $vehicle->base === null ? $bit & ~8 : $bit;
        $wet = array_filter($there, fn(int $day): bool => ($bits & $this->instance->kindsOn($vehicle, $day)) === 0);
        if (count($wet) === count($there)) {
            $cold = array_filter($wet, fn(int $day): bool => $this->instance->skyOver($vehicle, $day)->topper);

            return Said::of(
                'reasons.would-hold-it',
                what: $cold === []
                    ? Said::of('reasons.the-weather-forbids-it-on')
                    : Said::of('reasons.nothing-on-the-shelf-goes'),
                days: array_map(Day::date(...), array_values($wet)),
                remedy: $cold === []
                    ? Said::of('reasons.a-dry-day-or-a-bay')
                    : Said::of('reasons.a-bay-or-a-product-for-such'),
            );
        }

        return Said::of(
            'reasons.on-there-is-no-time-for-its',
            on: Day::date(array_values(array_diff($there, $wet))[0]),
            minutes: max(0, $vehicle->minutesFor($bit & -$bit) - $vehicle->minutesFor(0)),
        );
    }

    /**
     * Why no visit falls into some days.
     *
     * @param list<int> $visits
     */
    private function whyNone(PlanVehicle $vehicle, int $first, int $last, array $visits): Said
    {
        $why = [
            'vehicle' => 0,
            'site' => 0,
            'weather' => 0,
            'crew' => 0,
            'barred' => 0,
            'full' => 0,
            'gap' => 0,
            'dear' => 0,
        ];
        for ($day = $first; $day <= $last; $day++) {
            $why[
                match (true) {
                    isset($vehicle->closed[$day]) => 'vehicle',
                    isset($this->instance->siteOf($vehicle)->closed[$day]) => 'site',
                    !$this->instance->skyOver($vehicle, $day)->wash => 'weather',
                    !$this->works($day) => 'crew',
                    $this->instance->mayGo($vehicle, $day) === [] => 'barred',
                    $this->tooNear($vehicle, $day, $visits) => 'gap',
                    $this->ledger->prices($vehicle, $day, [0], 0.0)[0] === [] => 'full',
                    default => 'dear',
                }
            ]++;
        }
        $says = [
            'vehicle' => Said::of('reasons.the-vehicle-is-away'),
            'site' => Said::of('reasons.the-place-is-closed'),
            'weather' => Said::of('reasons.the-weather-forbids-it'),
            'crew' => Said::of('reasons.nobody-works'),
            'barred' => Said::of('reasons.nobody-who-works-may-go'),
            'full' => Said::of('reasons.the-crews-are-full'),
            'gap' => Said::of('reasons.it-is-too-soon-after-or'),
            'dear' => Said::of('reasons.other-things-would-suffer'),
        ];
        arsort($why);
        $parts = [];
        foreach ($why as $what => $days) {
            if ($days > 0) {
                $parts[] = Said::of('reasons.on-days', what: $says[$what], days: $days);
            }
        }

        $says = $parts === [] ? Said::of('reasons.there-is-no-day-for-it') : Said::sentence(Said::list($parts));

        return $why['full'] > 0 ? Said::after($says, $this->wouldHold($vehicle, $first, $last, $visits)) : $says;
    }

    /**
     * What would make room: the day on which the fewest minutes are missing, or what is missing on every day.
     *
     * @param list<int> $visits
     */
    private function wouldHold(PlanVehicle $vehicle, int $first, int $last, array $visits): ?Said
    {
        [$least, $where, $longest] = [PHP_INT_MAX, null, 0];
        for ($day = $first; $day <= $last; $day++) {
            if (!$this->instance->isOpen($vehicle, $day) || $this->tooNear($vehicle, $day, $visits)) {
                continue;
            }
            foreach ($this->instance->crews as $c => $crew) {
                $minutes = $crew->minutes[$day] ?? 0;
                if ($minutes <= 0 || !$this->instance->siteOf($vehicle)->admits($crew->id, $day)) {
                    continue;
                }
                $longest = max($longest, $minutes);
                $missing =
                    $this->ledger->taken($c, $day) +
                    $vehicle->minutesFor(0, $crew->people) +
                    $this->instance->siteOf($vehicle)->hopMin -
                    $minutes -
                    $this->instance->rules->overtimeMost;
                if ($missing < $least) {
                    [$least, $where] = [$missing, $day];
                }
            }
        }
        $needs =
            min([
                PHP_INT_MAX >> 1,
                ...array_map(
                    static fn(PlanCrew $crew): int => $vehicle->minutesFor(0, $crew->people),
                    $this->instance->crews,
                ),
            ]) + $this->instance->siteOf($vehicle)->hopMin;

        return match (true) {
            $where === null || $least <= 0 => null,
            $needs > $longest + $this->instance->rules->overtimeMost => Said::of(
                'reasons.it-takes-minutes-with-the',
                needs: $needs,
                longest: $longest,
            ),
            default => Said::of(
                'reasons.more-on-would-hold-it',
                amount: self::amount($least),
                weekday: (int) gmdate('N', $where * 86400),
                on: Day::date($where),
            ),
        };
    }

    /** Minutes, up to the next quarter of an hour. */
    private static function amount(int $minutes): Said
    {
        $quarters = (int) ceil($minutes / 15);

        return match (true) {
            $quarters === 4 => Said::of('reasons.an-hour'),
            $quarters < 4 => Said::of('reasons.minutes', minutes: 15 * $quarters),
            default => Said::of('reasons.hours', hours: intdiv($quarters, 4), minutes: 15 * ($quarters % 4)),
        };
    }

    /**
     * A visit that is wished for after the last day on which anybody is let in.
     *
     * @param list<int> $visits
     * @return list<Unmet>
     */
    private function unreachable(PlanVehicle $vehicle, array $visits): array
    {
        $until = $this->instance->siteOf($vehicle)->papersUntil;
        $wished = max([$vehicle->lastWash, ...$visits]) + $vehicle->target;

        return $until === null ||
            $until >= $this->instance->end - 1 ||
            $wished < $this->instance->start ||
            $wished >= $this->instance->end
            ? []
            : [
                new Unmet(
                    $vehicle->id,
                    'papers',
                    Said::of(
                        'reasons.nobody-is-let-in-after-when',
                        until: Day::date($until),
                        wished: Day::date(max($wished, $until + 1)),
                    ),
                ),
            ];
    }

    private function works(int $day): bool
    {
        return array_filter(
            $this->instance->crews,
            static fn(PlanCrew $crew): bool => ($crew->minutes[$day] ?? 0) > 0,
        ) !== [];
    }

    /** @param list<int> $visits */
    private function tooNear(PlanVehicle $vehicle, int $day, array $visits): bool
    {
        return array_filter(
            [$vehicle->lastWash, ...$visits],
            static fn(int $other): bool => abs($other - $day) < $vehicle->min,
        ) !== [];
    }

    private function full(PlanVehicle $vehicle, int $day, int $bits): Said
    {
        return match (true) {
            !$this->works($day) => Said::of('reasons.nobody-works-on-that-day'),
            $this->instance->mayGo($vehicle, $day) === [] => Said::of('reasons.nobody-who-works-on-that'),
            $this->ledger->prices($vehicle, $day, [$bits], 0.0)[0] === [] => Said::after(
                Said::of('reasons.its-minutes-do-not-fit-into', minutes: $vehicle->minutesFor($bits)),
                $this->wouldHold($vehicle, $day, $day, []),
            ),
            default => Said::of('reasons.it-clashes-with-another'),
        };
    }
}
