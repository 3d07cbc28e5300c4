<?php

declare(strict_types=1);

namespace App\Bench;

use App\Book\Layer;
use App\Book\Vehicle;
use App\Shelf\Product;
use App\Tenancy\Tenancy;
use Illuminate\Support\Collection;
use Vicissa\Core\Matching\Fit;
use Vicissa\Core\Matching\Leaves;
use Vicissa\Core\Matching\Purpose;
use Vicissa\Core\Matching\Remark;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Severity;
use Vicissa\Core\Matching\Turn\Reason;
use Vicissa\Core\Matching\Water;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Family;

/** The shelf as it stands for one vehicle now: by role, best first, then what was ruled out and why. */
final readonly class RankShelf
{
    public function __construct(private JudgeProduct $judgeProduct, private Tenancy $tenancy) {}

    /**
     * @param array{panel_c?: float|null, water?: Water, purpose?: Purpose} $now
     * @return list<array{role: string, zone: string, layer: string, products: list<Told<'ShelfProduct'>>}>
     */
    public function __invoke(Vehicle $vehicle, array $now, ?Zone $zone = null): array
    {
        $stack = Layer::query()
            ->where('vehicle_id', $vehicle->id)
            ->whereNull('ended_at')
            ->orderByRaw("kind = 'topper' desc")
            ->get();
        $products = Product::query()->whereNull('archived_at')->orderBy('name')->orderBy('id')->get()->groupBy('role');
        $shelf = [];
        foreach (Role::cases() as $role) {
            $where = $zone ?? $role->usualZone();
            $outermost = $stack->firstWhere('zone', $where->value);
            $base = $stack->where('zone', $where->value)->firstWhere('kind', 'base');
            $ranked = [];
            foreach ($products[$role->value] ?? [] as $product) {
                $ranked[] = $this->judged($product, $vehicle, $where, $stack, $outermost, $base, $now);
            }
            // Ruled out last; then by fit, cost of a use, and name.
            usort(
                $ranked,
                static fn(array $a, array $b): int => [$b['allowed'], $b['points'], $a['cost_minor'], $a['name']] <=> [
                    $a['allowed'],
                    $a['points'],
                    $b['cost_minor'],
                    $b['name'],
                ],
            );
            if ($ranked !== []) {
                $shelf[] = [
                    'role' => $role->value,
                    'zone' => $where->value,
                    'layer' => ($outermost?->family() ?? Family::Bare)->value,
                    'products' => $ranked,
                ];
            }
        }

        return $shelf;
    }

    /**
     * @param Collection<int, Layer> $stack
     * @param array{panel_c?: float|null, water?: Water, purpose?: Purpose} $now
     * @return Told<'ShelfProduct'>
     */
    private function judged(
        Product $product,
        Vehicle $vehicle,
        Zone $zone,
        Collection $stack,
        ?Layer $outermost,
        ?Layer $base,
        array $now,
    ): array {
        $verdict = ($this->judgeProduct)($product, $vehicle, $zone, $stack, $now);
        // The layer worth feeding is the one that is meant to last.
        $fed = $base ?? $outermost;
        $fit = Fit::of(
            $verdict,
            Leaves::from($product->leaves),
            $product->line,
            $fed?->family() ?? Family::Bare,
            $fed?->line,
        );

        $shine =
            $product->role === Role::Topper->value &&
            !$product->bottle()->protects($this->tenancy->workspace()->house()->match);

        return [
            'id' => $product->id,
            'name' => $product->name,
            'line' => $product->line,
            'allowed' => $verdict->allowed() && !$shine,
            'points' => $fit->points,
            'why' => $fit->why,
            'cost_minor' => round(
                $product->bottle()->costPerUse($vehicle->paint_m2, $this->tenancy->workspace()->house()->match) ?? 0.0,
                2,
            ),
            'remarks' => [
                ...$shine
                    ? [
                        [
                            'code' => Reason::ShowShine->value,
                            'severity' => Severity::Block->value,
                            'says' => Reason::ShowShine->says(),
                        ],
                    ]
                    : [],
                ...array_map(
                    static fn(Remark $remark): array => [
                        'code' => $remark->code->value,
                        'severity' => $remark->severity->value,
                        'says' => $remark->code->says(),
                    ],
                    $verdict->remarks,
                ),
            ],
            'cautions' => $product->cautions,
        ];
    }
}
