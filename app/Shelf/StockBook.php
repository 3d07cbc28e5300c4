<?php

declare(strict_types=1);

namespace App\Shelf;

use Carbon\CarbonImmutable;
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

    public function batches(Product $product): Batches
    {
        $moves = $this->moves[$product->id] ?? [];
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
                $moves,
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
