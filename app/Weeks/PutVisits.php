<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Book\PlannedVisit;
use DateTimeInterface;
use Psr\Clock\ClockInterface;

/**
 * Brings what stands in the book to what is planned. A visit that moves stays the same visit; one that goes is
 * remembered as cancelled.
 */
final readonly class PutVisits
{
    public function __construct(private ClockInterface $clock) {}

    /**
     * @param string $after  only what lies after this date is touched
     * @param list<array{vehicle: string, date: string, crew: string, kinds: list<string>, locked: bool,
     *     scope?: string}> $visits
     */
    public function __invoke(string $after, array $visits): void
    {
        $now = $this->clock->now();
        $standing = $wanted = [];
        foreach (PlannedVisit::query()->where('on', '>', $after)->orderBy('on')->get() as $row) {
            $standing[$row->vehicle_id][$row->on->toDateString()] = $row;
        }
        foreach ($visits as $visit) {
            $wanted[$visit['vehicle']][$visit['date']] = $visit;
        }
        foreach (array_unique([...array_keys($standing), ...array_keys($wanted)]) as $vehicle) {
            $this->vehicle($standing[$vehicle] ?? [], $wanted[$vehicle] ?? [], $now);
        }
    }

    /**
     * @param array<string, PlannedVisit> $standing  by date
     * @param array<string, array{vehicle: string, date: string, crew: string, kinds: list<string>, locked: bool,
     *     scope?: string}> $wanted by date
     */
    private function vehicle(array $standing, array $wanted, DateTimeInterface $now): void
    {
        foreach (array_intersect_key($standing, $wanted) as $date => $row) {
            $this->change($row, $wanted[$date], $now);
        }
        $gone = array_values(array_diff_key($standing, $wanted));
        $new = array_diff_key($wanted, $standing);
        ksort($new);
        foreach (array_values($new) as $i => $visit) {
            if (isset($gone[$i])) {
                $this->change($gone[$i], $visit, $now);
            } else {
                PlannedVisit::query()->create([
                    'vehicle_id' => $visit['vehicle'],
                    'crew_id' => $visit['crew'],
                    'on' => $visit['date'],
                    'kinds' => $visit['kinds'],
                    'scope' => $visit['scope'] ?? 'usual',
                    'locked' => $visit['locked'],
                    'changed_at' => $now,
                ]);
            }
        }
        foreach (array_slice($gone, count($new)) as $row) {
            CancelledVisit::query()->create([
                'id' => $row->id,
                'vehicle_id' => $row->vehicle_id,
                'crew_id' => $row->crew_id,
                'on' => $row->on,
                'kinds' => $row->kinds,
                'sequence' => $row->sequence + 1,
                'cancelled_at' => $now,
            ]);
            $row->delete();
        }
    }

    /**
     * @param array{vehicle: string, date: string, crew: string, kinds: list<string>, locked: bool,
     *     scope?: string} $visit
     */
    private function change(PlannedVisit $row, array $visit, DateTimeInterface $now): void
    {
        $differs =
            $row->on->toDateString() !== $visit['date'] ||
            $row->crew_id !== $visit['crew'] ||
            $row->kinds !== $visit['kinds'] ||
            $row->scope !== ($visit['scope'] ?? $row->scope);
        if ($differs || $row->locked !== $visit['locked']) {
            $row->update([
                'on' => $visit['date'],
                'crew_id' => $visit['crew'],
                'kinds' => $visit['kinds'],
                'scope' => $visit['scope'] ?? $row->scope,
                'locked' => $visit['locked'],
                ...$differs ? ['sequence' => $row->sequence + 1, 'changed_at' => $now] : [],
            ]);
        }
    }
}
