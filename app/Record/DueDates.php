<?php

declare(strict_types=1);

namespace App\Record;

use App\Book\Forecast;
use App\Book\Vehicle;
use App\Tenancy\Tenancy;
use DateTimeInterface;

/** The due dates of a vehicle's layers as they stand, for "moved from … to …". */
final readonly class DueDates
{
    public function __construct(private Tenancy $tenancy) {}

    /**
     * @return list<array{layer_id: string, zone: string, kind: string, name: string, from: string|null,
     *     due: string|null, late: string|null, look: string|null}>
     */
    public function __invoke(Vehicle $vehicle): array
    {
        $workspace = $this->tenancy->workspace();
        $date = static fn(?DateTimeInterface $moment): ?string => $moment === null ? null : $workspace->dateOf($moment);

        return array_values(
            Forecast::query()
                ->with('layer')
                ->where('vehicle_id', $vehicle->id)
                ->whereHas('layer', static fn($query) => $query->whereNull('ended_at'))
                ->get()
                ->map(
                    static fn(Forecast $forecast): array => [
                        'layer_id' => $forecast->layer_id,
                        'zone' => $forecast->layer->zone ?? '',
                        'kind' => $forecast->layer->kind ?? '',
                        'name' => $forecast->layer->name ?? ($forecast->layer->family ?? ''),
                        'from' => $date($forecast->from_at),
                        'due' => $date($forecast->due_at),
                        'late' => $date($forecast->late_at),
                        'look' => $date($forecast->look_at),
                    ],
                )
                ->sortByDesc('kind')
                ->values()
                ->all(),
        );
    }
}
