<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

/** How full each crew's days are, what that costs in travel and overtime, and what one visit more would cost. */
final class Ledger
{
    /** Travel and overtime of all that stands in it. */
    public float $cost = 0.0;

    /** @var array<int, array<int, int>> minutes taken, by crew and day */
    private array $taken = [];

    /** @var array<int, array<int, array<string, int>>> visits by crew, day and site */
    private array $there = [];

    /** @var array<int, array<int, int>> what the visits of a crew's day are off by together (Reserve) */
    private array $shared = [];

    /** @var array<int, array<int, int>> and each for itself */
    private array $own = [];

    private readonly Reserve $reserve;

    private readonly bool $reserves;

    public function __construct(private readonly Instance $instance)
    {
        $this->reserve = new Reserve($instance->rules);
        $this->reserves = $this->reserve->isAsked();
    }

    public function add(PlanVehicle $vehicle, int $crew, int $day, int $bits): void
    {
        $this->put($vehicle, $crew, $day, $bits, 1);
    }

    public function remove(PlanVehicle $vehicle, int $crew, int $day, int $bits): void
    {
        $this->put($vehicle, $crew, $day, $bits, -1);
    }

    /** Minutes of work, of travel, and what has to be kept free. */
    public function taken(int $crew, int $day): int
    {
        return ($this->taken[$crew][$day] ?? 0) + ($this->reserves ? $this->kept($crew, $day) : 0);
    }

    /** Minutes to keep free on a day, with a visit more of so many. */
    private function kept(int $crew, int $day, ?PlanVehicle $vehicle = null, int $minutes = 0): int
    {
        [$shared, $own] = $vehicle === null ? [0, 0] : $this->reserve->of($vehicle, $minutes);

        return $this->reserve->minutes(
            ($this->shared[$crew][$day] ?? 0) + $shared,
            ($this->own[$crew][$day] ?? 0) + $own,
        );
    }

    /** A visit that is alone on its day may be longer than nine days in ten would hold: no other day holds it better. */
    private function isAlone(int $crew, int $day): bool
    {
        return ($this->taken[$crew][$day] ?? 0) === 0;
    }

    /** Whether a crew has room for a visit on a day. */
    public function holds(PlanVehicle $vehicle, int $crew, int $day, int $bits): bool
    {
        $of = $this->instance->crews[$crew];
        $hop = $this->instance->siteOf($vehicle)->hopMin;
        foreach (
            Parts::of($this->instance, $vehicle, $of, $day, $bits) ?? [['day' => $day, 'minutes' => PHP_INT_MAX >> 2]]
            as $part
        ) {
            $minutes = $of->minutes[$part['day']] ?? 0;
            $travel = ($this->there[$crew][$part['day']][$vehicle->site] ?? 0) > 0 ? 0 : $hop;
            if (
                $minutes <= 0 ||
                ($this->taken[$crew][$part['day']] ?? 0) +
                    $part['minutes'] +
                    $travel +
                    ($this->reserves && !$this->isAlone($crew, $part['day'])
                        ? $this->kept($crew, $part['day'], $vehicle, $part['minutes'])
                        : 0) >
                    $minutes + $this->instance->rules->overtimeMost
            ) {
                return false;
            }
        }

        return true;
    }

    /**
     * What a visit more would cost on a day, and with which crew; kinds that no crew has room for are left out.
     *
     * @param list<int> $kinds    kind bits
     * @return array{array<int, float>, array<int, int>} cost and crew by kind bits
     */
    public function prices(PlanVehicle $vehicle, int $day, array $kinds, float $poor): array
    {
        [$prices, $crews] = $this->pricesOn($vehicle, [$day], [$kinds], [$poor]);

        return [$prices[0], $crews[0]];
    }

    /**
     * The same of several days at once: crew by crew, since a search asks for hardly anything else.
     *
     * @param list<int> $days
     * @param list<list<int>> $kinds    kind bits for each of them
     * @param array<int, float> $beside points besides, by place
     * @param Lure|null $lure           what the days are to cost besides
     * @return array{list<array<int, float>>, list<array<int, int>>} cost and crew by kind bits, for each of them
     */
    public function pricesOn(PlanVehicle $vehicle, array $days, array $kinds, array $beside, ?Lure $lure = null): array
    {
        $prices = $with = array_fill(0, count($days), []);
        foreach (array_keys($this->instance->crews) as $c) {
            $this->crewPrices($c, $vehicle, $days, $kinds, $beside, $lure, $prices, $with);
        }

        return [$prices, $with];
    }

    /**
     * Puts in what one crew would cost, where it costs less than what stands there.
     *
     * @param list<int> $days
     * @param list<list<int>> $kinds
     * @param array<int, float> $beside
     * @param list<array<int, float>> $prices  as in pricesOn
     * @param list<array<int, int>> $with
     * @param-out list<array<int, float>> $prices
     * @param-out list<array<int, int>> $with
     */
    private function crewPrices(
        int $c,
        PlanVehicle $vehicle,
        array $days,
        array $kinds,
        array $beside,
        ?Lure $lure,
        array &$prices,
        array &$with,
    ): void {
        $crew = $this->instance->crews[$c];
        $rules = $this->instance->rules;
        [$perTravel, $perOver, $most] = [$rules->travel, $rules->overtime, $rules->overtimeMost];
        $site = $this->instance->siteOf($vehicle);
        [$at, $hop] = [$site->id, $site->hopMin];
        [$hours, $full, $there] = [$crew->minutes, $this->taken[$c] ?? [], $this->there[$c] ?? []];
        $barred = $site->barred[$crew->id] ?? [];
        $works = [];
        foreach ($days as $i => $day) {
            $minutes = $hours[$day] ?? 0;
            if ($minutes <= 0 || isset($barred[$day])) {
                continue;
            }
            $taken = $full[$day] ?? 0;
            $travel = ($there[$day][$at] ?? 0) > 0 ? 0 : $hop;
            $over = $taken + ($this->reserves ? $this->kept($c, $day) : 0) - $minutes;
            $perMinute = $lure->minutes[$day] ?? 0.0;
            $plain = ($beside[$i] ?? 0.0) + ($lure->visits[$day] ?? 0.0);
            $always = $plain + (isset($lure->free[$day]) ? 0.0 : $perTravel * $travel);
            foreach ($kinds[$i] as $bits) {
                $work = $works[$bits] ??= $vehicle->minutesFor($bits, $crew->people);
                $more = $work + $travel;
                $kept = $this->reserves ? $this->kept($c, $day, $vehicle, $work) : 0;
                $beyond = $taken + $more + $kept - $minutes;
                if ($beyond - ($taken === 0 ? $kept : 0) > $most) {
                    $apart =
                        $vehicle->mayStay && $work + $hop > $minutes + $most
                            ? $this->overDays($vehicle, $c, $day, $bits)
                            : null;
                    if ($apart === null) {
                        continue;
                    }
                    $cost = $plain + $apart + $perMinute * $more;
                } else {
                    $cost =
                        $always +
                        $perMinute * $more +
                        ($beyond > 0 ? $perOver * ($beyond - ($over > 0 ? $over : 0)) : 0.0);
                }
                if (!isset($prices[$i][$bits]) || $cost < $prices[$i][$bits] - 1e-12) {
                    $prices[$i][$bits] = $cost;
                    $with[$i][$bits] = $c;
                }
            }
        }
    }

    /**
     * The time a visit more takes on a day beside its work, with a crew or with the one that costs least.
     *
     * @return array{road: int, over: int, people: int}|null minutes on the road, minutes beyond the crew's hours, and
     *     how many they are; null where nobody has room
     */
    public function toll(PlanVehicle $vehicle, int $day, int $bits, ?int $crew = null): ?array
    {
        $crew ??= $this->prices($vehicle, $day, [$bits], 0.0)[1][$bits] ?? null;
        if ($crew === null) {
            return null;
        }
        $of = $this->instance->crews[$crew];
        $hop = $this->instance->siteOf($vehicle)->hopMin;
        $whole = [['day' => $day, 'minutes' => $vehicle->minutesFor($bits, $of->people)]];
        $road = $over = 0;
        foreach (
            $vehicle->mayStay ? Parts::of($this->instance, $vehicle, $of, $day, $bits) ?? $whole : $whole
            as $part
        ) {
            $minutes = $of->minutes[$part['day']] ?? 0;
            $taken = $this->taken[$crew][$part['day']] ?? 0;
            $travel = ($this->there[$crew][$part['day']][$vehicle->site] ?? 0) > 0 ? 0 : $hop;
            $road += $travel;
            $over += max(0, $taken + $part['minutes'] + $travel - $minutes) - max(0, $taken - $minutes);
        }

        return ['road' => $road, 'over' => $over, 'people' => $of->people];
    }

    /** Travel and overtime of a visit that goes on over some days; null where one of them has no room left. */
    private function overDays(PlanVehicle $vehicle, int $crew, int $day, int $bits): ?float
    {
        $rules = $this->instance->rules;
        $hop = $this->instance->siteOf($vehicle)->hopMin;
        $cost = 0.0;
        foreach (Parts::of($this->instance, $vehicle, $this->instance->crews[$crew], $day, $bits) ?? [null] as $part) {
            if ($part === null) {
                return null;
            }
            $minutes = $this->instance->crews[$crew]->minutes[$part['day']] ?? 0;
            $taken = $this->taken[$crew][$part['day']] ?? 0;
            $travel = ($this->there[$crew][$part['day']][$vehicle->site] ?? 0) > 0 ? 0 : $hop;
            $before = $taken + ($this->reserves ? $this->kept($crew, $part['day']) : 0);
            $kept = $this->reserves ? $this->kept($crew, $part['day'], $vehicle, $part['minutes']) : 0;
            $after = $taken + $part['minutes'] + $travel + $kept;
            if ($after - ($taken === 0 ? $kept : 0) > $minutes + $rules->overtimeMost) {
                return null;
            }
            $cost +=
                $rules->travel * $travel + $rules->overtime * (max(0, $after - $minutes) - max(0, $before - $minutes));
        }

        return $cost;
    }

    private function put(PlanVehicle $vehicle, int $crew, int $day, int $bits, int $sign): void
    {
        $of = $this->instance->crews[$crew];
        $minutes = $vehicle->minutesFor($bits, $of->people);
        $parts = $vehicle->mayStay
            ? Parts::of($this->instance, $vehicle, $of, $day, $bits) ?? [['day' => $day, 'minutes' => $minutes]]
            : [['day' => $day, 'minutes' => $minutes]];
        foreach ($parts as $part) {
            $this->part($vehicle, $crew, $part['day'], $part['minutes'], $sign);
        }
    }

    private function part(PlanVehicle $vehicle, int $crew, int $day, int $work, int $sign): void
    {
        $rules = $this->instance->rules;
        $here = $this->there[$crew][$day][$vehicle->site] ?? 0;
        $travel = $here === ($sign > 0 ? 0 : 1) ? $this->instance->siteOf($vehicle)->hopMin : 0;
        $minutes = $this->instance->crews[$crew]->minutes[$day] ?? 0;
        $before = $this->taken($crew, $day);
        $this->there[$crew][$day][$vehicle->site] = $here + $sign;
        $this->taken[$crew][$day] = ($this->taken[$crew][$day] ?? 0) + $sign * ($work + $travel);
        if ($this->reserves) {
            [$shared, $own] = $this->reserve->of($vehicle, $work);
            $this->shared[$crew][$day] = ($this->shared[$crew][$day] ?? 0) + $sign * $shared;
            $this->own[$crew][$day] = ($this->own[$crew][$day] ?? 0) + $sign * $own;
        }
        $after = $this->taken($crew, $day);
        $this->cost +=
            $sign * $rules->travel * $travel +
            $rules->overtime * (max(0, $after - $minutes) - max(0, $before - $minutes));
    }
}
