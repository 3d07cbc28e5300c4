<?php

declare(strict_types=1);

namespace App\Proof;

use App\Book\Layer;
use App\Book\Vehicle;
use App\Problems\Problem;
use App\Record\TurnLog;
use App\Shelf\Product;
use App\Tenancy\Patience;
use App\Tenancy\Tenancy;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Psr\Clock\ClockInterface;
use stdClass;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Life\FailureInterval;
use Vicissa\Core\Protection\Life\Learnt\LearntForecast;
use Vicissa\Core\Protection\Life\Learnt\LearntLife;
use Vicissa\Core\Protection\Life\Learnt\PooledSeen;
use Vicissa\Core\Protection\Life\Learnt\Seen;
use Vicissa\Core\Protection\Life\Learnt\VehicleSeen;
use Vicissa\Core\Protection\Proof\Calibration;
use Vicissa\Core\Protection\Proof\Foretold;
use Vicissa\Core\Protection\Proof\SurvivalCurve;

/**
 * What really lasts: each product's layers, what the model makes of them, what a protected week costs, and whether past
 * forecasts were right.
 */
final readonly class WeighProof
{
    /** Points of the model's curve. */
    private const POINTS = 40;

    /** So many layers of its own, and so far from its habits, before a vehicle is named (ln). */
    private const NOTICED_LAYERS = 3;

    private const NOTICED_EFFECT = 0.08;

    /** Vehicles whose record is read together. */
    private const AT_ONCE = 200;

    private const KEPT_S = 86_400;

    /** What was weighed last stays for so long, whatever has come since. */
    private const LAST_S = 30 * 86_400;

    public function __construct(
        private Tenancy $tenancy,
        private Repository $cache,
        private Patience $patience,
        private ClockInterface $clock,
    ) {}

    /**
     * Weighed once for each state of the evidence: what it rests on names the answer that is kept, so that none is
     * stale. Of a very large book somebody who waits is told what was weighed last, and that there is more.
     *
     * @return Told<'Proof'>
     * @throws Problem  where nothing of a very large book has been weighed yet
     */
    public function __invoke(): array
    {
        $rests = DB::selectOne(
            'select (select count(*) || \'/\' || max(updated_at) || \'/\' || coalesce(sum(held), 0) || \'/\' || coalesce(sum(failed), 0) from layers) as layers, (select max(updated_at) from products) as products, (select max(updated_at) from vehicles) as vehicles, (select max(id::text) from turn_entries) as turns',
        );
        $workspace = $this->tenancy->workspace()->id;
        $key = "proof/4/{$workspace}/" . hash('sha256', (string) json_encode($rests));
        $last = "proof/last/4/{$workspace}";
        /** @var Told<'Proof'>|null $kept */
        $kept = $this->cache->get($key);
        if ($kept !== null) {
            return $kept;
        }
        if (!$this->patience->isEndless() && self::followed() > config()->integer('vicissa.limits.followed')) {
            KeepProof::for($workspace);
            /** @var Told<'Proof'>|null $before */
            $before = $this->cache->get($last);

            return $before === null ? throw Problem::beingWeighed() : [...$before, 'newer' => true];
        }
        $proof = $this->weigh();
        $this->cache->put($key, $proof, self::KEPT_S);
        $this->cache->put($last, $proof, self::LAST_S);

        return $proof;
    }

    private static function followed(): int
    {
        return DB::table('layers')->whereNotNull('held')->orWhereNotNull('failed')->count();
    }

    /** @return Told<'Proof'> */
    private function weigh(): array
    {
        $rows = DB::table('layers as l')
            ->leftJoin('forecasts_made as f', 'f.layer_id', '=', 'l.id')
            ->whereNotNull('l.product_id')
            ->where(static fn($query) => $query->whereNotNull('l.held')->orWhereNotNull('l.failed'))
            ->orderBy('l.on_at')
            ->orderBy('l.id')
            ->get([
                'l.id',
                'l.product_id',
                'l.vehicle_id',
                'l.zone',
                'l.family',
                'l.held',
                'l.failed',
                'l.label_low_weeks',
                'l.label_high_weeks',
                'f.quantiles',
                DB::raw(
                    "(select b.family from layers b where b.vehicle_id = l.vehicle_id and b.zone = l.zone and b.kind = 'base' and b.on_at <= l.on_at and (b.ended_at is null or b.ended_at > l.on_at) limit 1) as under",
                ),
            ]);
        $products = Product::query()
            ->whereIn('id', $rows->pluck('product_id')->unique()->all())
            ->orderBy('name')
            ->get()
            ->keyBy('id');
        $uses = DB::table('turn_products as u')
            ->join('turns as t', 't.current_entry_id', '=', 'u.entry_id')
            ->where('u.role', 'topper')
            ->groupBy('u.product_id', 'u.zone')
            ->selectRaw('u.product_id, u.zone, avg(u.quantity_ml) as ml')
            ->get()
            ->keyBy(static fn(stdClass $row): string => $row->product_id . ' ' . $row->zone);
        $weighed = $effects = [];
        foreach (
            $rows->groupBy(static fn(stdClass $row): string => $row->product_id . ' ' . $row->zone)
            as $key => $layers
        ) {
            [$productId, $zone] = explode(' ', (string) $key);
            $product = $products[$productId] ?? null;
            $label =
                $product?->label_low_weeks === null || $product->label_high_weeks === null
                    ? null
                    : [$product->label_low_weeks, $product->label_high_weeks];
            if ($product === null || $label === null) {
                continue;
            }
            $byVehicle = $layers
                ->groupBy('vehicle_id')
                ->map(static fn($own): array => array_values($own->map(self::life(...))->all()));
            $told = $byVehicle->map(static fn(array $own): array => array_map(Seen::interval(...), $own))->all();
            $model = (new LearntLife(...$label))->fittedTo(array_values($told));
            $seen = array_map(static fn(array $own): VehicleSeen => $model->vehicle($own), $told);
            $pool = PooledSeen::of(array_values($seen));
            $forecast = $model->forecast($pool, null);
            $curve = SurvivalCurve::of(array_values($layers->map(self::life(...))->all()));
            $weighed[] = [
                'product_id' => $product->id,
                'name' => $product->name,
                'zone' => $zone,
                'applied' => $product->applied,
                'label_low_weeks' => $label[0],
                'label_high_weeks' => $label[1],
                'life' => round($forecast->productLife, 3),
                'p10' => round($forecast->quantile(0.1), 3),
                'p90' => round($forecast->quantile(0.9), 3),
                'spread_layer' => round($forecast->spreadLayer, 3),
                'spread_vehicle' => round($forecast->spreadVehicle, 3),
                'rests_on' => $forecast->restsOn,
                'cost_minor_week' => $this->cost($product, $uses[(string) $key]->ml ?? null, $forecast->productLife),
                ...self::curve($curve),
                'model' => $this->modelled($forecast, $curve),
                'under' => array_values(
                    $layers
                        ->whereNotNull('under')
                        ->groupBy('under')
                        ->map(
                            static fn($some, $family): array => [
                                'family' => (string) $family,
                                ...self::curve(
                                    SurvivalCurve::of(array_values($some->map(self::life(...))->all()), band: false),
                                ),
                            ],
                        )
                        ->sortBy('family')
                        ->all(),
                ),
            ];
            foreach ($byVehicle as $id => $own) {
                $effects[(string) $id][] = [
                    count($own),
                    $model
                        ->forecast(count($seen) > 1 ? $pool?->without($seen[$id]) : null, $seen[$id])
                        ->vehicleEffect(),
                ];
            }
        }

        return [
            'products' => $weighed,
            'groups' => [...$this->groups($rows->all(), $products), ...$this->washed()],
            'vehicles' => $this->vehicles($effects),
            'calibration' => $this->calibration($rows->whereNotNull('quantiles')->all()),
            'weighed_at' => $this->clock->now()->format(DATE_ATOM),
            'newer' => false,
        ];
    }

    /**
     * Layers by family and by the way they went on, in wear-weeks.
     *
     * @param array<array-key, stdClass> $rows
     * @param Collection<array-key, Product> $products
     * @return list<Told<'ProofGroup'>>
     */
    private function groups(array $rows, Collection $products): array
    {
        $lives = [];
        foreach ($rows as $row) {
            $lives['family'][$row->family][] = self::life($row);
            $way = $products[$row->product_id]->applied ?? null;
            if ($way !== null) {
                $lives['way'][$way][] = self::life($row);
            }
        }

        return self::told($lives, 'wear-weeks');
    }

    /** @return list<Told<'ProofGroup'>> layers by how they were washed */
    private function washed(): array
    {
        return self::told(WashedLives::of($this->paints()), 'middle-lives');
    }

    /** @return iterable<array{list<Layer>, TurnLog}> of some vehicles at a time */
    private function paints(): iterable
    {
        /** @var list<string> $vehicles */
        $vehicles = Vehicle::query()->orderBy('id')->pluck('id')->all();
        // No reading bears on it: none before now is asked for.
        $now = $this->clock->now()->getTimestamp();
        foreach (array_chunk($vehicles, self::AT_ONCE) as $some) {
            $layers = Layer::query()
                ->with('vehicle')
                ->whereIn('vehicle_id', $some)
                ->whereNotNull('product_id')
                ->where('zone', Zone::Paint->value)
                ->where(static fn($query) => $query->whereNotNull('held')->orWhereNotNull('failed'))
                ->orderBy('id')
                ->get();
            if ($layers->isNotEmpty()) {
                yield [array_values($layers->all()), TurnLog::of($some, $now)];
            }
        }
    }

    /**
     * @param array<string, array<string, list<FailureInterval>>> $lives  by question and answer
     * @return list<Told<'ProofGroup'>>
     */
    private static function told(array $lives, string $unit): array
    {
        $groups = [];
        foreach ($lives as $kind => $answers) {
            ksort($answers);
            foreach ($answers as $answer => $some) {
                $groups[] = [
                    'kind' => $kind,
                    'answer' => $answer,
                    'unit' => $unit,
                    ...self::curve(SurvivalCurve::of($some)),
                ];
            }
        }

        return $groups;
    }

    private static function life(stdClass $row): FailureInterval
    {
        return FailureInterval::of((float) ($row->held ?? 0.0), $row->failed === null ? null : (float) $row->failed);
    }

    /** @return Told<'ProofUnder', 'family'> */
    private static function curve(SurvivalCurve $curve): array
    {
        return [
            'layers' => $curve->layers,
            'failed' => $curve->failed,
            'too_few' => $curve->isTooFew(),
            'median' => $curve->median() === null ? null : round($curve->median(), 3),
            'points' => array_map(
                static fn(array $point): array => [
                    'wear' => round($point['wear'], 4),
                    'holds' => round($point['holds'], 4),
                    'low' => round($point['low'], 4),
                    'high' => round($point['high'], 4),
                ],
                $curve->points,
            ),
        ];
    }

    /** @return list<array{wear: float, holds: float}> */
    private function modelled(LearntForecast $forecast, SurvivalCurve $curve): array
    {
        $to = max($forecast->quantile(0.95), ...array_column($curve->points, 'wear'));

        return array_map(
            static fn(int $i): array => [
                'wear' => round(($to * $i) / self::POINTS, 3),
                'holds' => round(1.0 - $forecast->risk(($to * $i) / self::POINTS), 4),
            ],
            range(0, self::POINTS),
        );
    }

    /** Minor units for each week of wear it protects; null where price or amount are not known. */
    private function cost(Product $product, mixed $ml, float $life): ?float
    {
        return $product->price_minor === null ||
            $product->pack_ml === null ||
            $product->pack_ml <= 0.0 ||
            !is_numeric($ml)
            ? null
            : round(((float) $ml * $product->price_minor) / $product->pack_ml / $life, 2);
    }

    /**
     * Whose layers live shorter or longer than its habits explain.
     *
     * @param array<string, list<array{int, float}>> $effects  layers and effect, by vehicle, for each product
     * @return list<array{vehicle_id: string, name: string, layers: int, share: float}>
     */
    private function vehicles(array $effects): array
    {
        $names = Vehicle::query()->whereIn('id', array_keys($effects))->pluck('name', 'id');
        $noticed = [];
        foreach ($effects as $id => $parts) {
            $layers = array_sum(array_column($parts, 0));
            $effect = array_sum(array_map(static fn(array $part): float => $part[0] * $part[1], $parts)) / $layers;
            if ($layers >= self::NOTICED_LAYERS && abs($effect) >= self::NOTICED_EFFECT) {
                $noticed[] = [
                    'vehicle_id' => $id,
                    'name' => $names[$id] ?? '',
                    'layers' => $layers,
                    'share' => round(exp($effect), 3),
                ];
            }
        }
        usort($noticed, static fn(array $a, array $b): int => [$a['share'], $a['name']] <=> [$b['share'], $b['name']]);

        return $noticed;
    }

    /**
     * @param array<array-key, stdClass> $rows
     * @return Told<'ProofCalibration'>
     */
    private function calibration(array $rows): array
    {
        $calibration = Calibration::of(
            array_values(
                array_map(static function (stdClass $row): Foretold {
                    /** @var array<int, float> $quantiles */
                    $quantiles = json_decode($row->quantiles, true, 4, JSON_THROW_ON_ERROR);

                    return new Foretold($quantiles, self::life($row), $row->vehicle_id);
                }, $rows),
            ),
        );

        return [
            'layers' => $calibration->layers,
            'off_by' => round($calibration->offBy, 1),
            'place' => $calibration->place->value,
            'spread' => $calibration->spread->value,
            'says' => $calibration->says,
            'points' => array_map(
                static fn(array $point): array => array_map(static fn(float $value): float => round($value, 4), $point),
                $calibration->points,
            ),
        ];
    }
}
