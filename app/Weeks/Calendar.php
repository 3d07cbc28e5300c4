<?php

declare(strict_types=1);

namespace App\Weeks;

use Carbon\CarbonImmutable;
use DateTimeInterface;
use DateTimeZone;
use Illuminate\Support\Carbon;
use Vicissa\Core\Planning\Day;

/** The days a plan is made for, and which day a date or a moment is where the workspace is. */
final readonly class Calendar
{
    /** The first day, as a number: what is done today is done, the plan begins tomorrow. */
    public int $start;

    public function __construct(public CarbonImmutable $today, public int $days, private string $zone)
    {
        $this->start = Day::number('start', $today->addDay()->toDateString());
    }

    public function end(): int
    {
        return $this->start + $this->days;
    }

    public function day(DateTimeInterface $date): int
    {
        // Dates are dates; moments are days where the workspace is.
        return $date instanceof Carbon
            ? Day::number('date', $date->format('Y-m-d'))
            : (int) floor(($date->getTimestamp() + (new DateTimeZone($this->zone))->getOffset($date)) / 86400);
    }

    /**
     * @param iterable<Closure> $closures
     * @return array<int, true>
     */
    public function closed(iterable $closures): array
    {
        $days = [];
        foreach ($closures as $closure) {
            $days += array_fill_keys(range($this->day($closure->from_on), $this->day($closure->to_on)), true);
        }

        return $days;
    }

    /**
     * Days on which a vehicle's visit was called off.
     *
     * @param iterable<CancelledVisit> $cancelled
     * @return array<int, true>
     */
    public function called(iterable $cancelled): array
    {
        $days = [];
        foreach ($cancelled as $visit) {
            $days += array_fill_keys(
                range($on = $this->day($visit->on), max($on, $this->day($visit->until_on ?? $visit->on))),
                true,
            );
        }

        return $days;
    }
}
