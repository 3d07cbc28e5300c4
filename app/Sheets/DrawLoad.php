<?php

declare(strict_types=1);

namespace App\Sheets;

use App\Bench\AtHand;
use App\Bench\ForeseeVisits;
use App\Bench\GatherAtHand;
use App\Book\PlannedVisit;
use App\Book\RoundStop;
use App\Book\Vehicle;
use App\Record\Sheet;
use App\Shelf\Gear;
use App\Shelf\GearEvent;
use App\Shelf\Product;
use App\Shelf\StockBook;
use App\Tenancy\Tenancy;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;
use Vicissa\Core\Kit\Laundry;
use Vicissa\Core\Kit\Shortage;

/**
 * What some days' turns need, against what there is: bottles, mixes, towels, water, power; what has to be bought, what
 * washed and by when. A sheet that is laid out knows best; for the others one is laid out in thought.
 */
final readonly class DrawLoad
{
    /** Bottles that run out of date within so many days are told. */
    private const SOON_DAYS = 30;

    public function __construct(
        private ForeseeVisits $foreseeVisits,
        private GatherAtHand $gatherAtHand,
        private Tenancy $tenancy,
    ) {}

    /** @return Told<'Load'> */
    public function __invoke(string $from, string $to): array
    {
        $atHand = ($this->gatherAtHand)();
        $visits = $this->visits($from, $to, $atHand);
        $gear = $atHand->gear;
        $ticks = LoadTick::query()->where('from_on', $from)->where('to_on', $to)->pluck('line')->flip();
        $ticked = static fn(string $line): bool => $ticks->has($line);
        $need = $maybe = $fills = $towels = [];
        $treated = $power = 0.0;
        foreach ($visits as $visit) {
            /**
             * @var array{fills: list<Told<'DoseFill'>>, totals: array{treated_l: float, blows_min: float,
             *     product_ml: array<string, float>, maybe_ml: array<string, float>, pools: array<string, int>}} $plan
             */
            $plan = json_decode((string) json_encode($visit['plan']), true);
            $totals = $plan['totals'];
            foreach ($totals['product_ml'] as $id => $ml) {
                $need[$id] = ($need[$id] ?? 0.0) + $ml;
            }
            foreach ($totals['maybe_ml'] as $id => $ml) {
                $maybe[$id] = ($maybe[$id] ?? 0.0) + $ml;
            }
            foreach ($totals['pools'] as $pool => $pieces) {
                $towels[$pool][$visit['on']] = ($towels[$pool][$visit['on']] ?? 0) + $pieces;
            }
            $treated += $totals['treated_l'];
            $power += $visit['power'] ? 0.0 : $totals['blows_min'];
            foreach ($plan['fills'] as $fill) {
                $key = implode('|', [$fill['kind'], $fill['vessel'], $fill['product_id']]);
                $fills[$key] ??= [
                    'kind' => $fill['kind'],
                    'vessel' => $fill['vessel'],
                    'product' => $fill['product'],
                    'product_id' => $fill['product_id'],
                    'mix_ml' => 0.0,
                    'product_ml' => 0.0,
                    'times' => 0,
                ];
                $fills[$key]['mix_ml'] += $fill['mix_ml'] * $fill['times'];
                $fills[$key]['product_ml'] +=
                    ($fill['product_ml'] ??
                        sqrt(($fill['product_low_ml'] ?? 0.0) * ($fill['product_high_ml'] ?? 0.0))) *
                    $fill['times'];
                $fills[$key]['times'] += $fill['times'];
            }
        }
        $products = $this->products($need, $maybe, $ticked, $to);

        return [
            'from' => $from,
            'to' => $to,
            'margin' => $this->margin(),
            'visits' => array_map(
                static fn(array $visit): array => [
                    'on' => $visit['on'],
                    'vehicle_id' => $visit['vehicle_id'],
                    'name' => $visit['name'],
                    'minutes' => $visit['minutes'],
                    'sheet' => $visit['sheet'],
                ],
                $visits,
            ),
            'products' => $products,
            'fills' => array_values(
                array_map(
                    static fn(array $fill): array => [
                        ...$fill,
                        'mix_ml' => round($fill['mix_ml'], 1),
                        'product_ml' => round($fill['product_ml'], 1),
                    ],
                    $fills,
                ),
            ),
            'towels' => $this->towels($towels, $gear, $ticked),
            'water' => $this->water($treated, $gear, $ticked),
            'power' => $this->power($power, $gear, $ticked),
            'shopping' => $this->shopping($products),
        ];
    }

    /** More than the doses: somebody's door is always bigger. */
    private function margin(): float
    {
        return $this->tenancy->workspace()->house()->loadMargin / 100.0;
    }

    /**
     * @return list<array{on: string, vehicle_id: string, name: string, sheet: bool, power: bool, minutes: int,
     *     plan: Told<'SheetPlan'>}>
     */
    private function visits(string $from, string $to, AtHand $atHand): array
    {
        $stops = RoundStop::query()
            ->whereBetween('on', [$from, $to])
            ->orderBy('on')
            ->orderBy('position')
            ->get(['on', 'vehicle_id'])
            ->map(static fn(RoundStop $stop): array => [$stop->on->toDateString(), $stop->vehicle_id]);
        $planned = PlannedVisit::query()
            ->whereBetween('on', [$from, $to])
            ->orderBy('on')
            ->orderBy('id')
            ->get(['on', 'vehicle_id'])
            ->map(static fn(PlannedVisit $visit): array => [$visit->on->toDateString(), $visit->vehicle_id]);
        $all = $stops
            ->concat($planned)
            ->unique(static fn(array $one): string => implode(' ', $one))
            ->sortBy(static fn(array $one): string => $one[0])
            ->values();
        $vehicles = Vehicle::query()
            ->with('site')
            ->whereIn('id', $all->pluck(1)->unique()->all())
            ->whereNull('archived_at')
            ->get()
            ->keyBy('id');
        $sheets = Sheet::query()
            ->whereBetween('on', [$from, $to])
            ->where('status', '!=', 'dropped')
            ->orderBy('created_at')
            ->get(['vehicle_id', 'on', 'status'])
            ->keyBy(static fn(Sheet $sheet): string => $sheet->on->toDateString() . ' ' . $sheet->vehicle_id);
        $visits = $wanted = [];
        foreach ($all as [$on, $id]) {
            $vehicle = $vehicles->get($id);
            $sheet = $sheets->get("{$on} {$id}");
            if ($vehicle !== null && $sheet?->status !== 'finished') {
                $visits[] = [
                    'on' => $on,
                    'vehicle_id' => $id,
                    'name' => $vehicle->name,
                    'sheet' => $sheet !== null,
                    'power' => $vehicle->site->power ?? true,
                ];
                $wanted[] = [$vehicle, $on];
            }
        }
        $foreseen = ($this->foreseeVisits)($wanted, $atHand);

        return array_map(
            static fn(array $visit, array $one): array => [
                ...$visit,
                'minutes' => $one['minutes'],
                'plan' => $one['plan'],
            ],
            $visits,
            $foreseen,
        );
    }

    /**
     * @param array<string, float> $need   ml by product
     * @param array<string, float> $maybe  ml that only a reading will ask for
     * @param callable(string): bool $ticked
     * @return list<Told<'LoadProduct'>>
     */
    private function products(array $need, array $maybe, callable $ticked, string $to): array
    {
        $products = Product::query()->whereIn('id', array_keys($need + $maybe))->orderBy('name')->orderBy('id')->get();
        $book = StockBook::of(array_values($products->modelKeys()));
        $soon = CarbonImmutable::parse($to)->addDays(self::SOON_DAYS)->toDateString();
        $rows = [];
        foreach ($products as $product) {
            $doses = ($need[$product->id] ?? 0.0) + ($maybe[$product->id] ?? 0.0);
            $of = Shortage::of($doses, $product->stock_ml, $product->reorder_ml, $product->pack_ml, $this->margin());
            $batches = $book->batches($product);
            $rows[] = [
                'line' => "product:{$product->id}",
                'ticked' => $ticked("product:{$product->id}"),
                'product_id' => $product->id,
                'name' => $product->name,
                'role' => $product->role,
                'supplier' => $product->supplier ?? $product->maker,
                'need_ml' => round($need[$product->id] ?? 0.0, 1),
                'maybe_ml' => round($maybe[$product->id] ?? 0.0, 1),
                'take_ml' => round($of->takeMl, 1),
                'stock_ml' => $product->stock_ml,
                'missing_ml' => round($of->missingMl, 1),
                'packs' => $of->packs,
                'pack_ml' => $product->pack_ml,
                'buy_ml' => round($of->buyMl, 1),
                'price_minor' => $product->price_minor,
                'batch' => $batches->inUse(),
                'expires' => $batches->expiring($soon)[0]['expires'] ?? null,
            ];
        }

        return $rows;
    }

    /**
     * @param array<string, array<string, int>> $towels  pieces by pool and day
     * @param Collection<int, Gear> $gear
     * @param callable(string): bool $ticked
     * @return list<Told<'LoadTowels'>>
     */
    private function towels(array $towels, Collection $gear, callable $ticked): array
    {
        $rows = [];
        ksort($towels);
        foreach ($towels as $use => $days) {
            // A mitt is rinsed and goes on to the next car; towels don't.
            $mitt = str_ends_with($use, 'mitt');
            $pools = $gear->filter(
                static fn(Gear $one): bool => $one->kind === 'towel' && ($one->facts['use'] ?? null) === $use,
            );
            $count = (int) $pools->sum(static fn(Gear $one): float => $one->fact('count') ?? 0.0);
            $dirty = (int) $pools->sum(static fn(Gear $one): int => $one->dirty());
            $most = max([0, ...array_values($days)]);
            $take = $mitt ? $most + 1 : (int) ceil((1.0 + $this->margin()) * array_sum($days) - 1e-9);
            $laundry = $count === 0 ? null : Laundry::of($count, $dirty, $mitt ? [] : $days);
            $pool = $pools->first();
            $rows[] = [
                'line' => "towels:{$use}",
                'ticked' => $ticked("towels:{$use}"),
                'use' => $use,
                'pool' => $pool?->name,
                'colour' => is_string($pool?->facts['colour'] ?? null) ? $pool->facts['colour'] : null,
                'need' => $mitt ? $most : array_sum($days),
                'take' => $take,
                'clean' => $count - $dirty,
                'dirty' => $dirty,
                'known' => $count > 0,
                'short' => $laundry->short ?? 0,
                'washes' => $laundry->washes ?? [],
            ];
        }

        return $rows;
    }

    /**
     * @param Collection<int, Gear> $gear
     * @param callable(string): bool $ticked
     * @return Told<'LoadWater'>
     */
    private function water(float $litres, Collection $gear, callable $ticked): array
    {
        $tank = $gear->firstWhere('kind', 'tank');
        $level = $tank?->events->firstWhere('kind', 'level');
        $holds = $tank?->fact('l') ?? 0.0;
        $has =
            $level instanceof GearEvent && is_numeric($level->facts['l'] ?? null) ? (float) $level->facts['l'] : $holds;

        return [
            'line' => 'water',
            'ticked' => $ticked('water'),
            'treated_l' => round($litres, 1),
            'tank_l' => $tank === null ? null : round(min($has, $holds), 1),
            'holds_l' => $tank === null ? null : $holds,
            'fills' => $holds > 0.0 ? (int) max(0, ceil(($litres - $has) / $holds - 1e-9)) : 0,
        ];
    }

    /**
     * @param Collection<int, Gear> $gear
     * @param callable(string): bool $ticked
     * @return Told<'LoadPower'>
     */
    private function power(float $minutes, Collection $gear, callable $ticked): array
    {
        $watts =
            (float) ($gear
                ->where('kind', 'blower')
                ->map(static fn(Gear $one): float => $one->fact('w') ?? 0.0)
                ->max() ?? 0.0);
        $packs = $gear->where('kind', 'battery');
        $wh = ($watts * $minutes) / 60.0;
        $each = (float) ($packs->map(static fn(Gear $one): float => $one->fact('wh') ?? 0.0)->max() ?? 0.0);
        $take = $each > 0.0 ? (int) ceil(((1.0 + $this->margin()) * $wh) / $each - 1e-9) : 0;

        return [
            'line' => 'power',
            'ticked' => $ticked('power'),
            'minutes' => round($minutes),
            'wh' => round($wh),
            'packs' => $take,
            'has' => (int) $packs->sum(static fn(Gear $one): float => $one->fact('count') ?? 0.0),
            'known' => $watts > 0.0 && $each > 0.0,
        ];
    }

    /**
     * @param list<Told<'LoadProduct'>> $products
     * @return list<Told<'Shopping'>>
     */
    private function shopping(array $products): array
    {
        $by = [];
        // What is low for other reasons is bought on the same way.
        $seen = array_column($products, 'product_id');
        $low = Product::query()
            ->whereNull('archived_at')
            ->whereNotIn('id', $seen)
            ->where('reorder_ml', '>', 0)
            ->whereColumn('stock_ml', '<=', 'reorder_ml')
            ->orderBy('name')
            ->get();
        $rows = array_map(
            static fn(array $one): array => [
                'name' => $one['name'],
                'supplier' => $one['supplier'],
                'packs' => $one['packs'],
                'pack_ml' => $one['pack_ml'],
                'buy_ml' => $one['buy_ml'],
                'price_minor' => $one['price_minor'],
                'urgent' => $one['missing_ml'] > 0.0,
            ],
            $products,
        );
        foreach ($low as $product) {
            $of = Shortage::of(0.0, $product->stock_ml, $product->reorder_ml, $product->pack_ml);
            $rows[] = [
                'name' => $product->name,
                'supplier' => $product->supplier ?? $product->maker,
                'packs' => max($product->pack_ml === null ? 0 : 1, $of->packs),
                'pack_ml' => $product->pack_ml,
                'buy_ml' => $of->buyMl > 0.0 ? $of->buyMl : (float) $product->reorder_ml,
                'price_minor' => $product->price_minor,
                'urgent' => false,
            ];
        }
        foreach ($rows as $row) {
            if ($row['packs'] > 0 || $row['buy_ml'] > 0.0) {
                $by[$row['supplier'] ?? ''][] = [
                    'name' => $row['name'],
                    'packs' => $row['packs'],
                    'pack_ml' => $row['pack_ml'],
                    'buy_ml' => $row['buy_ml'],
                    'price_minor' => $row['price_minor'],
                    'urgent' => $row['urgent'],
                ];
            }
        }
        ksort($by);

        return array_map(
            static fn(string $supplier, array $lines): array => [
                'supplier' => $supplier === '' ? null : $supplier,
                'lines' => $lines,
                'total_minor' => array_sum(
                    array_map(
                        static fn(array $line): int => max(1, $line['packs']) * ($line['price_minor'] ?? 0),
                        $lines,
                    ),
                ),
            ],
            array_keys($by),
            array_values($by),
        );
    }
}
