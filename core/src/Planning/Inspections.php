<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

/**
 * Inspections of lasting bases ride on visits that are planned anyway: each on the visit nearest to when it is due that
 * has the minutes for it. What stands on a locked visit stays there, and nothing is added to one.
 */
final readonly class Inspections
{
    /**
     * @param list<PlacedVisit> $visits
     * @return list<PlacedVisit> the same visits in the same order, some of them with an inspection
     */
    public static function placed(Instance $instance, array $visits): array
    {
        $own = $minutes = $people = [];
        $vehicles = $instance->byId();
        foreach ($instance->crewsById() as $id => $crew) {
            [$minutes[$id], $people[$id]] = [$crew->minutes, $crew->people];
        }
        foreach ($visits as $i => $visit) {
            $own[$visit->vehicle][] = $i;
        }
        [$taken] = Reserve::needs($instance, $visits);
        $due = array_filter(
            $vehicles,
            static fn(PlanVehicle $vehicle): bool => $vehicle->inspection !== null &&
                $vehicle->inspection->due < $instance->end &&
                isset($own[$vehicle->id]) &&
                array_filter($own[$vehicle->id], static fn(int $i): bool => ($visits[$i]->bits & 4) !== 0) === [],
        );
        uasort(
            $due,
            static fn(PlanVehicle $a, PlanVehicle $b): int => [$a->inspection?->due, $a->id] <=> [
                $b->inspection?->due,
                $b->id,
            ],
        );
        foreach ($due as $vehicle) {
            // Leaving it is a choice too.
            [$best, $least] = [null, [self::cost($instance, $vehicle, null), 0]];
            foreach ($own[$vehicle->id] as $i) {
                $visit = $visits[$i];
                $needs =
                    $vehicle->minutesFor($visit->bits | 4, $people[$visit->crew]) -
                    $vehicle->minutesFor($visit->bits, $people[$visit->crew]);
                $beyond = $taken[$visit->crew][$visit->day] + $needs - ($minutes[$visit->crew][$visit->day] ?? 0);
                if (isset($vehicle->locks[$visit->day]) || $beyond > $instance->rules->overtimeMost) {
                    continue;
                }
                $cost = [
                    self::cost($instance, $vehicle, $visit->day) +
                    $instance->rules->overtime * max(0, min($needs, $beyond)),
                    abs($visit->day - ($vehicle->inspection->due ?? 0)),
                ];
                if ($cost < $least) {
                    [$best, $least] = [$i, $cost];
                }
            }
            if ($best !== null) {
                $visit = $visits[$best];
                $taken[$visit->crew][$visit->day] +=
                    $vehicle->minutesFor($visit->bits | 4, $people[$visit->crew]) -
                    $vehicle->minutesFor($visit->bits, $people[$visit->crew]);
                $visits[$best] = new PlacedVisit($visit->vehicle, $visit->day, $visit->crew, $visit->bits | 4);
            }
        }

        return array_values($visits);
    }

    private static function cost(Instance $instance, PlanVehicle $vehicle, ?int $day): float
    {
        if ($vehicle->inspection === null) {
            return 0.0;
        }
        [$late, $early] = $instance->rules->inspection;

        return $day === null
            ? $late * ($instance->end - $vehicle->inspection->due)
            : $late * max(0, $day - $vehicle->inspection->due) + $early * max(0, $vehicle->inspection->from - $day);
    }
}
