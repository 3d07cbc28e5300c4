<?php

declare(strict_types=1);

namespace App\Shelf;

use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;
use Vicissa\Core\Kit\Batches;

/** The movements of some products, and what follows from them: what is left of which batch, what a count explains. */
final readonly class StockBook
{
    /**
     * @param array<string, list<stdClass>> $moves rows by product, in the order they happened: years of them, so they
     *     are no models
     */
    private function __construct(private array $moves) {}

    /** @param list<string> $productIds */
    public static function of(array $productIds): self
    {
        $moves = [];
        foreach (
            StockMove::query()
                ->whereIn('product_id', $productIds)
                ->orderBy('at')
                ->orderBy('id')
                ->toBase()
                ->get(['product_id', 'turn_id', 'kind', 'ml', 'counted_ml', 'batch', 'expires_on', 'note', 'at'])
            as $move
        ) {
            $moves[(string) $move->product_id][] = $move;
        }

        return new self($moves);
    }

    /**
     * What is left of which batch, of those products whose batches anybody has written down. What went out between two
     * that came in is read as one: it leaves the same.
     *
     * @param Collection<string, Product> $products  by id
     * @return array<string, Batches>
     */
    public static function batchesOf(Collection $products): array
    {
        $rows = DB::query()
            ->fromSub(
                StockMove::query()
                    ->whereIn('product_id', $products->keys()->all())
                    ->select(['product_id', 'ml', 'batch', 'expires_on'])
                    ->selectRaw(
                        'count(*) filter (where ml > 0) over (partition by product_id order by at, id) as came',
                    ),
                'moves',
            )
            ->groupBy('product_id', 'came')
            ->groupByRaw('ml > 0')
            ->orderBy('came')
            ->orderByRaw('ml > 0 desc')
            ->get([
                'product_id',
                DB::raw('sum(ml) as ml'),
                DB::raw('max(batch) as batch'),
                DB::raw('max(expires_on) as expires_on'),
            ])
            ->groupBy('product_id');
        $batches = [];
        foreach ($rows as $id => $moves) {
            $product = $products->get((string) $id);
            if ($product !== null && $moves->whereNotNull('batch')->isNotEmpty()) {
                $batches[$product->id] = self::left($product, $moves->all());
            }
        }

        return $batches;
    }

    public function batches(Product $product): Batches
    {
        return self::left($product, $this->moves[$product->id] ?? []);
    }

    /** @param array<int, stdClass> $moves */
    private static function left(Product $product, array $moves): Batches
    {
        // What stood there before anybody wrote movements down is a batch nobody knows.
        $before =
            $product->stock_ml - array_sum(array_map(static fn(stdClass $move): float => (float) $move->ml, $moves));

        return Batches::of([
            ...$before > 0.05 ? [['ml' => $before, 'batch' => null, 'expires' => null]] : [],
            ...array_map(
                static fn(stdClass $move): array => [
                    'ml' => (float) $move->ml,
                    'batch' => $move->batch === null ? null : (string) $move->batch,
                    'expires' => $move->expires_on === null ? null : (string) $move->expires_on,
                ],
                array_values($moves),
            ),
        ]);
    }

    /**
     * What stands between one count and the one before: what came, what went, what is unexplained.
     *
     * @return list<array{at: CarbonImmutable, counted_ml: float, since: CarbonImmutable|null, bought_ml: float,
     *     used_ml: float, turns: int, other_ml: float, difference_ml: float, note: string|null}>
     */
    public function counts(Product $product): array
    {
        $counts = [];
        $sums = ['buy' => 0.0, 'use' => 0.0, 'other' => 0.0];
        $turns = [];
        $since = null;
        foreach ($this->moves[$product->id] ?? [] as $move) {
            if ($move->kind === 'count') {
                $at = CarbonImmutable::parse((string) $move->at);
                $counts[] = [
                    'at' => $at,
                    'counted_ml' => (float) $move->counted_ml,
                    'since' => $since,
                    'bought_ml' => $sums['buy'],
                    'used_ml' => -$sums['use'],
                    'turns' => count($turns),
                    'other_ml' => -$sums['other'],
                    'difference_ml' => (float) $move->ml,
                    'note' => $move->note === null ? null : (string) $move->note,
                ];
                [$sums, $turns, $since] = [['buy' => 0.0, 'use' => 0.0, 'other' => 0.0], [], $at];

                continue;
            }
            $sums[$move->kind === 'buy' || $move->kind === 'use' ? $move->kind : 'other'] += (float) $move->ml;
            if ($move->turn_id !== null) {
                $turns[(string) $move->turn_id] = true;
            }
        }

        return array_reverse($counts);
    }
}
