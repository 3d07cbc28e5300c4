<?php

declare(strict_types=1);

namespace App\Film;

use App\Book\Layer;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Vicissa\Core\Protection\Life\FailureInterval;
use Vicissa\Core\Protection\Life\Learnt\LearntForecast;
use Vicissa\Core\Protection\Life\Learnt\LearntLife;
use Vicissa\Core\Protection\Life\Learnt\PooledSeen;
use Vicissa\Core\Protection\Life\Learnt\Seen;
use Vicissa\Core\Protection\Life\Learnt\VehicleSeen;

/** Every layer of some products, as evidence. Each vehicle's part is reckoned once and shared by all forecasts. */
final class EvidenceBook
{
    /** @var array<string, LearntLife> */
    private array $models = [];

    /** A pool is made anew rather than mended where so many of its vehicles have changed, and after so many mendings. */
    private const CHANGED = 0.25;

    private const MENDED = 40;

    private const KEPT_S = 3600;

    private const SEEN = 16;

    /** @var array<string, PooledSeen|null> */
    private array $pools = [];

    /** @var array<string, VehicleSeen>  by model and what was read */
    private array $seen = [];

    /** @var array<string, LearntForecast>  of those that nothing of their own sets apart, as it is when they go on */
    private array $common = [];

    /**
     * @param array<string, array<string, list<array{id: string, interval: FailureInterval}>>> $layers by product and
     *     zone, then vehicle
     */
    private function __construct(private readonly array $layers) {}

    /**
     * @param list<string> $productIds
     */
    public static function forProducts(array $productIds): self
    {
        $layers = [];
        $rows = DB::table('layers')
            ->whereIn('product_id', $productIds)
            ->where(static fn($query) => $query->whereNotNull('held')->orWhereNotNull('failed'))
            ->orderBy('id')
            ->get(['id', 'product_id', 'zone', 'vehicle_id', 'held', 'failed']);
        foreach ($rows as $row) {
            $layers[$row->product_id . ' ' . $row->zone][$row->vehicle_id][] = [
                'id' => $row->id,
                'interval' => FailureInterval::of(
                    (float) ($row->held ?? 0.0),
                    $row->failed === null ? null : (float) $row->failed,
                ),
            ];
        }

        return new self($layers);
    }

    /**
     * What such a layer may live, by its label, the same product on other vehicles, and this vehicle's other layers of it.
     *
     * @param array{float, float} $label  weeks
     * @return array{LearntForecast, int, int} as it is when it goes on; of how many layers of this vehicle, and of others
     */
    public function about(Layer $layer, array $label): array
    {
        $key = $layer->product_id . ' ' . $layer->zone;
        $modelKey = $key . ' ' . implode('-', $label);
        $vehicles = $layer->product_id === null ? [] : $this->layers[$key] ?? [];
        $known = $vehicles[$layer->vehicle_id] ?? [];
        $mine = array_values(array_filter($known, static fn(array $one): bool => $one['id'] !== $layer->id));
        if (!isset($this->models[$modelKey])) {
            [$this->models[$modelKey], $this->pools[$modelKey]] = $this->pool($modelKey, $label, $vehicles);
        }
        [$model, $pool] = [$this->models[$modelKey], $this->pools[$modelKey] ?? null];
        $layers = array_sum(array_map(count(...), $vehicles));
        if ($known === [] || $pool === null) {
            return [
                ($this->common[$modelKey] ??= $pool === null ? $this->byLabel($label) : $model->forecast($pool, null)),
                0,
                $layers,
            ];
        }
        $others = $layers - count($known);
        $all = $this->seen($modelKey, $model, self::pairs($known));

        return [
            $model->forecast(
                $others === 0 ? null : $pool->without($all),
                match (true) {
                    $mine === [] => null,
                    count($mine) === count($known) => $all,
                    default => $this->seen($modelKey, $model, self::pairs($mine)),
                },
            ),
            count($mine),
            $others,
        ];
    }

    /**
     * What all vehicles say of a product together: kept on this machine, and mended where a vehicle says something else by now.
     *
     * @param array{float, float} $label
     * @param array<string, list<array{id: string, interval: FailureInterval}>> $vehicles
     * @return array{LearntLife, PooledSeen|null}
     */
    private function pool(string $key, array $label, array $vehicles): array
    {
        $say = array_map(self::pairs(...), $vehicles);
        $store = self::store();
        /** @var array{say: array<string, list<array{float, float|null}>>, ways: list<int>, layers: int, pool: string, mended: int}|null $kept */
        $kept = $store->get("evidence {$key}");
        $pool = $kept === null ? null : PooledSeen::kept($kept['layers'], $kept['ways'], $kept['pool']);
        if ($kept !== null && $pool !== null && $kept['mended'] < self::MENDED) {
            $changed = array_filter(
                array_keys($say + $kept['say']),
                static fn(string $id): bool => ($say[$id] ?? null) !== ($kept['say'][$id] ?? null),
            );
            $model = new LearntLife($label[0], $label[1], $kept['ways']);
            if ($changed === []) {
                return [$model, $pool];
            }
            if (count($changed) <= max(1.0, self::CHANGED * count($say))) {
                foreach ($changed as $id) {
                    $pool = isset($kept['say'][$id])
                        ? $pool->without($model->vehicle(self::of($kept['say'][$id])))
                        : $pool;
                    $pool = isset($say[$id]) ? $pool->with($this->seen($key, $model, $say[$id])) : $pool;
                }
                $store->put(
                    "evidence {$key}",
                    [
                        'say' => $say,
                        'ways' => $kept['ways'],
                        'layers' => $pool->layers,
                        'pool' => $pool->packed(),
                        'mended' => $kept['mended'] + 1,
                    ],
                    self::KEPT_S,
                );

                return [$model, $pool];
            }
        }
        $told = array_map(self::of(...), array_values($say));
        $model = (new LearntLife(...$label))->fittedTo($told);
        $pool = PooledSeen::of(array_map($model->vehicle(...), $told));
        if ($pool !== null) {
            $store->put(
                "evidence {$key}",
                [
                    'say' => $say,
                    'ways' => $model->ways,
                    'layers' => $pool->layers,
                    'pool' => $pool->packed(),
                    'mended' => 0,
                ],
                self::KEPT_S,
            );
        }

        return [$model, $pool];
    }

    /**
     * What is said of layers of which nobody has read anything: the same of all with that label, kept on this machine.
     *
     * @param array{float, float} $label
     */
    private function byLabel(array $label): LearntForecast
    {
        $key = 'evidence label ' . implode('-', $label);
        $kept = self::store()->get($key);
        if (!($kept instanceof LearntForecast)) {
            $kept = (new LearntLife(...$label))->forecast(null, null);
            self::store()->put($key, $kept, self::KEPT_S);
        }

        return $kept;
    }

    /**
     * @param list<array{float, float|null}> $pairs
     */
    private function seen(string $modelKey, LearntLife $model, array $pairs): VehicleSeen
    {
        $key = $modelKey . serialize($pairs);
        if (!isset($this->seen[$key])) {
            // Each is some hundred kilobytes: what was just asked is asked again, the rest of a large fleet is not.
            $this->seen = array_slice($this->seen, -self::SEEN, preserve_keys: true);
            $this->seen[$key] = $model->vehicle(self::of($pairs));
        }

        return $this->seen[$key];
    }

    private static function store(): Repository
    {
        return Cache::store(config('cache.limiter') === 'apc' ? 'apc' : 'array');
    }

    /**
     * @param list<array{float, float|null}> $pairs
     * @return list<Seen>
     */
    private static function of(array $pairs): array
    {
        return array_map(static fn(array $pair): Seen => Seen::interval(FailureInterval::of(...$pair)), $pairs);
    }

    /**
     * @param list<array{id: string, interval: FailureInterval}> $layers
     * @return list<array{float, float|null}>
     */
    private static function pairs(array $layers): array
    {
        return array_map(static fn(array $one): array => [$one['interval']->held, $one['interval']->failed], $layers);
    }
}
