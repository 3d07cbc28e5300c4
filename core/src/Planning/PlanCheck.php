<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

/** Whether a plan keeps every hard rule; for plans from anywhere. */
final readonly class PlanCheck
{
    /**
     * @param list<PlacedVisit> $visits
     * @return list<string> what is broken, in sentences; empty when all is kept
     */
    public static function broken(Instance $instance, array $visits): array
    {
        $broken = [];
        $vehicles = $crews = $by = $work = [];
        foreach ($instance->vehicles as $vehicle) {
            $vehicles[$vehicle->id] = $vehicle;
        }
        foreach ($instance->crews as $crew) {
            $crews[$crew->id] = $crew;
        }
        foreach ($visits as $visit) {
            $vehicle = $vehicles[$visit->vehicle] ?? null;
            $crew = $crews[$visit->crew] ?? null;
            $date = Day::date($visit->day);
            if (
                $vehicle === null ||
                $crew === null ||
                $visit->day < $instance->start ||
                $visit->day >= $instance->end
            ) {
                $broken[] = sprintf('%s on %s by %s is nobody’s.', $visit->vehicle, $date, $visit->crew);

                continue;
            }
            if (isset($by[$vehicle->id][$visit->day])) {
                $broken[] = sprintf('%s is visited twice on %s.', $vehicle->id, $date);
            }
            $by[$vehicle->id][$visit->day] = $visit->bits;
            $lock = $vehicle->locks[$visit->day] ?? null;
            if ($lock !== null && $lock !== $visit->bits) {
                $broken[] = sprintf('%s holds something else on %s than is locked.', $vehicle->id, $date);
            }
            if ($lock === null && !$instance->isOpen($vehicle, $visit->day)) {
                $broken[] = sprintf('%s can’t be visited on %s.', $vehicle->id, $date);
            }
            if ($lock === null && ($visit->bits & ~$vehicle->each & ~$instance->kindsOn($vehicle, $visit->day)) > 0) {
                $broken[] = sprintf('%s: nothing but a wash goes on %s.', $vehicle->id, $date);
            }
            $asked =
                $vehicle->each |
                ($vehicle->topper === null ? 0 : 1) |
                ($vehicle->decon === null ? 0 : 2) |
                ($vehicle->inspection === null ? 0 : 4) |
                ($vehicle->base === null ? 0 : 8);
            if ($lock === null && ($visit->bits & ~$asked) !== 0) {
                $broken[] = sprintf('%s was not asked for that on %s.', $vehicle->id, $date);
            }
            if (!$instance->siteOf($vehicle)->admits($crew->id, $visit->day)) {
                $broken[] = sprintf('%s may not go to %s on %s.', $crew->id, $vehicle->site, $date);
            }
            foreach (
                Parts::of($instance, $vehicle, $crew, $visit->day, $visit->bits) ?? [
                    ['day' => $visit->day, 'minutes' => $vehicle->minutesFor($visit->bits, $crew->people)],
                ]
                as $part
            ) {
                $work[$crew->id][$part['day']]['work'] =
                    ($work[$crew->id][$part['day']]['work'] ?? 0) + $part['minutes'];
                $work[$crew->id][$part['day']]['sites'][$vehicle->site] = $instance->siteOf($vehicle)->hopMin;
            }
        }
        foreach ($work as $id => $days) {
            foreach ($days as $day => $of) {
                $minutes = $crews[$id]->minutes[$day] ?? 0;
                $taken = $of['work'] + array_sum($of['sites']);
                if ($minutes <= 0 || $taken > $minutes + $instance->rules->overtimeMost) {
                    $broken[] = sprintf(
                        '%s has %d minutes on %s and is given %d.',
                        $id,
                        $minutes,
                        Day::date($day),
                        $taken,
                    );
                }
            }
        }
        foreach ($by as $id => $days) {
            ksort($days);
            $before = $vehicles[$id]->lastWash;
            foreach (array_keys($days) as $day) {
                if (
                    $day - $before < $vehicles[$id]->min &&
                    !isset($vehicles[$id]->locks[$day]) &&
                    !isset($vehicles[$id]->locks[$before])
                ) {
                    $broken[] = sprintf('%s: only %d days before %s.', $id, $day - $before, Day::date($day));
                }
                $before = $day;
            }
        }

        return $broken;
    }
}
