<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

use Vicissa\Core\Protection\Life\Normal;

/**
 * Minutes a day is given beyond the middle of what its visits take, so that it holds in so many cases of a hundred:
 * part of what visits are off by is theirs alone and evens out, part all of a day share (domain §15.2; as
 * Visit\Pace::dayNineInTen). Kept in whole thousandths, so that what is taken out leaves what was there before.
 */
final readonly class Reserve
{
    private float $z;

    public function __construct(PlanRules $rules)
    {
        $this->z = $rules->holds <= 50 ? 0.0 : Normal::quantile($rules->holds / 100);
    }

    public function isAsked(): bool
    {
        return $this->z > 0.0;
    }

    /** @return array{int, int} thousandths of minutes that the visit shares with its day, and of squared minutes of its own */
    public function of(PlanVehicle $vehicle, int $minutes): array
    {
        return [
            (int) round(1000 * $minutes * $vehicle->common),
            (int) round(1000 * $minutes ** 2 * max(0.0, $vehicle->spread ** 2 - $vehicle->common ** 2)),
        ];
    }

    /** Whole minutes of a day whose visits sum up to these. */
    public function minutes(int $shared, int $own): int
    {
        return (int) ceil($this->z * sqrt(($shared / 1000) ** 2 + $own / 1000) - 1e-9);
    }

    /**
     * What each crew's days need: work, travel and reserve.
     *
     * @param list<PlacedVisit> $visits
     * @return array{array<string, array<int, int>>, array<string, array<int, int>>} minutes by crew and day, and those
     *     of them that are travel
     */
    public static function needs(Instance $instance, array $visits): array
    {
        $reserve = new self($instance->rules);
        [$vehicles, $crews] = [$instance->byId(), $instance->crewsById()];
        $needs = $hops = $travel = $shared = $own = [];
        foreach ($visits as $visit) {
            [$vehicle, $crew] = [$vehicles[$visit->vehicle], $crews[$visit->crew]];
            $whole = [['day' => $visit->day, 'minutes' => $vehicle->minutesFor($visit->bits, $crew->people)]];
            foreach (Parts::of($instance, $vehicle, $crew, $visit->day, $visit->bits) ?? $whole as $part) {
                [$c, $day] = [$crew->id, $part['day']];
                $needs[$c][$day] = ($needs[$c][$day] ?? 0) + $part['minutes'];
                $hops[$c][$day][$vehicle->site] = $instance->siteOf($vehicle)->hopMin;
                [$together, $alone] = $reserve->of($vehicle, $part['minutes']);
                $shared[$c][$day] = ($shared[$c][$day] ?? 0) + $together;
                $own[$c][$day] = ($own[$c][$day] ?? 0) + $alone;
            }
        }
        foreach ($needs as $c => $days) {
            foreach (array_keys($days) as $day) {
                $travel[$c][$day] = array_sum($hops[$c][$day]);
                $needs[$c][$day] += $travel[$c][$day] + $reserve->minutes($shared[$c][$day], $own[$c][$day]);
            }
        }

        return [$needs, $travel];
    }
}
