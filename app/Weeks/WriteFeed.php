<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Book\PlannedVisit;
use App\Book\Vehicle;
use App\Tenancy\Tenancy;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Support\Collection;
use Psr\Clock\ClockInterface;
use Sabre\VObject\Component\VCalendar;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Planning\PlanVehicle;

/**
 * The plan as a calendar (RFC 5545). Times are those of a day begun at eight where the workspace is, written in UTC, so
 * that they are right in any zone. A visit that moves keeps its UID and counts its changes; one that goes is said to be
 * cancelled.
 */
final readonly class WriteFeed
{
    /** Cancelled visits are told for so long. */
    private const TELLS_DAYS = 60;

    public function __construct(
        private Tenancy $tenancy,
        private GatherWeeks $gatherWeeks,
        private ClockInterface $clock,
    ) {}

    public function __invoke(Feed $feed): string
    {
        $workspace = $this->tenancy->workspace();
        $now = CarbonImmutable::instance($this->clock->now());
        $of = static fn($query) => $query
            ->when($feed->crew_id !== null, static fn($some) => $some->where('crew_id', $feed->crew_id))
            ->when($feed->vehicle_id !== null, static fn($some) => $some->where('vehicle_id', $feed->vehicle_id));
        // The day's order needs all of a crew's turns, whoever asks.
        $all = PlannedVisit::query()
            ->where('on', '>=', $now->subDay()->toDateString())
            ->orderBy('on')
            ->orderBy('crew_id')
            ->orderBy('id')
            ->get();
        $wanted = array_flip(
            $of(PlannedVisit::query())
                ->where('on', '>=', $now->subDay()->toDateString())
                ->pluck('id')
                ->all(),
        );
        $gone = $of(CancelledVisit::query())
            ->where('cancelled_at', '>', $now->subDays(self::TELLS_DAYS))
            ->orderBy('on')
            ->orderBy('id')
            ->get();
        $vehicles = Vehicle::query()
            ->with(['site', 'client'])
            ->whereIn('id', [...$all->pluck('vehicle_id'), ...$gone->pluck('vehicle_id')])
            ->get()
            ->keyBy('id');
        $minutes = [];
        foreach (($this->gatherWeeks)([])->instance->vehicles as $vehicle) {
            $minutes[$vehicle->id] = $vehicle;
        }
        $calendar = new VCalendar([
            'PRODID' => '-//Vicissa//Weeks//EN',
            'VERSION' => '2.0',
            'X-WR-CALNAME' => $feed->name,
            'REFRESH-INTERVAL;VALUE=DURATION' => 'PT1H',
        ]);
        $times = $this->times($all, $vehicles, $minutes, $workspace->time_zone);
        foreach ($all as $visit) {
            $vehicle = $vehicles[$visit->vehicle_id] ?? null;
            if ($vehicle === null || !isset($wanted[$visit->id])) {
                continue;
            }
            [$begin, $end] = $times[$visit->id];
            $calendar->add('VEVENT', [
                'UID' => "{$visit->id}@vicissa",
                'DTSTAMP' => $visit->changed_at->utc(),
                'LAST-MODIFIED' => $visit->changed_at->utc(),
                'SEQUENCE' => $visit->sequence,
                'STATUS' => $visit->locked ? 'CONFIRMED' : 'TENTATIVE',
                'SUMMARY' => $this->summary($vehicle, $visit->kinds),
                'DTSTART' => $begin,
                'DTEND' => $end,
                ...$vehicle->site === null
                    ? []
                    : ['LOCATION' => implode(', ', array_filter([$vehicle->site->name, $vehicle->site->address]))],
            ]);
        }
        foreach ($gone as $visit) {
            $vehicle = $vehicles[$visit->vehicle_id] ?? null;
            if ($vehicle !== null) {
                $begin = CarbonImmutable::parse($visit->on->toDateString() . ' 08:00', $workspace->time_zone)->utc();
                $calendar->add('VEVENT', [
                    'UID' => "{$visit->id}@vicissa",
                    'DTSTAMP' => $visit->cancelled_at->utc(),
                    'LAST-MODIFIED' => $visit->cancelled_at->utc(),
                    'SEQUENCE' => $visit->sequence,
                    'STATUS' => 'CANCELLED',
                    'SUMMARY' => $this->summary($vehicle, $visit->kinds),
                    'DTSTART' => $begin,
                    'DTEND' => $begin->addHour(),
                ]);
            }
        }

        return $calendar->serialize();
    }

    /**
     * One after the other from eight, the way to each place once.
     *
     * @param Collection<int, PlannedVisit> $visits  by day and crew
     * @param Collection<string, Vehicle> $vehicles
     * @param array<string, PlanVehicle> $minutes
     * @return array<string, array{CarbonImmutable, CarbonImmutable}> in UTC, by visit
     */
    private function times(Collection $visits, Collection $vehicles, array $minutes, string $zone): array
    {
        $times = $clock = $been = [];
        foreach ($visits as $visit) {
            $day = $visit->crew_id . ' ' . $visit->on->toDateString();
            $at =
                $clock[$day] ?? CarbonImmutable::parse($visit->on->toDateString() . ' 08:00', new DateTimeZone($zone));
            $site = $vehicles[$visit->vehicle_id]->site ?? null;
            if ($site !== null && !isset($been[$day][$site->id])) {
                $at = $at->addMinutes($site->travel_min);
                $been[$day][$site->id] = true;
            }
            $end = $at->addMinutes(
                isset($minutes[$visit->vehicle_id])
                    ? $minutes[$visit->vehicle_id]->minutesFor(Kind::bits($visit->kinds))
                    : 60,
            );
            $times[$visit->id] = [$at->utc(), $end->utc()];
            $clock[$day] = $end;
        }

        return $times;
    }

    /** @param list<string> $kinds */
    private function summary(Vehicle $vehicle, array $kinds): string
    {
        return $vehicle->name .
            ': ' .
            implode(
                ', ',
                array_map(static fn(string $kind): string => $kind === 'decon' ? 'decontamination' : $kind, $kinds),
            );
    }
}
