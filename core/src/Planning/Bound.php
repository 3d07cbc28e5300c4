<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

use Closure;

/**
 * What no plan can be cheaper than, by Lagrangian decomposition (Guignard & Kim 1987; Fisher 1981). A visit is asked for twice:
 * by its vehicle, which has a shortest path, and by a crew's day, which holds what fits into its minutes, with the trips to the
 * places and overtime. Both have to ask for the same; instead of that, each visit of a vehicle with a crew on a day has a price that
 * the vehicle pays and the day earns. For any prices the vehicles' cheapest paths and the days' best fillings, an exact knapsack
 * ({@see DayFill}), together cost no more than the best plan. Prices of minutes ({@see MinutePrices}) are few and found soon; from
 * them, steps along the subgradient raise it, each price by its own mean slope (Kingma & Ba 2015).
 */
final class Bound
{
    /** Points of a step at first; after so many steps half of it. */
    private const STEP = 0.5;

    private const HALVED_AFTER = 25;

    /** How much of the steps before is kept in the mean slope, and in its mean square. */
    private const KEPT = [0.9, 0.99];

    /** A price whose mean slope is less rests. */
    private const AT_REST = 1e-3;

    private const SMOOTH = 0.05;

    /** So many steps find the prices of minutes. */
    private const FIRST = 40;

    /** Of more visits than this not each has a price of its own: memory and steps go with them. */
    private const MOST = 150_000;

    /** More than sums of points in another order can differ by. */
    private const ROUNDED = 1e-6;

    /** The best bound found, missed deadlines and locks included. */
    public float $value = -INF;

    /** @var array<int, list<array<int, array<int, int>>>> visits by vehicle, place among its days, kind bits, crew */
    private array $visits = [];

    /** @var array<int, float> by visit */
    private array $price = [];

    /** @var list<array{int, int}> a visit, and one of the same vehicle, day and crew that holds more */
    private array $more = [];

    /** @var list<DayFill> */
    private array $days;

    /** @var array<int, float> by visit */
    private array $slope = [];

    /** @var array<int, float> */
    private array $square = [];

    private int $steps = 0;

    /** @var array<int, array{list<array{int, int}>, float}> each vehicle's last path, and what it costs beside prices */
    private array $paths = [];

    private readonly MinutePrices $minutes;

    /** Whether each visit has a price of its own. */
    private readonly bool $each;

    /** @param list<Course> $courses  one for each vehicle of the instance */
    public function __construct(private readonly Instance $instance, private readonly array $courses)
    {
        $this->minutes = new MinutePrices($instance, $courses);
        $days = array_sum(array_map(static fn(Course $course): int => count($course->days), $courses));
        $this->each = 3 * $days * count($instance->crews) <= self::MOST;
        $offers = [];
        foreach ($this->each ? $courses : [] as $v => $course) {
            $this->visits[$v] = array_fill(0, count($course->days), []);
            foreach ($this->choices($course) as [$i, $c, $bits, $work]) {
                $id = count($this->price);
                $this->visits[$v][$i][$bits][$c] = $id;
                $this->price[] = 0.0;
                if (!$course->vehicle->mayStay) {
                    // What may go on over several days can't be told from its first: it goes for nothing.
                    $offers["{$c} {$course->days[$i]}"][$course->vehicle->site][$v][$id] = $work;
                }
            }
            array_push($this->more, ...array_merge(...array_map(self::pairs(...), $this->visits[$v])));
        }
        $this->days = array_map(static function (string $key) use ($instance, $offers): DayFill {
            [$c, $day] = array_map(intval(...), explode(' ', $key));

            return new DayFill($offers[$key], $instance->sites, $instance->crews[$c]->minutes[$day], $instance->rules);
        }, array_keys($offers));
    }

    /** @return iterable<array{int, int, int, int}> place among its days, crew, kind bits, minutes of each visit there may be */
    private function choices(Course $course): iterable
    {
        $vehicle = $course->vehicle;
        $site = $this->instance->siteOf($vehicle);
        foreach ($course->days as $i => $day) {
            foreach ($this->instance->crews as $c => $crew) {
                $most = ($crew->minutes[$day] ?? 0) + $this->instance->rules->overtimeMost - $site->hopMin;
                foreach (
                    ($crew->minutes[$day] ?? 0) > 0 && $site->admits($crew->id, $day) ? $course->kinds($i) : []
                    as $bits
                ) {
                    $work = $vehicle->minutesFor($bits, $crew->people);
                    if ($vehicle->mayStay || $work <= $most) {
                        yield [$i, $c, $bits, $work];
                    }
                }
            }
        }
    }

    /**
     * @param array<int, array<int, int>> $kinds  visits of one day by kind bits and crew
     * @return list<array{int, int}> a visit, and one of the same crew that holds more; fewer kinds first
     */
    private static function pairs(array $kinds): array
    {
        ksort($kinds);
        $pairs = [];
        foreach ($kinds as $bits => $by) {
            foreach ($kinds as $fewer => $those) {
                foreach (
                    $fewer !== $bits && ($fewer & $bits) === $fewer ? array_intersect_key($by, $those) : []
                    as $c => $id
                ) {
                    $pairs[] = [$those[$c], $id];
                }
            }
        }

        return $pairs;
    }

    /**
     * Some steps towards a better bound.
     *
     * @param float $above                  what a plan at hand costs, missed deadlines and locks included
     * @param Closure(): bool|null $goesOn  asked every few steps
     */
    public function raise(int $rounds, float $above, ?Closure $goesOn = null): void
    {
        if (!$this->each) {
            $this->minutes->raise($rounds, $above, $goesOn);
            $this->value = $this->minutes->value;

            return;
        }
        if ($this->steps === 0) {
            $this->minutes->raise(min(self::FIRST, $rounds), $above, $goesOn);
            $this->value = $this->minutes->value;
            $this->begin();
        }
        for ($round = 0; $round < $rounds && $above - $this->value > 1e-6; $round++) {
            if ($goesOn !== null && $round % 8 === 7 && !$goesOn()) {
                return;
            }
            [$bound, $slope] = $this->evaluate();
            $this->value = max($this->value, $bound);
            $this->follow($slope);
        }
    }

    /** Each visit at what its minutes and its trip are worth. */
    private function begin(): void
    {
        foreach ($this->visits as $v => $places) {
            $course = $this->courses[$v];
            foreach ($course->vehicle->mayStay ? [] : $places as $i => $kinds) {
                foreach ($kinds as $bits => $by) {
                    foreach ($by as $c => $id) {
                        $this->price[$id] = $this->minutes->of(
                            $v,
                            $course->days[$i],
                            $course->vehicle->minutesFor($bits, $this->instance->crews[$c]->people),
                        );
                    }
                }
            }
        }
    }

    /** @return array{float, array<int, int>} the bound; visits that only a vehicle asks for (1), or only a day (-1) */
    private function evaluate(): array
    {
        $bound = 0.0;
        $slope = [];
        foreach (array_keys($this->courses) as $v) {
            [$cost, $asked] = $this->cheapest($v);
            $bound += $cost;
            $slope += array_fill_keys($asked, 1);
        }
        foreach ($this->days as $day) {
            [$earned, $taken] = $day->best($this->price);
            $bound -= $earned;
            foreach ($taken as $id) {
                if (isset($slope[$id])) {
                    unset($slope[$id]);
                } else {
                    $slope[$id] = -1;
                }
            }
        }

        return [$bound, $slope];
    }

    /** @return array{float, list<int>} what a vehicle's best path costs, and the visits on it */
    private function cheapest(int $v): array
    {
        $course = $this->courses[$v];
        $prices = $with = [];
        foreach ($course->days as $i => $day) {
            $poor = $this->instance->skyOver($course->vehicle, $day)->poor ? $this->instance->rules->poorWeather : 0.0;
            $of = [];
            foreach ($this->visits[$v][$i] as $bits => $by) {
                $least = INF;
                foreach ($by as $id) {
                    if ($this->price[$id] < $least) {
                        $least = $this->price[$id];
                        $with[$i][$bits] = $id;
                    }
                }
                $of[$bits] = $poor + $least;
            }
            $prices[] = $of;
        }
        // Prices move little from step to step: the last path tells at once what is too dear.
        [$visits, $own] = $this->paths[$v] ?? [[], INF];
        $best = $course->best($prices, $own + self::along($visits, $prices) + self::ROUNDED);
        $this->paths[$v] = [$best['visits'], $best['cost'] - self::along($best['visits'], $prices)];

        return [
            $best['cost'],
            $course->vehicle->mayStay
                ? []
                : array_map(static fn(array $visit): int => $with[$visit[0]][$visit[1]] ?? 0, $best['visits']),
        ];
    }

    /**
     * @param list<array{int, int}> $visits
     * @param list<array<int, float>> $prices
     */
    private static function along(array $visits, array $prices): float
    {
        $sum = 0.0;
        foreach ($visits as [$i, $bits]) {
            $sum += $prices[$i][$bits];
        }

        return $sum;
    }

    /** @param array<int, int> $slope */
    private function follow(array $slope): void
    {
        $step = self::STEP / (1.0 + ++$this->steps / self::HALVED_AFTER);
        [$mean, $square] = self::KEPT;
        foreach ($this->slope + $slope as $id => $_) {
            $now = $slope[$id] ?? 0;
            $kept = $mean * ($this->slope[$id] ?? 0.0) + (1.0 - $mean) * $now;
            $this->square[$id] = $square * ($this->square[$id] ?? 0.0) + (1.0 - $square) * $now * $now;
            if (abs($kept) < self::AT_REST) {
                unset($this->slope[$id]);

                continue;
            }
            $this->slope[$id] = $kept;
            $this->price[$id] += ($step * $kept) / (sqrt($this->square[$id]) + self::SMOOTH);
        }
        // What holds more costs no less: a course leaves out what is not due any more, and is exact only where that never pays.
        foreach ($this->more as [$less, $more]) {
            if ($this->price[$more] < $this->price[$less]) {
                $this->price[$more] = $this->price[$less];
            }
        }
    }
}
