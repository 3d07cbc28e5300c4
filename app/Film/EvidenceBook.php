<?php

declare(strict_types=1);

namespace App\Film;

use App\Book\Layer;
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

    /** @var array<string, array{pool: PooledSeen|null, each: array<string, VehicleSeen>, layers: int}> */
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
        $model = $this->models[$modelKey] ??= (new LearntLife(...$label))->fittedTo(
            array_values(array_map(self::told(...), $vehicles)),
        );
        $known = $vehicles[$layer->vehicle_id] ?? [];
        $mine = array_values(array_filter($known, static fn(array $one): bool => $one['id'] !== $layer->id));
        $seen = $this->seen[$modelKey] ??= self::seen($model, $vehicles);
        $own = $seen['each'][$layer->vehicle_id] ?? null;
        if ($own === null || $seen['pool'] === null) {
            return [($this->common[$modelKey] ??= $model->forecast($seen['pool'], null)), 0, $seen['layers']];
        }
        $others = $seen['layers'] - count($known);

        return [
            $model->forecast(
                $others === 0 ? null : $seen['pool']->without($own),
                match (true) {
                    $mine === [] => null,
                    count($mine) === count($known) => $own,
                    default => $model->vehicle(self::told($mine)),
                },
            ),
            count($mine),
            $others,
        ];
    }

    /**
     * @param array<string, list<array{id: string, interval: FailureInterval}>> $vehicles
     * @return array{pool: PooledSeen|null, each: array<string, VehicleSeen>, layers: int}
     */
    private static function seen(LearntLife $model, array $vehicles): array
    {
        $each = array_map(static fn(array $layers): VehicleSeen => $model->vehicle(self::told($layers)), $vehicles);

        return [
            'pool' => PooledSeen::of(array_values($each)),
            'each' => $each,
            'layers' => array_sum(array_map(count(...), $vehicles)),
        ];
    }

    /**
     * @param list<array{id: string, interval: FailureInterval}> $layers
     * @return list<Seen>
     */
    private static function told(array $layers): array
    {
        return array_map(static fn(array $one): Seen => Seen::interval($one['interval']), $layers);
    }
}
