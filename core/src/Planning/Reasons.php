<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

/** What a finished plan does not hold, each with its reason in a sentence. */
final readonly class Reasons
{
    private const WEEKDAYS = [1 => 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

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
                        ? 'It lies outside the days planned.'
                        : $this->full($vehicle, $day, $bits),
                    true,
                );
            }
        }
        foreach ($vehicle->deadlines as [$first, $last]) {
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
                        ? sprintf('No visit after %s; %d days at most.', Day::date($before), $vehicle->max)
                        : sprintf(
                            '%d days from %s to %s; %d at most.',
                            $day - $before,
                            Day::date($before),
                            Day::date($day),
                            $vehicle->max,
                        );
                $unmet[] = new Unmet(
                    $vehicle->id,
                    'cadence',
                    $what .
                        ' ' .
                        $this->whyNone(
                            $vehicle,
                            max($this->instance->start, $before + $vehicle->min),
                            min($this->instance->end - 1, $before + $vehicle->max),
                            array_keys($visits),
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
                    sprintf(
                        'Too late after %s; %s.',
                        Day::date($cycle->late),
                        $done === [] ? 'none fits before the end' : 'the first that fits is ' . Day::date($done[0]),
                    ) .
                        ' ' .
                        $this->whyNotBy($vehicle, $visits, $cycle, $bit),
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
    private function whyNotBy(PlanVehicle $vehicle, array $visits, Cycle $cycle, int $bit): string
    {
        $first = max($this->instance->start, $cycle->from);
        $last = $cycle->late ?? $this->instance->end;
        $there = array_filter(array_keys($visits), static fn(int $day): bool => $day >= $first && $day <= $last);
        if ($there === []) {
            return $last < $this->instance->start
                ? 'It was late before the plan begins.'
                : $this->whyNone($vehicle, $first, min($this->instance->end - 1, $last), array_keys($visits));
        }
        // A topper comes with a new base as well, where one is planned.
        $bits = $vehicle->base === null ? $bit & ~8 : $bit;
        $wet = array_filter($there, fn(int $day): bool => ($bits & $this->instance->kindsOn($vehicle, $day)) === 0);
        if (count($wet) === count($there)) {
            $cold = array_filter($wet, fn(int $day): bool => $this->instance->skyOver($vehicle, $day)->topper);

            return sprintf(
                '%s %s; %s would hold it.',
                $cold === [] ? 'The weather forbids it on' : 'Nothing on the shelf goes on in the weather of',
                implode(', ', array_map(Day::date(...), $wet)),
                $cold === [] ? 'a dry day, or a bay,' : 'a bay, or a product for such a day,',
            );
        }

        return sprintf(
            'On %s there is no time for its %d minutes: more time on that day, or another crew, would hold it.',
            Day::date(array_values(array_diff($there, $wet))[0]),
            max(0, $vehicle->minutesFor($bit & -$bit) - $vehicle->minutesFor(0)),
        );
    }

    /**
     * Why no visit falls into some days.
     *
     * @param list<int> $visits
     */
    private function whyNone(PlanVehicle $vehicle, int $first, int $last, array $visits): string
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
            'vehicle' => 'the vehicle is away',
            'site' => 'the place is closed',
            'weather' => 'the weather forbids it',
            'crew' => 'nobody works',
            'barred' => 'nobody who works may go there',
            'full' => 'the crews are full',
            'gap' => 'it is too soon after or before another visit',
            'dear' => 'other things would suffer more',
        ];
        arsort($why);
        $parts = [];
        foreach ($why as $what => $days) {
            if ($days > 0) {
                $parts[] = sprintf('%s on %d day%s', $says[$what], $days, $days === 1 ? '' : 's');
            }
        }

        $says = $parts === [] ? 'There is no day for it.' : ucfirst(implode(', ', $parts)) . '.';

        return $why['full'] > 0 ? $says . $this->wouldHold($vehicle, $first, $last, $visits) : $says;
    }

    /**
     * What would make room: the day on which the fewest minutes are missing, or what is missing on every day.
     *
     * @param list<int> $visits
     */
    private function wouldHold(PlanVehicle $vehicle, int $first, int $last, array $visits): string
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
            $where === null || $least <= 0 => '',
            $needs > $longest + $this->instance->rules->overtimeMost => sprintf(
                ' It takes %d minutes with the way, and the longest day has %d: more people at it, or a longer day, would hold it.',
                $needs,
                $longest,
            ),
            default => sprintf(
                ' %s more on %s %s would hold it.',
                self::amount($least),
                self::WEEKDAYS[(int) gmdate('N', $where * 86400)],
                Day::date($where),
            ),
        };
    }

    /** Minutes, up to the next quarter of an hour. */
    private static function amount(int $minutes): string
    {
        $quarters = (int) ceil($minutes / 15);

        return $quarters === 4
            ? 'An hour'
            : (15 * $quarters < 60
                ? sprintf('%d minutes', 15 * $quarters)
                : sprintf('%d:%02d hours', intdiv($quarters, 4), 15 * ($quarters % 4)));
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
                    sprintf(
                        'Nobody is let in after %s, when the papers run out; the visit of about %s waits until they are renewed.',
                        Day::date($until),
                        Day::date(max($wished, $until + 1)),
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

    private function full(PlanVehicle $vehicle, int $day, int $bits): string
    {
        return match (true) {
            !$this->works($day) => 'Nobody works on that day.',
            $this->instance->mayGo($vehicle, $day) === [] => 'Nobody who works on that day may go there.',
            $this->ledger->prices($vehicle, $day, [$bits], 0.0)[0] === [] => sprintf(
                'Its %d minutes do not fit into anybody’s day.',
                $vehicle->minutesFor($bits),
            ) . $this->wouldHold($vehicle, $day, $day, []),
            default => 'It clashes with another lock.',
        };
    }
}
