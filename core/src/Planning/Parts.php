<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

/**
 * The days of one visit. Nearly always it is one; where a crew's day can't hold it and the vehicle may stay, the work
 * goes on over the crew's next days on which the vehicle can be had: whole days, and what is left on the last.
 */
final readonly class Parts
{
    /** Within so many days it has to be done, or it is no visit any more. */
    private const SPAN_DAYS = 7;

    /** A day on which less could be done is not begun for it. */
    private const LEAST_MIN = 60;

    /**
     * @return list<array{day: int, minutes: int}>|null without travel; null where it can't be held at all
     */
    public static function of(Instance $instance, PlanVehicle $vehicle, PlanCrew $crew, int $day, int $bits): ?array
    {
        $left = $vehicle->minutesFor($bits, $crew->people);
        $hop = $instance->siteOf($vehicle)->hopMin;
        $holds = ($crew->minutes[$day] ?? 0) + $instance->rules->overtimeMost - $hop;
        if ($left <= $holds) {
            return [['day' => $day, 'minutes' => $left]];
        }
        if (!$vehicle->mayStay) {
            return null;
        }
        $site = $instance->siteOf($vehicle);
        $parts = [];
        for ($at = $day; $at < min($day + self::SPAN_DAYS, $instance->end); $at++) {
            $room = ($crew->minutes[$at] ?? 0) - $hop;
            $open = $at === $day || ($instance->isOpen($vehicle, $at) && $site->admits($crew->id, $at));
            if ($room < self::LEAST_MIN || !$open) {
                continue;
            }
            $ends = $left <= $room + $instance->rules->overtimeMost;
            $parts[] = ['day' => $at, 'minutes' => $ends ? $left : $room];
            $left -= $ends ? $left : $room;
            if ($left === 0) {
                return $parts;
            }
        }

        return null;
    }
}
