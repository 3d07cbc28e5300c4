<?php

declare(strict_types=1);

namespace App\Film;

use App\Book\Layer;
use App\Tenancy\Tenancy;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** New evidence about a product moves the dates of every vehicle that carries it. */
final class ReforecastProducts implements ShouldQueue
{
    use Queueable;

    public int $tries = 3;

    /**
     * @param list<string> $productIds
     */
    public function __construct(
        private readonly string $workspaceId,
        private readonly array $productIds,
        private readonly ?string $exceptVehicleId = null,
    ) {}

    public function handle(Tenancy $tenancy, ForecastLayers $forecastLayers): void
    {
        $tenancy->within($this->workspaceId, function () use ($forecastLayers): void {
            /** @var list<string> $vehicles */
            $vehicles = Layer::query()
                ->whereIn('product_id', $this->productIds)
                ->whereNull('ended_at')
                ->when(
                    $this->exceptVehicleId !== null,
                    fn($query) => $query->where('vehicle_id', '!=', $this->exceptVehicleId),
                )
                ->distinct()
                ->orderBy('vehicle_id')
                ->pluck('vehicle_id')
                ->all();
            $forecastLayers($vehicles, past: false);
        });
    }
}
