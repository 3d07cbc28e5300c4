<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

use Vicissa\Core\Visit\Pace;

/** Whether a plan keeps every hard rule; for plans from anywhere. */
final readonly class PlanCheck
{
    /** @var array<string, PlanVehicle> by id */
    private array $vehicles;

    /** @var array<string, PlanCrew> by id */
    private array $crews;

    private function __construct(private Instance $instance)
    {
        $this->vehicles = array_column($instance->vehicles, null, 'id');
        $this->crews = array_column($instance->crews, null, 'id');
    }

    /**
     * @param list<PlacedVisit> $visits
     * @return list<string> what is broken, in sentences; empty when all is kept
     */
    public static function broken(Instance $instance, array $visits): array
    {
        $check = new self($instance);
        $ours = array_values(array_filter($visits, $check->isOurs(...)));

        return [
            ...array_map(
                self::nobodys(...),
                array_values(array_filter($visits, fn(PlacedVisit $visit): bool => !$check->isOurs($visit))),
            ),
            ...$check->twice($ours),
            ...array_merge([], ...array_map($check->ofVisit(...), $ours)),
            ...$check->overworked($ours),
            ...$check->tooSoon($ours),
        ];
    }

    private function isOurs(PlacedVisit $visit): bool
    {
        return isset($this->vehicles[$visit->vehicle], $this->crews[$visit->crew]) &&
            $visit->day >= $this->instance->start &&
            $visit->day < $this->instance->end;
    }

    private static function nobodys(PlacedVisit $visit): string
    {
        return sprintf('%s on %s by %s is nobody’s.', $visit->vehicle, Day::date($visit->day), $visit->crew);
    }

    /**
     * @param list<PlacedVisit> $visits
     * @return list<string>
     */
    private function twice(array $visits): array
    {
        $broken = $seen = [];
        foreach ($visits as $visit) {
            if (isset($seen[$visit->vehicle][$visit->day])) {
                $broken[] = sprintf('%s is visited twice on %s.', $visit->vehicle, Day::date($visit->day));
            }
            $seen[$visit->vehicle][$visit->day] = true;
        }

        return $broken;
    }

    /** @return list<string> what is wrong with one visit by itself */
    private function ofVisit(PlacedVisit $visit): array
    {
        $vehicle = $this->vehicles[$visit->vehicle];
        $date = Day::date($visit->day);
        $lock = $vehicle->locks[$visit->day] ?? null;
        $faults = $lock === null ? $this->unlocked($visit, $vehicle, $date) : [];
        if ($lock !== null && $lock !== $visit->bits) {
            $faults[] = sprintf('%s holds something else on %s than is locked.', $vehicle->id, $date);
        }
        if (!$this->instance->siteOf($vehicle)->admits($visit->crew, $visit->day)) {
            $faults[] = sprintf('%s may not go to %s on %s.', $visit->crew, $vehicle->site, $date);
        }

        return $faults;
    }

    /** @return list<string> what a lock would have overruled */
    private function unlocked(PlacedVisit $visit, PlanVehicle $vehicle, string $date): array
    {
        $faults = [];
        if (!$this->instance->isOpen($vehicle, $visit->day)) {
            $faults[] = sprintf('%s can’t be visited on %s.', $vehicle->id, $date);
        }
        if (($visit->bits & ~$vehicle->each & ~$this->instance->kindsOn($vehicle, $visit->day)) > 0) {
            $faults[] = sprintf('%s: nothing but a wash goes on %s.', $vehicle->id, $date);
        }
        if (($visit->bits & ~self::asked($vehicle)) !== 0) {
            $faults[] = sprintf('%s was not asked for that on %s.', $vehicle->id, $date);
        }

        return $faults;
    }

    private static function asked(PlanVehicle $vehicle): int
    {
        return $vehicle->each |
            ($vehicle->topper === null ? 0 : Kind::Topper->bit()) |
            ($vehicle->decon === null ? 0 : Kind::Decon->bit()) |
            ($vehicle->inspection === null ? 0 : Kind::Inspection->bit()) |
            ($vehicle->base === null ? 0 : Kind::Base->bit());
    }

    /**
     * @param list<PlacedVisit> $visits
     * @return list<string>
     */
    private function overworked(array $visits): array
    {
        $work = $hops = $off = [];
        foreach ($visits as $visit) {
            [$vehicle, $crew] = [$this->vehicles[$visit->vehicle], $this->crews[$visit->crew]];
            $whole = [['day' => $visit->day, 'minutes' => $vehicle->minutesFor($visit->bits, $crew->people)]];
            foreach (Parts::of($this->instance, $vehicle, $crew, $visit->day, $visit->bits) ?? $whole as $part) {
                $work[$crew->id][$part['day']] = ($work[$crew->id][$part['day']] ?? 0) + $part['minutes'];
                $hops[$crew->id][$part['day']][$vehicle->site] = $this->instance->siteOf($vehicle)->hopMin;
                $off[$crew->id][$part['day']][] = [
                    'minutes' => (float) $part['minutes'],
                    'pace' => new Pace(spread: $vehicle->spread, common: $vehicle->common),
                ];
            }
        }
        $broken = [];
        foreach ($work as $crew => $days) {
            foreach ($days as $day => $minutes) {
                $has = $this->crews[$crew]->minutes[$day] ?? 0;
                $given = $minutes + array_sum($hops[$crew][$day]);
                // A visit that is alone on its day has no other that holds it better.
                if ($this->instance->rules->holds === 90 && count($off[$crew][$day]) > 1) {
                    $given += (int) floor(Pace::dayNineInTen($off[$crew][$day]) - $minutes);
                }
                if ($has <= 0 || $given > $has + $this->instance->rules->overtimeMost) {
                    $broken[] = sprintf(
                        '%s has %d minutes on %s and is given %d.',
                        $crew,
                        $has,
                        Day::date($day),
                        $given,
                    );
                }
            }
        }

        return $broken;
    }

    /**
     * @param list<PlacedVisit> $visits
     * @return list<string>
     */
    private function tooSoon(array $visits): array
    {
        $days = [];
        foreach ($visits as $visit) {
            $days[$visit->vehicle][$visit->day] = $visit->day;
        }
        $broken = [];
        foreach ($days as $id => $of) {
            $vehicle = $this->vehicles[$id];
            sort($of);
            $before = $vehicle->lastWash;
            foreach ($of as $day) {
                $isLocked = isset($vehicle->locks[$day]) || isset($vehicle->locks[$before]);
                if ($day - $before < $vehicle->min && !$isLocked) {
                    $broken[] = sprintf('%s: only %d days before %s.', $id, $day - $before, Day::date($day));
                }
                $before = $day;
            }
        }

        return $broken;
    }
}
