<?php

declare(strict_types=1);

namespace App\Film;

use App\Book\Layer;
use App\Book\Vehicle;
use App\Record\RebuildProtection;
use App\Record\TurnLog;
use App\Shelf\Product;
use App\Tenancy\Tenancy;
use Illuminate\Support\Facades\DB;

/** Writes down a layer that went on outside a recorded turn, corrects it, or takes it back. */
final readonly class DeclareLayer
{
    public function __construct(
        private Tenancy $tenancy,
        private RebuildProtection $rebuildProtection,
        private ForecastLayers $forecastLayers,
    ) {}

    /**
     * @param array<string, mixed> $facts  as validated by LayerRequest
     */
    public function __invoke(Vehicle $vehicle, array $facts): Layer
    {
        return DB::transaction(function () use ($vehicle, $facts): Layer {
            $layer = $this->fill(new Layer(['vehicle_id' => $vehicle->id]), $facts);
            $layer->save();
            $this->settle($vehicle);

            return Layer::query()->with('forecast')->findOrFail($layer->id);
        });
    }

    /** @param array<string, mixed> $facts */
    public function fill(Layer $layer, array $facts): Layer
    {
        if (isset($facts['on'])) {
            $layer->on_at = $this->tenancy->workspace()->noon($facts['on']);
        }
        $layer->fill(
            array_intersect_key(
                $facts,
                array_flip([
                    'zone',
                    'kind',
                    'family',
                    'product_id',
                    'name',
                    'line',
                    'designed',
                    'label_low_weeks',
                    'label_high_weeks',
                ]),
            ),
        );
        if (isset($facts['product_id'])) {
            $product = Product::query()->whereKey($facts['product_id'])->firstOrFail();
            $layer->fill([
                'name' => $facts['name'] ?? $product->name,
                'line' => $facts['line'] ?? $product->line,
                'label_low_weeks' => $facts['label_low_weeks'] ?? $product->label_low_weeks,
                'label_high_weeks' => $facts['label_high_weeks'] ?? $product->label_high_weeks,
            ]);
        }
        // A row never starts inside itself: its end is worked out afresh.
        $layer->ended_at = null;

        return $layer;
    }

    public function settle(Vehicle $vehicle): void
    {
        $vehicle->unsetRelation('standing');
        $log = TurnLog::of([$vehicle->id]);
        $products = ($this->rebuildProtection)($vehicle, $log);
        ($this->forecastLayers)([$vehicle->id], log: $log);
        if ($products !== []) {
            ReforecastProducts::dispatch($this->tenancy->workspace()->id, $products, $vehicle->id)->afterCommit();
        }
    }

    public function takeBack(Layer $layer, Vehicle $vehicle): void
    {
        DB::transaction(function () use ($layer, $vehicle): void {
            $layer->delete();
            $this->settle($vehicle);
        });
    }
}
