<?php

declare(strict_types=1);

namespace App\Film;

use App\Book\Layer;
use Illuminate\Support\Facades\DB;
use Vicissa\Core\Protection\Life\FailureInterval;
use Vicissa\Core\Protection\Life\LifeModel;

/** Every layer of some products, as evidence. Each vehicle's part is reckoned once and shared by all forecasts. */
final class EvidenceBook
{
    /** @var array<string, LifeModel> */
    private array $models = [];

    /** @var array<string, array{sum: list<float>, each: array<string, list<float>>, layers: int}> */
    private array $curves = [];

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
     * @param array{float, float} $label  weeks
     * @return array{LifeModel, Evidence, list<FailureInterval>} model, what other vehicles tell, this vehicle's earlier
     *     layers
     */
    public function about(Layer $layer, array $label): array
    {
        $key = $layer->product_id . ' ' . $layer->zone;
        $modelKey = $key . ' ' . implode('-', $label);
        $model = $this->models[$modelKey] ??= new LifeModel(...$label);
        $mine = array_values(
            array_filter(
                $this->layers[$key][$layer->vehicle_id] ?? [],
                static fn(array $known): bool => $known['id'] !== $layer->id,
            ),
        );
        if ($layer->product_id === null || !isset($this->layers[$key])) {
            return [$model, new Evidence([], 0), array_column($mine, 'interval')];
        }
        $curves = $this->curves[$modelKey] ??= $this->curves($model, $this->layers[$key]);
        $own = $curves['each'][$layer->vehicle_id] ?? null;
        $others =
            $own === null
                ? $curves['sum']
                : array_map(static fn(float $all, float $one): float => $all - $one, $curves['sum'], $own);

        return [
            $model,
            new Evidence($others, $curves['layers'] - count($this->layers[$key][$layer->vehicle_id] ?? [])),
            array_column($mine, 'interval'),
        ];
    }

    /**
     * @param array<string, list<array{id: string, interval: FailureInterval}>> $vehicles
     * @return array{sum: list<float>, each: array<string, list<float>>, layers: int}
     */
    private function curves(LifeModel $model, array $vehicles): array
    {
        $each = array_map(
            static fn(array $layers): array => $model->vehicleEvidence(array_column($layers, 'interval')),
            $vehicles,
        );
        return [
            'sum' => LifeModel::together(array_values($each)),
            'each' => $each,
            'layers' => array_sum(array_map(count(...), $vehicles)),
        ];
    }
}
