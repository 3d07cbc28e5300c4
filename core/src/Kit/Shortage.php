<?php

declare(strict_types=1);

namespace Vicissa\Core\Kit;

use Vicissa\Core\InvalidInput;

/** What of one product goes into the van, and what has to be bought for it. Millilitres. */
final readonly class Shortage
{
    private function __construct(
        /** To be taken along: the dose and its margin. */
        public float $takeMl,
        /** What the stock lacks for that. */
        public float $missingMl,
        /** Packs to buy, so that what is left afterwards does not lie below the reorder level. */
        public int $packs,
        /** What to buy where no pack size is known. */
        public float $buyMl,
        public float $leftMl,
    ) {}

    /**
     * @param float $needMl       the doses of all turns together
     * @param float $margin       0.2 for a fifth more than the doses
     * @param float|null $packMl  null when the label says no size
     *
     * @throws InvalidInput
     */
    public static function of(
        float $needMl,
        float $stockMl,
        float $reorderMl = 0.0,
        ?float $packMl = null,
        float $margin = 0.2,
    ): self {
        InvalidInput::unlessBetween('need_ml', $needMl, 0, 1.0e7, 'ml');
        InvalidInput::unlessBetween('stock_ml', $stockMl, 0, 1.0e7, 'ml');
        InvalidInput::unlessBetween('reorder_ml', $reorderMl, 0, 1.0e7, 'ml');
        InvalidInput::unlessBetween('margin', $margin, 0, 5);
        if ($packMl !== null) {
            InvalidInput::unlessBetween('pack_ml', $packMl, 0.1, 1.0e7, 'ml');
        }
        $take = $needMl * (1.0 + $margin);
        // The margin mostly comes home again: what is left is counted without it.
        $left = $stockMl - $needMl;
        $buy = max(0.0, $take - $stockMl, $left < $reorderMl ? $reorderMl - $left : 0.0);
        $packs = $packMl === null || $buy <= 0.0 ? 0 : (int) ceil($buy / $packMl - 1e-9);

        return new self(
            $take,
            max(0.0, $take - $stockMl),
            $packs,
            $packs > 0 ? $packs * (float) $packMl : $buy,
            max(0.0, $left),
        );
    }
}
