<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

use Closure;

/**
 * A first bound ({@see Bound}) by Lagrangian relaxation (Held & Karp 1971; Fisher 1981): the minutes of a day and the trips that vehicles of a site share are what couples them. Give each minute of a day a price, and each vehicle a
 * share of its trip; then every vehicle alone has a shortest path, and the sum of these, less what the days would earn
 * at their prices, is a bound for any prices. {@see OwnSteps} raise it. Crews of a day count as one, which only
 * lowers it.
 */
final class MinutePrices
{
    /** More than sums of points in another order can differ by. */
    public const ROUNDED = 1e-6;

    /** Points of a share's step at first; after so many steps half of it. */
    private const STEP = 0.7;

    private const HALVED_AFTER = 15;

    /** Minutes are many and points few: the step of a minute's price is so much of a share's. */
    private const MINUTE = 0.05;

    /** Minutes used too many are counted in hours, so that one asked for too much in a while is near rest. */
    private const HOUR = 1.0 / 60.0;

    /** The best bound found, missed deadlines and locks included. */
    public float $value = -INF;

    /** @var array<int, float> price of a minute by day, where the best bound was found */
    public array $minutePrices = [];

    /** @var array<int, array<int, float>> shares of trips there, by vehicle and day */
    private array $shares = [];

    /**
     * @var array<int, array<int, int>> the fewest minutes a visit takes with whoever works, by vehicle and kind bits
     */
    private array $fewest = [];

    /** @var array<int, int> minutes of all crews by day */
    private array $minutes = [];

    /** @var array<int, int> */
    private array $overtime = [];

    /** @var array<string, list<int>> vehicles of each site */
    private array $ofSite = [];

    /** @var array<int, float> */
    private array $price = [];

    /** @var array<int, array<int, float>> what a vehicle pays towards the trip of its site, by vehicle and day */
    private array $share = [];

    /** @var array<int, array{list<array{int, int}>, float}> each vehicle's last path, and what it costs beside prices */
    private array $paths = [];

    private readonly OwnSteps $minuteSteps;

    private readonly OwnSteps $shareSteps;

    /**
     * @param list<Course> $courses  one for each vehicle of the instance
     */
    public function __construct(private readonly Instance $instance, private readonly array $courses)
    {
        foreach ($instance->crews as $crew) {
            foreach ($crew->minutes as $day => $minutes) {
                if ($minutes > 0 && $day >= $instance->start && $day < $instance->end) {
                    $this->minutes[$day] = ($this->minutes[$day] ?? 0) + $minutes;
                    $this->overtime[$day] = ($this->overtime[$day] ?? 0) + $instance->rules->overtimeMost;
                }
            }
        }
        $this->price = array_fill_keys(array_keys($this->minutes), 0.0);
        foreach ($instance->vehicles as $i => $vehicle) {
            $this->ofSite[$vehicle->site][] = $i;
        }
        $this->minuteSteps = new OwnSteps(self::STEP, self::HALVED_AFTER);
        $this->shareSteps = new OwnSteps(self::STEP, self::HALVED_AFTER);
        foreach ($this->ofSite as $site => $vehicles) {
            $fair = ($instance->rules->travel * $instance->sites[$site]->hopMin) / count($vehicles);
            foreach ($vehicles as $v) {
                $this->share[$v] = array_fill_keys($courses[$v]->days, $fair);
            }
        }
    }

    /**
     * Some steps towards a better bound.
     *
     * @param float $above                  what a plan at hand costs, missed deadlines and locks included
     * @param Closure(): bool|null $goesOn  asked every few steps
     */
    public function raise(int $rounds, float $above, ?Closure $goesOn = null): void
    {
        for ($round = 0; $round < $rounds && $above - $this->value > 1e-6; $round++) {
            if ($goesOn !== null && $round % 8 === 7 && !$goesOn()) {
                return;
            }
            [$bound, $used, $visits] = $this->evaluate();
            if ($bound > $this->value + 1e-9) {
                $this->value = $bound;
                $this->minutePrices = $this->price;
                $this->shares = $this->share;
            }
            $this->follow($used, $visits);
        }
    }

    /** What a visit of so much work is worth to a day at the best prices found. */
    public function of(int $v, int $day, int $work): float
    {
        $vehicle = $this->courses[$v]->vehicle;
        $price = $this->minutePrices[$day] ?? 0.0;

        return $price * $work +
            (count($this->ofSite[$vehicle->site]) === 1
                ? ($this->instance->rules->travel + $price) * $this->instance->siteOf($vehicle)->hopMin
                : $this->shares[$v][$day] ?? 0.0);
    }

    /**
     * @return array{float, array<int, int>, array<int, array<int, true>>} the bound, minutes used without trips by day,
     *     who is visited by day
     */
    private function evaluate(): array
    {
        $rules = $this->instance->rules;
        $bound = 0.0;
        $used = $visits = [];
        foreach ($this->courses as $v => $course) {
            $vehicle = $course->vehicle;
            $hop = $this->instance->siteOf($vehicle)->hopMin;
            $alone = count($this->ofSite[$vehicle->site]) === 1;
            $prices = [];
            foreach ($course->days as $i => $day) {
                $of = [];
                if (isset($this->minutes[$day])) {
                    $price = $this->price[$day];
                    $fixed =
                        ($course->poor[$i] ?? 0.0) +
                        ($alone ? ($rules->travel + $price) * $hop : $this->share[$v][$day]);
                    foreach ($course->kinds[$i] as $bits) {
                        $of[$bits] = $fixed + $price * $this->fewest($v, $vehicle, $bits);
                    }
                }
                $prices[] = $of;
            }
            // Prices move little from step to step: the last path tells at once what is too dear.
            [$path, $own] = $this->paths[$v] ?? [[], INF];
            $best = $course->best($prices, $own + self::along($path, $prices) + self::ROUNDED);
            $this->paths[$v] = [$best['visits'], $best['cost'] - self::along($best['visits'], $prices)];
            $bound += $best['cost'];
            foreach ($best['visits'] as [$i, $bits]) {
                $day = $course->days[$i];
                $used[$day] = ($used[$day] ?? 0) + $this->fewest($v, $vehicle, $bits) + ($alone ? $hop : 0);
                $visits[$day][$v] = true;
            }
        }
        foreach ($this->minutes as $day => $minutes) {
            $bound -=
                $this->price[$day] * $minutes + $this->overtime[$day] * max(0.0, $this->price[$day] - $rules->overtime);
        }
        foreach ($this->ofSite as $site => $vehicles) {
            if (count($vehicles) > 1) {
                foreach ($this->minutes as $day => $minutes) {
                    $bound += min(0.0, $this->tripCost($site, $vehicles, $day));
                }
            }
        }

        return [$bound, $used, $visits];
    }

    /**
     * What the visits of a path cost at some prices.
     *
     * @param list<array{int, int}> $visits  places among the days of a course, and kind bits
     * @param list<array<int, float>> $prices
     */
    public static function along(array $visits, array $prices): float
    {
        $sum = 0.0;
        foreach ($visits as [$i, $bits]) {
            $sum += $prices[$i][$bits];
        }

        return $sum;
    }

    /** Whatever crew comes takes no less; what may go on over several days binds none of them. */
    private function fewest(int $v, PlanVehicle $vehicle, int $bits): int
    {
        return $this->fewest[$v][$bits] ??= $vehicle->mayStay
            ? 0
            : min([
                $vehicle->minutesFor($bits),
                ...array_map(
                    static fn(PlanCrew $crew): int => $vehicle->minutesFor($bits, $crew->people),
                    $this->instance->crews,
                ),
            ]);
    }

    /** @param list<int> $vehicles */
    private function tripCost(string $site, array $vehicles, int $day): float
    {
        $cost = ($this->instance->rules->travel + $this->price[$day]) * $this->instance->sites[$site]->hopMin;
        foreach ($vehicles as $v) {
            $cost -= $this->share[$v][$day] ?? 0.0;
        }

        return $cost;
    }

    /**
     * One step along the subgradient.
     *
     * @param array<int, int> $used
     * @param array<int, array<int, true>> $visits
     */
    private function follow(array $used, array $visits): void
    {
        $rules = $this->instance->rules;
        $days = $this->instance->days;
        $trips = $shares = [];
        foreach ($this->ofSite as $site => $vehicles) {
            if (count($vehicles) === 1) {
                continue;
            }
            foreach (array_keys($this->minutes) as $day) {
                $goes = $this->tripCost($site, $vehicles, $day) < 0.0;
                if ($goes) {
                    $trips[$day] = ($trips[$day] ?? 0) + $this->instance->sites[$site]->hopMin;
                }
                foreach ($vehicles as $v) {
                    $slope = (isset($visits[$day][$v]) ? 1 : 0) - ($goes ? 1 : 0);
                    if ($slope > 0 || ($slope < 0 && ($this->share[$v][$day] ?? 0.0) > 0.0)) {
                        $shares[$v * $days + $day - $this->instance->start] = $slope;
                    }
                }
            }
        }
        $slopes = [];
        foreach ($this->minutes as $day => $minutes) {
            $slope =
                ($used[$day] ?? 0) +
                ($trips[$day] ?? 0) -
                $minutes -
                ($this->price[$day] > $rules->overtime ? $this->overtime[$day] : 0);
            if ($slope > 0 || $this->price[$day] > 0.0) {
                $slopes[$day] = self::HOUR * $slope;
            }
        }
        foreach ($this->minuteSteps->along($slopes) as $day => $move) {
            $this->price[$day] = max(0.0, $this->price[$day] + self::MINUTE * $move);
        }
        foreach ($this->shareSteps->along($shares) as $key => $move) {
            [$v, $day] = [intdiv($key, $days), $this->instance->start + ($key % $days)];
            $this->share[$v][$day] = max(0.0, $this->share[$v][$day] + $move);
        }
    }
}
