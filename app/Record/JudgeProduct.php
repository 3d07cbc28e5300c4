<?php

declare(strict_types=1);

namespace App\Record;

use App\Models\Layer;
use App\Models\Product;
use App\Models\Vehicle;
use App\Tenancy\Tenancy;
use Vicissa\Core\Matching\Circumstances;
use Vicissa\Core\Matching\Purpose;
use Vicissa\Core\Matching\Surface;
use Vicissa\Core\Matching\Verdict;
use Vicissa\Core\Matching\Water;
use Vicissa\Core\Matching\WheelFinish;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Family;

/** The core's verdict on a product of the shelf for one zone of a vehicle. */
final readonly class JudgeProduct
{
    public function __construct(private Tenancy $tenancy) {}

    /**
     * @param Layer|null $outermost  what lies outermost on the zone
     * @param array{panel_c?: float|null, working_s?: float|null, water?: Water, purpose?: Purpose} $now
     */
    public function __invoke(Product $product, Vehicle $vehicle, Zone $zone, ?Layer $outermost, array $now): Verdict
    {
        return Verdict::of(
            $product->traits(),
            new Surface($zone, $outermost?->family() ?? Family::Bare, $vehicle->finishes(), WheelFinish::from($vehicle->wheel_finish)),
            new Circumstances(
                panelC: $now['panel_c'] ?? null,
                workingS: $now['working_s'] ?? null,
                water: $now['water'] ?? Water::Tap,
                purpose: $now['purpose'] ?? Purpose::Maintain,
                bareFace: $this->tenancy->workspace()->bare_face,
                inStock: $product->stock_ml > 0.0,
            ),
        );
    }
}
