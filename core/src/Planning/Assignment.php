<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

/**
 * Who comes when, and what that costs: each vehicle's visits with the days' minutes and travel beside them, so that one
 * vehicle can be taken out and put back, as it was or by its best given all others.
 */
final class Assignment
{
    /** More than sums of points in another order can differ by. */
    private const ROUNDED = 1e-6;

    /** @var list<Course> */
    public readonly array $courses;

    /** @var array<int, list<array{int, int, int}>> by vehicle: place among its course's days, kind bits, crew */
    private array $chosen = [];

    /** @var array<int, float> what each costs beside travel and overtime */
    private array $own = [];

    /** @var array<int, array<int, true>> vehicles visited, by day */
    private array $on = [];

    /** @var array<int, array<int, true>> days a vehicle was promised, in the plan before */
    private array $promised = [];

    private Ledger $ledger;

    /** @param float $stay  points a visit that stays on its day is worth more than one that moves */
    public function __construct(private readonly Instance $instance, private readonly float $stay)
    {
        $this->ledger = new Ledger($instance);
        $this->courses = array_map(
            static fn(PlanVehicle $vehicle): Course => new Course($instance, $vehicle),
            $instance->vehicles,
        );
        $this->chosen = array_fill(0, count($this->courses), []);
        $this->own = array_fill(0, count($this->courses), 0.0);
    }

    /** @return list<array{int, int, int}> a vehicle's visits: place among its course's days, kind bits, crew */
    public function of(int $v): array
    {
        return $this->chosen[$v];
    }

    /** @return list<array{int, string}> the same in days and crews */
    public function named(int $v): array
    {
        return array_map(
            fn(array $one): array => [$this->courses[$v]->days[$one[0]], $this->instance->crews[$one[2]]->id],
            $this->chosen[$v],
        );
    }

    /** @return list<int> vehicles visited on a day */
    public function on(int $day): array
    {
        return array_keys($this->on[$day] ?? []);
    }

    public function promise(int $v, int $day): void
    {
        $this->promised[$v][$day] = true;
    }

    public function release(int $v): void
    {
        unset($this->promised[$v]);
    }

    /**
     * @return array{float, array<int, list<array{int, int, int}>>, array<int, float>} all of it as it is, for restore
     */
    public function kept(): array
    {
        return [$this->total(), $this->chosen, $this->own];
    }

    /** @return array{list<array{int, int, int}>, float} one vehicle as it is, taken out, for put */
    public function lift(int $v): array
    {
        $was = [$this->chosen[$v], $this->own[$v]];
        $this->take($v);

        return $was;
    }

    /**
     * Puts a vehicle's standing visits in place, where all of them still can be held.
     *
     * @param array<int, PlacedVisit> $visits  by day
     * @param array<string, int> $crews         place of each
     * @return bool whether they can
     */
    public function stand(int $v, array $visits, array $crews): bool
    {
        $course = $this->courses[$v];
        $vehicle = $course->vehicle;
        ksort($visits);
        $places = array_flip($course->days);
        $chosen = [];
        $last = $vehicle->lastWash;
        foreach ($visits as $day => $visit) {
            $i = $places[$day] ?? null;
            $crew = $crews[$visit->crew] ?? null;
            $near = $day - $last < $vehicle->min && !isset($vehicle->locks[$day]) && !isset($vehicle->locks[$last]);
            if (
                $i === null ||
                $crew === null ||
                $near ||
                !$this->instance->siteOf($vehicle)->admits($visit->crew, $day)
            ) {
                return false;
            }
            // Inspections are set on the visits afterwards, what rides on every visit with them.
            $bits = $course->isLocked($i) ? $vehicle->locks[$day] : $visit->bits & ~4 & ~$vehicle->each;
            // What is not asked for any more, or can't go on in that day's weather, falls away; the day stays.
            $bits = in_array($bits, $course->kinds[$i], true)
                ? $bits
                : $bits & array_reduce($course->kinds[$i], static fn(int $all, int $some): int => $all | $some, 0);
            if (!in_array($bits, $course->kinds[$i], true)) {
                return false;
            }
            $chosen[] = [$i, $bits, $crew];
            $last = $day;
        }
        if (
            array_diff_key($vehicle->locks, $visits) !== [] &&
            array_filter(
                array_keys($vehicle->locks),
                fn(int $day): bool => isset($places[$day]) && !isset($visits[$day]),
            ) !== []
        ) {
            return false;
        }
        foreach ($chosen as $n => [$i, $bits, $crew]) {
            if (!$this->ledger->holds($vehicle, $crew, $course->days[$i], $bits)) {
                foreach (array_slice($chosen, 0, $n) as [$j, $had, $with]) {
                    $this->ledger->remove($vehicle, $with, $course->days[$j], $had);
                }

                return false;
            }
            $this->ledger->add($vehicle, $crew, $course->days[$i], $bits);
        }
        $this->visited($v, $chosen);
        $this->own[$v] = $this->ownCost($v, $chosen);

        return true;
    }

    /**
     * A vehicle's best visits, given all others.
     *
     * @param Lure|null $lure  what days are to cost besides
     * @param array{list<array{int, int, int}>, float}|null $was  as it was, from lift: not dearer than that
     */
    public function insert(int $v, ?Lure $lure = null, ?array $was = null): void
    {
        $course = $this->courses[$v];
        $vehicle = $course->vehicle;
        [$prices, $crews] = $this->ledger->pricesOn($vehicle, $course->days, $course->kinds, $this->besides($v), $lure);
        $best = $course->best($prices, $was === null ? INF : $this->known($v, $was, $prices));
        $before = $this->ledger->cost;
        $chosen = [];
        foreach ($best['visits'] as [$i, $bits]) {
            $this->ledger->add($vehicle, $crews[$i][$bits], $course->days[$i], $bits);
            $chosen[] = [$i, $bits, $crews[$i][$bits]];
        }
        $this->visited($v, $chosen);
        // Gaps, dates and weather; travel and overtime stand in the ledger.
        $this->own[$v] = $lure === null ? $best['cost'] - ($this->ledger->cost - $before) : $this->ownCost($v, $chosen);
    }

    /**
     * What visits of a vehicle would cost at these prices.
     *
     * @param array{list<array{int, int, int}>, float} $was
     * @param list<array<int, float>> $prices
     */
    private function known(int $v, array $was, array $prices): float
    {
        [$chosen, $cost] = $was;
        foreach ($chosen as [$i, $bits]) {
            if (!isset($prices[$i][$bits])) {
                return INF;
            }
            $cost += $prices[$i][$bits] - $this->beside($v, $i);
        }

        return $cost + self::ROUNDED;
    }

    /** @param list<array{int, int, int}> $chosen */
    public function locksIn(int $v, array $chosen): int
    {
        $course = $this->courses[$v];

        return $course->vehicle->locks === []
            ? 0
            : count(array_filter($chosen, static fn(array $one): bool => $course->isLocked($one[0])));
    }

    public function take(int $v): void
    {
        $course = $this->courses[$v];
        foreach ($this->chosen[$v] as [$i, $bits, $crew]) {
            $this->ledger->remove($course->vehicle, $crew, $course->days[$i], $bits);
            unset($this->on[$course->days[$i]][$v]);
        }
        $this->chosen[$v] = [];
        $this->own[$v] = 0.0;
    }

    /** @param list<array{int, int, int}> $chosen */
    public function put(int $v, array $chosen, float $own): void
    {
        foreach ($chosen as [$i, $bits, $crew]) {
            $this->ledger->add($this->courses[$v]->vehicle, $crew, $this->courses[$v]->days[$i], $bits);
        }
        $this->visited($v, $chosen);
        $this->own[$v] = $own;
    }

    /** @param list<array{int, int, int}> $chosen */
    private function visited(int $v, array $chosen): void
    {
        $this->chosen[$v] = $chosen;
        foreach ($chosen as [$i]) {
            $this->on[$this->courses[$v]->days[$i]][$v] = true;
        }
    }

    public function clear(): void
    {
        foreach (array_keys($this->courses) as $v) {
            $this->take($v);
        }
    }

    /** @param array{float, array<int, list<array{int, int, int}>>, array<int, float>} $plan  from kept */
    public function restore(array $plan): void
    {
        $this->clear();
        foreach ($plan[1] as $v => $chosen) {
            $this->put($v, $chosen, $plan[2][$v]);
        }
    }

    /**
     * Each vehicle its best given all others, until nothing is gained any more.
     *
     * @return bool whether anything was
     */
    public function settle(int $sweeps = 4): bool
    {
        $gained = false;
        for ($sweep = 0; $sweep < $sweeps; $sweep++) {
            $before = $this->total();
            foreach (array_keys($this->courses) as $v) {
                $total = $this->total();
                $was = $this->lift($v);
                $this->insert($v, was: $was);
                if ($this->total() > $total - 1e-9) {
                    // As good is no reason to move.
                    $this->take($v);
                    $this->put($v, ...$was);
                }
            }
            if ($this->total() > $before - 1e-9) {
                break;
            }
            $gained = true;
        }

        return $gained;
    }

    public function total(): float
    {
        return array_sum($this->own) + $this->ledger->cost;
    }

    /**
     * What a vehicle's visits cost beside travel and overtime: gaps, dates, weather, what is missed; less what staying
     * is worth.
     *
     * @param list<array{int, int, int}> $chosen
     */
    private function ownCost(int $v, array $chosen): float
    {
        $course = $this->courses[$v];
        $bits = [];
        $cost = 0.0;
        foreach ($chosen as [$i, $of]) {
            $day = $course->days[$i];
            $bits[$day] = $of;
            $cost += $this->beside($v, $i);
        }

        return $cost +
            array_sum(Cost::ofDates($this->instance, $course->vehicle, $bits)) +
            Course::MISSED * $course->missed(array_keys($bits));
    }

    /** Points of a day beside gaps and dates, by its place: its weather, less what staying is worth. */
    private function beside(int $v, int $i): float
    {
        $course = $this->courses[$v];

        return ($course->poor[$i] ?? 0.0) - (isset($this->promised[$v][$course->days[$i]]) ? $this->stay : 0.0);
    }

    /** @return array<int, float> the same of each place where there are any */
    private function besides(int $v): array
    {
        $all = $this->courses[$v]->poor;
        foreach (isset($this->promised[$v]) ? $this->courses[$v]->days : [] as $i => $day) {
            if (isset($this->promised[$v][$day])) {
                $all[$i] = ($all[$i] ?? 0.0) - $this->stay;
            }
        }

        return $all;
    }
}
