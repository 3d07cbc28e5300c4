<?php

declare(strict_types=1);

namespace App\Archive;

use App\Book\Client;
use App\Book\Rhythm;
use App\Book\Site;
use App\Book\Vehicle;
use App\Record\Reading;
use App\Record\Turn;
use App\Record\TurnProduct;
use App\Tenancy\Workspace;

/**
 * Clients, places, vehicles, turns and readings as tables. They refer to each other by name, since a spreadsheet has no
 * ids.
 */
final class BookFile
{
    public const COLUMNS = [
        'clients' => ['name', 'contact', 'phone', 'email', 'note'],
        'sites' => ['name', 'client', ...Site::TOLD, 'certificate_expires_on', 'travel_min'],
        'vehicles' => [
            'name',
            'client',
            'site',
            'body',
            'model',
            'plate',
            'in_service_on',
            ...Vehicle::LOOKS,
            'material',
            'storage',
            'road',
            'km_per_week',
            'salt_months',
            ...Rhythm::SPANS,
            'base',
            'base_since',
            'note',
        ],
        'turns' => [
            'vehicle',
            'worked_at',
            'minutes',
            'crew',
            'soil',
            'grit',
            'method',
            'purpose',
            'water',
            'water_l',
            'panel_c',
            'clay',
            'looked_over',
            'products',
            'note',
        ],
        'readings' => ['vehicle', 'worked_at', ...Reading::READ],
    ];

    public const FLAGS = ['power', 'pressure', 'shade', 'bay', 'grit', 'clay', 'looked_over'];

    public const LISTS = ['finish', 'salt_months'];

    /** @return iterable<list<string>> */
    public static function rows(string $kind, Workspace $workspace): iterable
    {
        foreach (self::facts($kind, $workspace) as $facts) {
            yield array_map(
                static fn(string $column): string => self::cell($facts[$column] ?? null),
                self::COLUMNS[$kind],
            );
        }
    }

    /** @return iterable<array<string, mixed>> */
    private static function facts(string $kind, Workspace $workspace): iterable
    {
        switch ($kind) {
            case 'clients':
                foreach (Client::query()->orderBy('name')->orderBy('id')->lazy() as $client) {
                    yield $client->only(self::COLUMNS['clients']);
                }
                break;
            case 'sites':
                foreach (Site::query()->with('client:id,name')->orderBy('name')->orderBy('id')->lazy() as $site) {
                    yield [
                        ...$site->only(array_diff(self::COLUMNS['sites'], ['client', 'certificate_expires_on'])),
                        'client' => $site->client?->name,
                        'certificate_expires_on' => $site->certificate_expires_on?->toDateString(),
                    ];
                }
                break;
            case 'vehicles':
                foreach (
                    Vehicle::query()
                        ->with([
                            'client:id,name',
                            'site:id,name',
                            'layers' => static fn($query) => $query
                                ->where('zone', 'paint')
                                ->where('kind', 'base')
                                ->whereNull('ended_at'),
                        ])
                        ->whereNull('archived_at')
                        ->orderBy('name')
                        ->orderBy('id')
                        ->lazy()
                    as $vehicle
                ) {
                    $base = $vehicle->layers->first();
                    yield [
                        ...$vehicle->only(
                            array_diff(self::COLUMNS['vehicles'], [
                                'client',
                                'site',
                                'base',
                                'base_since',
                                'in_service_on',
                            ]),
                        ),
                        'client' => $vehicle->client?->name,
                        'site' => $vehicle->site?->name,
                        'in_service_on' => $vehicle->in_service_on?->toDateString(),
                        'base' => $base->family ?? ($vehicle->base_unknown ? 'unknown' : 'bare'),
                        'base_since' => $base === null ? null : $workspace->dateOf($base->on_at),
                    ];
                }
                break;
            case 'turns':
            case 'readings':
                foreach (
                    Turn::query()
                        ->with(['vehicle:id,name', 'current.products.product:id,name', 'current.readings'])
                        ->orderBy('worked_at')
                        ->orderBy('id')
                        ->lazy(200)
                    as $turn
                ) {
                    $head = [
                        'vehicle' => $turn->vehicle?->name,
                        'worked_at' => $turn->worked_at->format('Y-m-d\TH:i:s\Z'),
                    ];
                    if ($kind === 'readings') {
                        foreach ($turn->current->readings ?? [] as $reading) {
                            yield [...$head, ...$reading->only(Reading::READ)];
                        }

                        continue;
                    }
                    yield [
                        ...$head,
                        ...$turn->current?->only(
                            array_diff(self::COLUMNS['turns'], ['vehicle', 'worked_at', 'products']),
                        ) ?? [],
                        'products' => implode('; ', array_map(self::use(...), $turn->current?->products->all() ?? [])),
                    ];
                }
        }
    }

    private static function use(TurnProduct $use): string
    {
        return trim(
            sprintf(
                '%s @ %s%s',
                $use->product->name ?? '',
                $use->zone,
                $use->quantity_ml === null
                    ? ''
                    : ' = ' . rtrim(rtrim(number_format($use->quantity_ml, 1, '.', ''), '0'), '.') . ' ml',
            ),
        );
    }

    /**
     * What a cell means: yes and no, lists, numbers; everything else stays a text.
     */
    public static function value(string $column, string $cell): mixed
    {
        if (in_array($column, self::FLAGS, true)) {
            return match (mb_strtolower($cell)) {
                'yes', 'true', '1', 'x' => true,
                'no', 'false', '0' => false,
                default => $cell,
            };
        }
        if (in_array($column, self::LISTS, true)) {
            return array_map(
                static fn(string $one): int|string => ctype_digit($one) ? (int) $one : $one,
                array_values(
                    array_filter(
                        array_map(trim(...), explode(';', $cell)),
                        static fn(string $one): bool => $one !== '',
                    ),
                ),
            );
        }

        return is_numeric($cell) &&
            !in_array(
                $column,
                [
                    'name',
                    'plate',
                    'phone',
                    'model',
                    'note',
                    'contact',
                    'address',
                    'hours',
                    'access',
                    'colour',
                    'vehicle',
                    'client',
                    'site',
                ],
                true,
            )
            ? $cell + 0
            : $cell;
    }

    private static function cell(mixed $value): string
    {
        return match (true) {
            is_bool($value) => $value ? 'yes' : 'no',
            is_array($value) => implode(
                '; ',
                array_map(static fn(mixed $one): string => is_scalar($one) ? (string) $one : '', $value),
            ),
            is_scalar($value) => (string) $value,
            default => '',
        };
    }
}
