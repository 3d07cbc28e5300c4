<?php

declare(strict_types=1);

namespace App\Money;

use App\Book\Vehicle;
use App\Record\Turn;
use App\Record\TurnEntry;
use App\Record\TurnProduct;
use App\Tenancy\Tenancy;
use Vicissa\Core\Planning\Kind;

/**
 * What was done for whom, with its price by the list, as a table for whatever program the accounts are kept in. What the
 * list says nothing of has no price: nothing is made up.
 */
final readonly class ClosedVisits
{
    public const COLUMNS = [
        'date',
        'client',
        'vehicle',
        'plate',
        'place',
        'what',
        'minutes',
        'price',
        'currency',
        'turn',
    ];

    public function __construct(private Tenancy $tenancy) {}

    /**
     * @param string $from  first and last day, where the workspace is
     * @return iterable<list<string>>
     */
    public function __invoke(string $from, string $to): iterable
    {
        $workspace = $this->tenancy->workspace();
        $prices = PriceList::read();
        $turns = Turn::query()
            ->with(['vehicle.client', 'vehicle.site', 'current.products'])
            ->where('worked_at', '>=', $workspace->noon($from)->startOfDay())
            ->where('worked_at', '<=', $workspace->noon($to)->endOfDay())
            ->orderBy('worked_at')
            ->orderBy('id')
            ->lazy(200);
        foreach ($turns as $turn) {
            $vehicle = $turn->vehicle;
            $entry = $turn->current;
            if (!($vehicle instanceof Vehicle) || !($entry instanceof TurnEntry)) {
                continue;
            }
            $kinds = self::done($entry);
            $minor = self::price($prices->of($vehicle->programme_id, $vehicle->body), $kinds);
            yield [
                $workspace->dateOf($turn->worked_at),
                $vehicle->client->name ?? '',
                $vehicle->name,
                $vehicle->plate ?? '',
                $vehicle->site->name ?? '',
                implode(', ', $kinds),
                $entry->minutes === null ? '' : (string) $entry->minutes,
                $minor === null ? '' : number_format($minor / 100, 2, '.', ''),
                $minor === null ? '' : $workspace->rates()->currency,
                $turn->id,
            ];
        }
    }

    /**
     * What was planned and not left out; of what nobody planned, what was done.
     *
     * @return list<string>
     */
    private static function done(TurnEntry $entry): array
    {
        $left = array_column($entry->left_out, 'kind');
        $kinds =
            $entry->kinds ??
            array_keys(
                array_filter([
                    Kind::Wash->value => true,
                    Kind::Topper->value => $entry->products->contains(
                        static fn(TurnProduct $use): bool => $use->role === 'topper',
                    ),
                    Kind::Decon->value => $entry->clay,
                    Kind::Inspection->value => $entry->looked_over,
                ]),
            );

        return array_values(array_diff($kinds, $left));
    }

    /**
     * @param array<string, int|null> $of  minor units by kind
     * @param list<string> $kinds
     */
    private static function price(array $of, array $kinds): ?int
    {
        $minor = 0;
        foreach ($kinds as $kind) {
            if (!isset($of[$kind])) {
                return null;
            }
            $minor += $of[$kind];
        }

        return $kinds === [] ? null : $minor;
    }
}
