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
use Vicissa\Core\Matching\Remark;
use Vicissa\Core\Matching\Surface;
use Vicissa\Core\Matching\Turn\MatchedVehicle as MatchVehicle;
use Vicissa\Core\Matching\Turn\School;
use Vicissa\Core\Matching\Verdict;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Family;
use Vicissa\Core\Says\Said;

/**
 * Products against everything they may meet: the families of protection, and the vehicles of the book. Weather is left
 * aside.
 */
final readonly class JudgeShelf
{
    public function __construct(private Tenancy $tenancy) {}

    /**
     * Products × families.
     *
     * @return array{families: list<array{family: string, vehicles: int}>, products: list<array<string, mixed>>}
     */
    public function table(): array
    {
        $vehicles = $this->vehicles();
        $used = array_count_values(
            array_map(
                static fn(array $one): string => ($one['facts']->stack(Zone::Paint)->fed()->family ?? Family::Bare)
                    ->value,
                $vehicles,
            ),
        );

        return [
            'families' => array_map(
                static fn(Family $family): array => [
                    'family' => $family->value,
                    'vehicles' => $used[$family->value] ?? 0,
                ],
                Family::cases(),
            ),
            'products' => array_values(
                Product::query()
                    ->whereNull('archived_at')
                    ->orderBy('name')
                    ->orderBy('id')
                    ->get()
                    ->map(
                        fn(Product $product): array => [
                            'id' => $product->id,
                            'name' => $product->name,
                            'role' => $product->role,
                            'line' => $product->line,
                            'zone' => $this->zone($product)->value,
                            'cells' => $this->families($product),
                        ],
                    )
                    ->all(),
            ),
        ];
    }

    /**
     * One product, saved or not, against the families and every vehicle.
     *
     * @return array{zone: string, cells: list<array<string, mixed>>, fits: int, of: int, refused: list<array<string,
     *     mixed>>, warned: list<array<string, mixed>>}
     */
    public function preview(Product $product): array
    {
        $zone = $this->zone($product);
        $refused = $warned = [];
        $vehicles = $this->vehicles();
        foreach ($vehicles as ['row' => $vehicle, 'facts' => $facts]) {
            $bare = $vehicle->sidesIn($this->tenancy->workspace())->is(School::BareFace, 'refused');
            $verdict = Verdict::onAll($product->traits(), $facts->surfaces($zone), new Circumstances(bareFace: $bare));
            $row = ['vehicle_id' => $vehicle->id, 'name' => $vehicle->name, 'remarks' => $this->remarks($verdict)];
            if (!$verdict->allowed()) {
                $refused[] = $row;
            } elseif ($verdict->warnings() > 0) {
                $warned[] = $row;
            }
        }

        return [
            'zone' => $zone->value,
            'cells' => $this->families($product),
            'fits' => count($vehicles) - count($refused),
            'of' => count($vehicles),
            'refused' => $refused,
            'warned' => $warned,
        ];
    }

    /** @return list<array{family: string, allowed: bool, remarks: list<array{code: string, severity: string, says: Said}>}> */
    private function families(Product $product): array
    {
        $bare = $this->tenancy->workspace()->sides()->is(School::BareFace, 'refused');

        return array_map(function (Family $family) use ($product, $bare): array {
            $verdict = Verdict::of(
                $product->traits(),
                new Surface($this->zone($product), $family),
                new Circumstances(bareFace: $bare),
            );

            return [
                'family' => $family->value,
                'allowed' => $verdict->allowed(),
                'remarks' => $this->remarks($verdict),
            ];
        }, Family::cases());
    }

    /** Where it is used; a product that isn't made for its role's usual zone is judged where it is made for. */
    private function zone(Product $product): Zone
    {
        $traits = $product->traits();

        return in_array($traits->role->usualZone(), $traits->surfaces, true)
            ? $traits->role->usualZone()
            : $traits->surfaces[0] ?? $traits->role->usualZone();
    }

    /** @return list<array{row: Vehicle, facts: MatchVehicle}> */
    private function vehicles(): array
    {
        $layers = Layer::query()->whereNull('ended_at')->get()->groupBy('vehicle_id');

        return array_values(
            Vehicle::query()
                ->whereNull('archived_at')
                ->orderBy('name')
                ->orderBy('id')
                ->get()
                ->map(
                    static fn(Vehicle $vehicle): array => [
                        'row' => $vehicle,
                        'facts' => VehicleFacts::of($vehicle, $layers[$vehicle->id] ?? new Collection()),
                    ],
                )
                ->all(),
        );
    }

    /** @return list<array{code: string, severity: string, says: Said}> */
    private function remarks(Verdict $verdict): array
    {
        return array_map(
            static fn(Remark $remark): array => [
                'code' => $remark->code->value,
                'severity' => $remark->severity->value,
                'says' => $remark->code->says(),
            ],
            $verdict->remarks,
        );
    }
}
