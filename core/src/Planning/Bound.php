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
 * them, {@see OwnSteps} raise it.
 */
final class Bound
{
    /** Points of a step at first; after so many steps half of it. */
    private const STEP = 0.25;

    private const HALVED_AFTER = 25;

    /**
     * Where only minutes have a price so many steps for one, since they cost less: of more vehicles, who take longer, fewer by as
     * much; and so many at once at most, as they come no nearer then.
     */
    private const MINUTES_ALONE = [8.0, 3200, 48];

    /** So many steps find the prices of minutes. */
    private const FIRST = 60;

    /** Of more visits than this not each has a price of its own: memory and steps go with them. */
    private const MOST = 150_000;

    /** Nor of more vehicles: in as many steps as there is time for, visits' prices come no further than those of minutes. */
    private const FEW = 50;

    /** The best bound found, missed deadlines and locks included. */
    public float $value = -INF;

    /** @var array<int, list<array<int, array<int, int>>>> visits by vehicle, place among its days, kind bits, crew */
    private array $visits = [];

    /** @var array<int, float> by visit */
    private array $price = [];

    /** @var list<array{int, int}> a visit, and one of the same vehicle, day and crew that holds more */
    private array $more = [];

    /** @var list<array{DayFill, int}> a crew's day, and how many like it there are */
    private readonly array $days;

    private readonly OwnSteps $steps;

    private bool $begun = false;

    /** @var array<int, array{list<array{int, int}>, float}> each vehicle's last path, and what it costs beside prices */
    private array $paths = [];

    public readonly MinutePrices $minutes;

    /** Whether each visit has a price of its own. */
    private readonly bool $each;

    /** @param list<Course> $courses  one for each vehicle of the instance */
    public function __construct(private readonly Instance $instance, private readonly array $courses)
    {
        $this->minutes = new MinutePrices($instance, $courses);
        $this->steps = new OwnSteps(self::STEP, self::HALVED_AFTER);
        $days = array_sum(array_map(static fn(Course $course): int => count($course->days), $courses));
        $alike = $this->alike();
        $kinds = array_sum(array_map(count(...), $alike)) / max(1, count($alike));
        $this->each = count($courses) <= self::FEW && 3 * $days * $kinds <= self::MOST;
        $offers = [];
        foreach ($this->each ? $courses : [] as $v => $course) {
            $this->visits[$v] = array_fill(0, count($course->days), []);
            foreach ($this->choices($course, $alike) as [$i, $c, $bits, $work]) {
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
        $fills = [];
        foreach (array_keys($offers) as $key) {
            [$c, $day] = array_map(intval(...), explode(' ', $key));
            $fills[] = [
                new DayFill($offers[$key], $instance->sites, $instance->crews[$c]->minutes[$day], $instance->rules),
                $alike[$day][$c],
            ];
        }
        $this->days = $fills;
    }

    /**
     * Crews that are alike on a day, as long at work, as many and let in at the same places, are worth the same to any vehicle: one
     * of them stands for all.
     *
     * @return array<int, array<int, int>> how many there are, by day and the first of them
     */
    private function alike(): array
    {
        $barred = [];
        foreach ($this->instance->sites as $site) {
            foreach (array_keys($site->barred) as $crew) {
                $barred[$crew] = true;
            }
        }
        $alike = [];
        for ($day = $this->instance->start; $day < $this->instance->end; $day++) {
            $first = [];
            foreach ($this->instance->crews as $c => $crew) {
                $minutes = $crew->minutes[$day] ?? 0;
                if ($minutes > 0) {
                    $as = isset($barred[$crew->id]) ? "one {$c}" : "{$minutes} {$crew->people}";
                    $first[$as] ??= $c;
                    $alike[$day][$first[$as]] = ($alike[$day][$first[$as]] ?? 0) + 1;
                }
            }
        }

        return $alike;
    }

    /**
     * @param array<int, array<int, int>> $alike
     * @return iterable<array{int, int, int, int}> place among its days, crew, kind bits, minutes of each visit there may be
     */
    private function choices(Course $course, array $alike): iterable
    {
        $vehicle = $course->vehicle;
        $site = $this->instance->siteOf($vehicle);
        foreach ($course->days as $i => $day) {
            foreach (array_keys($alike[$day] ?? []) as $c) {
                $crew = $this->instance->crews[$c];
                $most = $crew->minutes[$day] + $this->instance->rules->overtimeMost - $site->hopMin;
                foreach ($site->admits($crew->id, $day) ? $course->kinds[$i] : [] as $bits) {
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
            [$times, $vehicles, $most] = self::MINUTES_ALONE;
            $times = min($times, max(1.0, $vehicles / count($this->courses)));
            $this->minutes->raise((int) min($most, $times * $rounds), $above, $goesOn);
            $this->value = $this->minutes->value;

            return;
        }
        if (!$this->begun) {
            $this->begun = true;
            $this->minutes->raise(self::FIRST, $above, $goesOn);
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

    /** @return array{float, array<int, int>} the bound; how many vehicles more than days ask for a visit, where they are not as many */
    private function evaluate(): array
    {
        $bound = 0.0;
        $slope = [];
        foreach (array_keys($this->courses) as $v) {
            [$cost, $asked] = $this->cheapest($v);
            $bound += $cost;
            $slope += array_fill_keys($asked, 1);
        }
        foreach ($this->days as [$day, $times]) {
            [$earned, $taken] = $day->best($this->price);
            $bound -= $times * $earned;
            foreach ($taken as $id) {
                $slope[$id] = ($slope[$id] ?? 0) - $times;
                if ($slope[$id] === 0) {
                    unset($slope[$id]);
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
        foreach (array_keys($course->days) as $i) {
            $poor = $course->poor[$i] ?? 0.0;
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
        $best = $course->best($prices, $own + MinutePrices::along($visits, $prices) + MinutePrices::ROUNDED);
        $this->paths[$v] = [$best['visits'], $best['cost'] - MinutePrices::along($best['visits'], $prices)];

        return [
            $best['cost'],
            $course->vehicle->mayStay
                ? []
                : array_map(static fn(array $visit): int => $with[$visit[0]][$visit[1]] ?? 0, $best['visits']),
        ];
    }

    /** @param array<int, int> $slope */
    private function follow(array $slope): void
    {
        foreach ($this->steps->along($slope) as $id => $move) {
            $this->price[$id] += $move;
        }
        // What holds more costs no less: a course leaves out what is not due any more, and is exact only where that never pays.
        foreach ($this->more as [$less, $more]) {
            if ($this->price[$more] < $this->price[$less]) {
                $this->price[$more] = $this->price[$less];
            }
        }
    }
}
