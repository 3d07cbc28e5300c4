<?php

declare(strict_types=1);

namespace App\Bench;

use App\Book\Layer;
use App\Book\Vehicle;
use App\Record\VehicleFacts;
use App\Shelf\Product;
use App\Tenancy\Tenancy;
use Illuminate\Support\Collection;
use Vicissa\Core\Matching\Circumstances;
use Vicissa\Core\Matching\Purpose;
use Vicissa\Core\Matching\Turn\School;
use Vicissa\Core\Matching\Verdict;
use Vicissa\Core\Matching\Water;
use Vicissa\Core\Matching\Zone;

/** The core's verdict on a product of the shelf for one zone of a vehicle, with everything that lies there. */
final readonly class JudgeProduct
{
    public function __construct(private Tenancy $tenancy) {}

    /**
     * @param Collection<int, Layer> $layers  what lies on the vehicle
     * @param array{panel_c?: float|null, working_s?: float|null, water?: Water, purpose?: Purpose} $now
     */
    public function __invoke(Product $product, Vehicle $vehicle, Zone $zone, Collection $layers, array $now): Verdict
    {
        return Verdict::onAll(
            $product->traits(),
            VehicleFacts::of($vehicle, $layers)->surfaces($zone),
            new Circumstances(
                panelC: $now['panel_c'] ?? null,
                workingS: $now['working_s'] ?? null,
                water: $now['water'] ?? Water::Tap,
                purpose: $now['purpose'] ?? Purpose::Maintain,
                bareFace: $vehicle->sidesIn($this->tenancy->workspace())->is(School::BareFace, 'refused'),
                inStock: $product->stock_ml > 0.0,
            ),
        );
    }
}
