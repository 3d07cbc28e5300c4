<?php

declare(strict_types=1);

namespace App\Record;

use App\Book\Layer;
use App\Book\Vehicle;
use App\Tenancy\Tenancy;
use DateTimeInterface;

/** The due dates of a vehicle's layers, for "moved from … to …": as they stand, and so read anew into the vehicle. */
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
            $vehicle
                ->load('standing.forecast')
                ->standing->whereNotNull('forecast')
                ->sortBy([['kind', 'desc'], ['zone', 'asc'], ['id', 'asc']])
                ->map(
                    static fn(Layer $layer): array => [
                        'layer_id' => $layer->id,
                        'zone' => $layer->zone,
                        'kind' => $layer->kind,
                        'name' => $layer->name ?? $layer->family,
                        'from' => $date($layer->forecast?->from_at),
                        'due' => $date($layer->forecast?->due_at),
                        'late' => $date($layer->forecast?->late_at),
                        'look' => $date($layer->forecast?->look_at),
                    ],
                )
                ->all(),
        );
    }
}
