<?php

declare(strict_types=1);

namespace App\Money;

use App\Bench\WaterReading;
use App\Shelf\Gear;
use App\Tenancy\Workspace;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;
use Vicissa\Core\Kit\Retirement;
use Vicissa\Core\Money\Rates;
use Vicissa\Core\Money\TimeSpent;
use Vicissa\Core\Money\TurnCost;
use Vicissa\Core\Money\WaterUsed;

/**
 * What turns have cost, by what was written down of them and what things cost today. A handful of queries, however many
 * turns.
 */
final readonly class CostBook
{
    /**
     * @param array<string, array{vehicle_id: string, at: CarbonImmutable, minutes: int|null, cost: TurnCost,
     *     toppers: list<array{product_id: string, minor: float, ml: float}>, unpriced: array<string, string>}> $turns
     *     by id, oldest first; unpriced: names, by id, of products that were used and have no price: not in the cost,
     *     and not free
     */
    private function __construct(public array $turns) {}

    /** @param list<string>|null $vehicles  null: all */
    public static function since(
        Workspace $workspace,
        CarbonImmutable $since,
        ?array $vehicles = null,
        ?string $turn = null,
    ): self {
        $rates = $workspace->rates();
        $asked = static fn(): Builder => DB::table('turns as t')
            ->where('t.worked_at', '>=', $since)
            ->when($vehicles !== null, static fn($query) => $query->whereIn('t.vehicle_id', $vehicles ?? []))
            ->when($turn !== null, static fn($query) => $query->where('t.id', $turn));
        $rows = $asked()
            ->join('turn_entries as e', 'e.id', '=', 't.current_entry_id')
            ->join('vehicles as v', 'v.id', '=', 't.vehicle_id')
            ->leftJoin('sites as s', 's.id', '=', 'v.site_id')
            ->orderBy('t.worked_at')
            ->orderBy('t.id')
            ->selectRaw('(t.worked_at at time zone ?)::date as day', [$workspace->time_zone])
            ->addSelect([
                't.id',
                't.vehicle_id',
                't.worked_at',
                'e.id as entry_id',
                'e.minutes',
                'e.crew',
                'e.textiles',
                'e.water_l',
                'e.water',
                's.id as site_id',
                's.travel_min',
            ])
            ->get();
        $uses = [];
        foreach (
            DB::table('turn_products as u')
                ->leftJoin('products as p', 'p.id', '=', 'u.product_id')
                // Asked for, not named one by one: a year of a large business is more than a statement takes values.
                ->whereIn('u.entry_id', $asked()->select('t.current_entry_id'))
                ->get(['u.entry_id', 'u.product_id', 'u.role', 'u.quantity_ml', 'p.name', 'p.pack_ml', 'p.price_minor'])
            as $use
        ) {
            $uses[(string) $use->entry_id][] = $use;
        }
        $shares = self::shares(
            array_values($rows->pluck('site_id')->filter()->unique()->all()),
            $since,
            $workspace->time_zone,
        );
        $pools = self::pools($rates);
        $gear = Gear::query()
            ->whereIn('kind', ['ro', 'resin'])
            ->whereNull('archived_at')
            ->orderBy('name')
            ->get();
        $recovery = $gear->firstWhere('kind', 'ro')?->fact('recovery') ?? 0.5;
        $capacity = $gear->firstWhere('kind', 'resin')?->fact('capacity_g_per_l') ?? 0.0;
        $feed =
            $capacity > 0.0 ? WaterReading::query()->where('point', 'ro')->orderByDesc('at')->value('tds_mg_l') : null;
        $turns = [];
        foreach ($rows as $row) {
            $at = new CarbonImmutable((string) $row->worked_at);
            $products = $toppers = $unpriced = [];
            foreach ($uses[(string) $row->entry_id] ?? [] as $use) {
                $one = [
                    'ml' => (float) $use->quantity_ml,
                    'pack_ml' => $use->pack_ml === null ? null : (float) $use->pack_ml,
                    'price_minor' => $use->price_minor === null ? null : (int) $use->price_minor,
                ];
                $products[] = $one;
                if ($one['pack_ml'] === null || $one['price_minor'] === null) {
                    $unpriced[(string) $use->product_id] = (string) $use->name;
                } elseif ($use->role === 'topper') {
                    $toppers[] = [
                        'product_id' => (string) $use->product_id,
                        'ml' => $one['ml'],
                        'minor' => TurnCost::of($rates, [$one], [], WaterUsed::tap(0.0), new TimeSpent(0.0))->products,
                    ];
                }
            }
            $together = $shares[$row->site_id . ' ' . $row->day] ?? 1;
            $turns[(string) $row->id] = [
                'vehicle_id' => (string) $row->vehicle_id,
                'at' => $at,
                'minutes' => $row->minutes === null ? null : (int) $row->minutes,
                'toppers' => $toppers,
                'unpriced' => array_filter($unpriced, static fn(string $name): bool => $name !== ''),
                'cost' => TurnCost::of(
                    $rates,
                    $products,
                    self::cloth($row, $pools),
                    $row->water === 'treated' && is_numeric($feed)
                        ? WaterUsed::treated((float) $row->water_l, (float) $feed, $recovery, $capacity)
                        : WaterUsed::tap((float) $row->water_l),
                    new TimeSpent(
                        (float) $row->minutes,
                        max(1, (int) ($row->crew ?? 1)),
                        (2.0 * (float) $row->travel_min) / max(1, $together),
                    ),
                ),
            ];
        }

        return new self($turns);
    }

    /**
     * @param list<array{unpriced: array<string, string>, ...}> $turns
     * @return list<string> names of what was used and has no price
     */
    public static function unpriced(array $turns): array
    {
        $names = array_values(
            array_unique(
                array_merge([], ...array_map(static fn(array $turn): array => array_values($turn['unpriced']), $turns)),
            ),
        );
        sort($names);

        return $names;
    }

    /**
     * Who shares a trip pays for it together.
     *
     * @param list<mixed> $sites
     * @return array<string, int> turns by place and day
     */
    private static function shares(array $sites, CarbonImmutable $since, string $zone): array
    {
        return DB::table('turns as t')
            ->join('vehicles as v', 'v.id', '=', 't.vehicle_id')
            ->whereIn('v.site_id', $sites)
            ->where('t.worked_at', '>=', $since->subDay())
            ->selectRaw('v.site_id, (t.worked_at at time zone ?)::date as day, count(*) as together', [$zone])
            ->groupBy('v.site_id', 'day')
            ->get()
            ->mapWithKeys(static fn(stdClass $row): array => [$row->site_id . ' ' . $row->day => (int) $row->together])
            ->all();
    }

    /** @return array<string, array{price_minor: float|null, cycles: int}> */
    private static function pools(Rates $rates): array
    {
        $pools = [];
        foreach (Gear::query()->where('kind', 'towel')->whereNull('archived_at')->orderBy('name')->get() as $pool) {
            $use = is_string($pool->facts['use'] ?? null) ? $pool->facts['use'] : '';
            $pools[$use] ??= [
                'price_minor' => $pool->fact('price_minor') ?? $rates->towelMinor,
                'cycles' => (int) ($pool->fact('cycles') ?? (Retirement::CYCLES[$use] ?? 80)),
            ];
        }

        return $pools;
    }

    /**
     * @param array<string, array{price_minor: float|null, cycles: int}> $pools
     * @return list<array{pieces: int, price_minor: float|null, cycles: int}>
     */
    private static function cloth(stdClass $row, array $pools): array
    {
        $cloth = [];
        foreach ((array) json_decode((string) $row->textiles, true) as $use => $count) {
            // Mitts are rinsed, not laundered each time.
            if (!is_numeric($count) || $use === 'mitts') {
                continue;
            }
            $pool = $use === 'sides' ? 'wash' : (string) $use;
            $cloth[] = [
                'pieces' => $use === 'sides' ? (int) ceil($count / 8) : (int) $count,
                ...$pools[$pool] ?? ['price_minor' => null, 'cycles' => Retirement::CYCLES[$pool] ?? 80],
            ];
        }

        return $cloth;
    }
}
