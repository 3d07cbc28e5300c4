<?php

declare(strict_types=1);

namespace App\Film;

use App\Book\Vehicle;
use App\Record\RebuildProtection;
use App\Tenancy\Tenancy;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Layers age by other numbers: what every reading says of them, and every date, is derived anew. */
final class RebuildWorkspace implements ShouldQueue
{
    use Queueable;

    public int $tries = 3;

    public int $timeout = 600;

    public function __construct(private readonly string $workspaceId) {}

    public function handle(Tenancy $tenancy, RebuildProtection $rebuildProtection, ForecastLayers $forecastLayers): void
    {
        $tenancy->within($this->workspaceId, static function () use ($rebuildProtection, $forecastLayers): void {
            $vehicles = Vehicle::query()->orderBy('id')->get();
            foreach ($vehicles as $vehicle) {
                $rebuildProtection($vehicle);
            }
            /** @var list<string> $ids */
            $ids = $vehicles->whereNull('archived_at')->modelKeys();
            $forecastLayers(array_values($ids), again: true);
        });
    }
}
