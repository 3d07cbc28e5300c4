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
        $ids = array_keys($took + $had);
        // Always in one order: two turns that use the same products would else wait for each other.
        sort($ids);
        foreach ($ids as $id) {
            $ml = round(($had[$id] ?? 0.0) - ($took[$id] ?? 0.0), 1);
            if ($ml !== 0.0) {
                $this->move($id, 'use', $ml, $entry->worked_at, [
                    'turn_id' => $turn->id,
                    'written_by' => $entry->written_by,
                ]);
            }
        }
    }

    /** @param array{batch?: string|null, expires_on?: string|null, note?: string|null} $facts */
    public function bought(Product $product, float $ml, CarbonImmutable $at, ?string $by, array $facts = []): void
    {
        $this->move($product->id, 'buy', $ml, $at, [...$facts, 'written_by' => $by]);
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
        $this->move($product->id, $kind, -$ml, $at, ['note' => $note, 'written_by' => $by]);
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
            $this->move($product->id, 'count', round($found - $book, 1), $at, [
                'counted_ml' => $found,
                'note' => $note,
                'written_by' => $by,
            ]);
        });
    }

    /** @param array<string, mixed> $facts */
    private function move(string $productId, string $kind, float $ml, CarbonImmutable $at, array $facts): void
    {
        // Added where it lies: two people at once both count. A bottle can't hold less than nothing: what was taken
        // beyond that is kept apart, and what a correction gives back is first taken from there.
        $back = $kind === 'use' && $ml > 0.0 ? sprintf('least(short_ml, %F)', $ml) : '0';
        Product::query()
            ->whereKey($productId)
            ->update([
                'stock_ml' => DB::raw(sprintf('greatest(0, least(stock_ml + (%F) - %s, 10000000))', $ml, $back)),
                'short_ml' =>
                    $kind === 'count'
                        ? 0
                        : DB::raw(
                            sprintf('least(short_ml + greatest(0, -(stock_ml + (%F))) - %s, 10000000)', $ml, $back),
                        ),
                'version' => DB::raw('version + 1'),
            ]);
        StockMove::query()->create(['product_id' => $productId, 'kind' => $kind, 'ml' => $ml, 'at' => $at, ...$facts]);
    }

    /** @return array<string, float> ml by product id */
    private static function quantities(TurnEntry $entry): array
    {
        $sum = [];
        foreach ($entry->products()->get() as $use) {
            $sum[$use->product_id] = ($sum[$use->product_id] ?? 0.0) + (float) $use->quantity_ml;
        }

        return $sum;
    }
}
