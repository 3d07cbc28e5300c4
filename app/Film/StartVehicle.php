<?php

declare(strict_types=1);

namespace App\Film;

use App\Book\Layer;
use App\Book\Vehicle;
use App\Shelf\Product;
use App\Tenancy\Tenancy;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Matching\Body;
use Vicissa\Core\Protection\Family;

/**
 * Three answers, one due date: what vehicle, what is on it, since when. Everything else has a default to change later.
 */
final readonly class StartVehicle
{
    public function __construct(
        private Tenancy $tenancy,
        private ClockInterface $clock,
        private ForecastLayers $forecastLayers,
    ) {}

    /**
     * @param array{id?: string, name: string, body: string, tone?: string, finish?: list<string>, hardness?: string,
     *     family: string, product_id?: string|null, layer_name?: string|null, since?: string|null} $answers
     */
    public function __invoke(array $answers): Vehicle
    {
        return DB::transaction(function () use ($answers): Vehicle {
            $vehicle = Vehicle::query()->create([
                ...array_intersect_key($answers, array_flip(['id', 'name', 'body', 'tone', 'finish', 'hardness'])),
                'paint_m2' => Body::from($answers['body'])->paintM2(),
                'salt_months' => $this->tenancy->workspace()->salt_months,
                'base_unknown' => $answers['family'] === 'unknown',
            ]);
            $family = Family::tryFrom($answers['family']);
            if ($family !== null && $family !== Family::Bare) {
                $this->layer($vehicle, $family, $answers);
                ($this->forecastLayers)([$vehicle->id]);
            }

            return $vehicle;
        });
    }

    /** @param array{product_id?: string|null, layer_name?: string|null, since?: string|null, ...} $answers */
    private function layer(Vehicle $vehicle, Family $family, array $answers): void
    {
        $product = isset($answers['product_id']) ? Product::query()->find($answers['product_id']) : null;
        $label =
            $product?->label_low_weeks !== null && $product->label_high_weeks !== null
                ? [$product->label_low_weeks, $product->label_high_weeks]
                : $family->typicalLabelWeeks() ?? [4.0, 10.0];
        $workspace = $this->tenancy->workspace();
        // Not known since when: somewhere in the middle of such a layer's life is the least wrong.
        $onAt = isset($answers['since'])
            ? $workspace->noon($answers['since'])
            : CarbonImmutable::instance($this->clock->now())->subDays(
                (int) round(7 * 0.4 * sqrt($label[0] * $label[1])),
            );
        Layer::query()->create([
            'vehicle_id' => $vehicle->id,
            'zone' => 'paint',
            'kind' => 'base',
            'family' => $family->value,
            'product_id' => $product?->id,
            'name' => $product->name ?? ($answers['layer_name'] ?? null),
            'line' => $product?->line,
            'label_low_weeks' => $label[0],
            'label_high_weeks' => $label[1],
            'on_at' => $onAt,
        ]);
    }
}
