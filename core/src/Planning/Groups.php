<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

/**
 * A large book in parts that can be planned one by one: places stay whole, each part has its share of the crews, of those
 * the most that are let in there. What one part would rather have done by another's crews is for whoever puts them
 * together again.
 */
final readonly class Groups
{
    /** Vehicles of a part, about. */
    private const SIZE = 60;

    /** Whether there is something to part. */
    public static function fit(Instance $instance): bool
    {
        return count($instance->vehicles) > 2 * self::SIZE && count($instance->crews) > 1;
    }

    /** @return list<Instance> each vehicle and each crew in one of them */
    public static function of(Instance $instance): array
    {
        $parts = self::vehicles($instance);
        $crews = self::crews($instance, $parts);

        return array_map(
            static fn(array $vehicles, array $crews): Instance => new Instance(
                $instance->start,
                $instance->days,
                $crews,
                $instance->sky,
                array_values($instance->sites),
                $vehicles,
                $instance->rules,
            ),
            $parts,
            $crews,
        );
    }

    /** @return non-empty-list<list<PlanVehicle>> as equal in number as places allow */
    private static function vehicles(Instance $instance): array
    {
        $bySite = [];
        foreach ($instance->vehicles as $vehicle) {
            $bySite[$vehicle->site][] = $vehicle;
        }
        $count = min(count($instance->crews), (int) ceil(count($instance->vehicles) / self::SIZE));
        $parts = array_fill(0, max(1, $count), []);
        // In the order of the book: neighbours are often written down one after the other.
        $each = count($instance->vehicles) / max(1, $count);
        $placed = 0;
        foreach ($bySite as $vehicles) {
            $parts[(int) min($count - 1, floor($placed / $each))] = [
                ...$parts[(int) min($count - 1, floor($placed / $each))],
                ...$vehicles,
            ];
            $placed += count($vehicles);
        }

        return array_values(array_filter($parts)) ?: [$instance->vehicles];
    }

    /**
     * @param non-empty-list<list<PlanVehicle>> $parts
     * @return non-empty-list<list<PlanCrew>> by part; who has the least for its work chooses next
     */
    private static function crews(Instance $instance, array $parts): array
    {
        $chosen = array_fill(0, count($parts), []);
        $work = array_map(
            static fn(array $vehicles): float => array_sum(
                array_map(static fn(PlanVehicle $one): float => $one->minutes['wash'] / $one->target, $vehicles),
            ),
            $parts,
        );
        $has = array_fill(0, count($parts), 0.0);
        $left = $instance->crews;
        while ($left !== []) {
            $needs = array_map(static fn(float $minutes, float $of): float => $minutes / max(1e-9, $of), $has, $work);
            $part = (int) array_search(min($needs), $needs, true);
            $best = null;
            foreach ($left as $i => $crew) {
                $let = count(
                    array_filter(
                        $parts[$part],
                        static fn(PlanVehicle $one): bool => !isset($instance->siteOf($one)->barred[$crew->id]),
                    ),
                );
                if ($best === null || $let > $best[1]) {
                    $best = [$i, $let];
                }
            }
            $crew = $left[$best[0]];
            unset($left[$best[0]]);
            $chosen[$part][] = $crew;
            $has[$part] += array_sum($crew->minutes) * max(1, $crew->people);
        }

        return $chosen;
    }
}
