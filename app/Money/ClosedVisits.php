<?php

declare(strict_types=1);

namespace App\Money;

use App\Book\Vehicle;
use App\Record\Turn;
use App\Record\TurnEntry;
use App\Record\TurnProduct;
use App\Tenancy\Tenancy;
use Carbon\CarbonImmutable;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Zone;
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
            ->where('worked_at', '>=', $workspace->begins($from))
            ->where('worked_at', '<', $workspace->begins(CarbonImmutable::parse($to)->addDay()->toDateString()))
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
            ['minor' => $minor, 'unlisted' => $unlisted] = $prices->sum($vehicle->programme_id, $vehicle->body, $kinds);
            $priced = $kinds !== [] && $unlisted === 0;
            yield [
                $workspace->dateOf($turn->worked_at),
                $vehicle->client->name ?? '',
                $vehicle->name,
                $vehicle->plate ?? '',
                $vehicle->site->name ?? '',
                implode(', ', $kinds),
                $entry->minutes === null ? '' : (string) $entry->minutes,
                $priced ? number_format($minor / 100, 2, '.', '') : '',
                $priced ? $workspace->rates()->currency : '',
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
                        static fn(TurnProduct $use): bool => $use->role === Role::Topper->value,
                    ),
                    // As LoggedTurn::decontaminates has it.
                    Kind::Decon->value =>
                        $entry->clay ||
                        $entry->products->contains(
                            static fn(TurnProduct $use): bool => $use->role === Role::Iron->value &&
                                $use->zone === Zone::Paint->value,
                        ),
                    Kind::Inspection->value => $entry->looked_over,
                ]),
            );

        return array_values(array_diff($kinds, $left));
    }
}
