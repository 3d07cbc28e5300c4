<?php

declare(strict_types=1);

namespace App\Turns;

use App\Record\Turn;
use App\Record\TurnEntry;
use App\Shelf\Product;
use App\Shelf\StockMove;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Stock as movements: what a turn took, what a correction of it gives back, what came in, went bad, was mixed ahead,
 * was counted.
 */
final readonly class MoveStock
{
    /** @param TurnEntry|null $before  the entry that counted until now */
    public function used(Turn $turn, ?TurnEntry $before, TurnEntry $entry): void
    {
        $took = self::quantities($entry);
        $had = $before === null ? [] : self::quantities($before);
        $ml = [];
        foreach (array_keys($took + $had) as $id) {
            $ml[$id] = round(($had[$id] ?? 0.0) - ($took[$id] ?? 0.0), 1);
        }
        $this->move(array_filter($ml, static fn(float $one): bool => $one !== 0.0), 'use', $entry->worked_at, [
            'turn_id' => $turn->id,
            'written_by' => $entry->written_by,
        ]);
    }

    /** @param array{batch?: string|null, expires_on?: string|null, note?: string|null} $facts */
    public function bought(Product $product, float $ml, CarbonImmutable $at, ?string $by, array $facts = []): void
    {
        $this->move([$product->id => $ml], 'buy', $at, [...$facts, 'written_by' => $by]);
    }

    /**
     * Gone bad, spilled, or mixed ahead into a bottle that stands ready.
     *
     * @param 'waste'|'mix' $kind
     */
    public function out(
        Product $product,
        string $kind,
        float $ml,
        CarbonImmutable $at,
        ?string $by,
        ?string $note = null,
    ): void {
        $this->move([$product->id => -$ml], $kind, $at, ['note' => $note, 'written_by' => $by]);
    }

    /** What was found on the shelf; the difference to what the book said is a movement of its own. */
    public function counted(
        Product $product,
        float $found,
        CarbonImmutable $at,
        ?string $by,
        ?string $note = null,
    ): void {
        DB::transaction(function () use ($product, $found, $at, $by, $note): void {
            $book = (float) Product::query()->whereKey($product->id)->lockForUpdate()->valueOrFail('stock_ml');
            $this->move([$product->id => round($found - $book, 1)], 'count', $at, [
                'counted_ml' => $found,
                'note' => $note,
                'written_by' => $by,
            ]);
        });
    }

    /**
     * @param array<string, float> $ml  by product id
     * @param array<string, mixed> $facts  the same of all
     */
    private function move(array $ml, string $kind, CarbonImmutable $at, array $facts): void
    {
        if ($ml === []) {
            return;
        }
        $ids = array_keys($ml);
        DB::transaction(static function () use ($ml, $ids, $kind, $at, $facts): void {
            if (count($ids) > 1) {
                // Always in one order: two turns that use the same products would else wait for each other. And no more
                // than the update itself locks: both have written uses already, which name these products.
                Product::query()->whereIn('id', $ids)->orderBy('id')->lock('for no key update')->pluck('id');
            }
            // Added where it lies: two people at once both count. A bottle can't hold less than nothing: what was taken
            // beyond that is kept apart, and what a correction gives back is first taken from there.
            $back = $kind === 'use' ? 'least(short_ml, greatest(0, moved.ml))' : '0';
            DB::table('products')
                ->joinSub(
                    DB::query()->fromRaw('unnest(?::uuid[], ?::float8[]) as moved (id, ml)', [
                        '{' . implode(',', $ids) . '}',
                        '{' . implode(',', $ml) . '}',
                    ]),
                    'moved',
                    'moved.id',
                    '=',
                    'products.id',
                )
                ->updateFrom([
                    'stock_ml' => DB::raw("greatest(0, least(stock_ml + moved.ml - {$back}, 10000000))"),
                    'short_ml' =>
                        $kind === 'count'
                            ? 0
                            : DB::raw("least(short_ml + greatest(0, -(stock_ml + moved.ml)) - {$back}, 10000000)"),
                    'version' => DB::raw('version + 1'),
                    'updated_at' => now(),
                ]);
            StockMove::insertAll(
                array_map(
                    static fn(string $id): array => [
                        'product_id' => $id,
                        'kind' => $kind,
                        'ml' => $ml[$id],
                        'at' => $at,
                        ...$facts,
                    ],
                    $ids,
                ),
            );
        });
    }

    /** @return array<string, float> ml by product id */
    private static function quantities(TurnEntry $entry): array
    {
        $sum = [];
        foreach ($entry->products as $use) {
            $sum[$use->product_id] = ($sum[$use->product_id] ?? 0.0) + (float) $use->quantity_ml;
        }

        return $sum;
    }
}
