<?php

declare(strict_types=1);

namespace App\Film;

use App\Book\Vehicle;
use App\Record\RebuildProtection;
use App\Shelf\ProductChanged;
use App\Tenancy\Tenancy;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\DB;

/** What is written on a label bears on every layer that product made or wore: their vehicles are derived anew. */
final class RebuildForProduct implements ShouldQueue
{
    use Queueable;

    /** Facts of a product that the past is read by. */
    private const BEARS = ['name', 'line', 'ph', 'leaves', 'strips', 'label_low_weeks', 'label_high_weeks', 'family'];

    public int $tries = 3;

    public function __construct(private readonly string $workspaceId, private readonly string $productId) {}

    /** Queued where a change of the product asks for it. */
    public static function after(ProductChanged $changed): void
    {
        if (array_intersect($changed->facts, self::BEARS) !== []) {
            self::dispatch($changed->workspaceId, $changed->productId)->afterCommit();
        }
    }

    public function handle(Tenancy $tenancy, RebuildProtection $rebuildProtection, ForecastLayers $forecastLayers): void
    {
        $tenancy->within($this->workspaceId, function () use ($rebuildProtection, $forecastLayers): void {
            $vehicles = Vehicle::query()
                ->whereIn(
                    'id',
                    DB::table('turn_products as u')
                        ->join('turns as t', 't.current_entry_id', '=', 'u.entry_id')
                        ->where('u.product_id', $this->productId)
                        ->select('t.vehicle_id'),
                )
                ->orderBy('id')
                ->get();
            $products = [$this->productId];
            foreach ($vehicles as $vehicle) {
                $products = [...$products, ...$rebuildProtection($vehicle)];
            }
            /** @var list<string> $ids */
            $ids = $vehicles->modelKeys();
            $forecastLayers($ids, again: true);
            ReforecastProducts::dispatch($this->workspaceId, array_values(array_unique($products)))->afterCommit();
        });
    }
}
