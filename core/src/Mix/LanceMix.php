<?php

declare(strict_types=1);

namespace Vicissa\Core\Mix;

/** What is in a lance's bottle, and what of it reaches the panel. */
final readonly class LanceMix
{
    public function __construct(
        /** Product ÷ mix in the bottle; above 1 it can't be had. */
        public float $bottleShare,
        /** Product in what lands on the panel. */
        public float $panelShare,
    ) {}

    public function reachable(): bool
    {
        return $this->bottleShare <= 1.0;
    }

    /** @return array{product_ml: float, water_ml: float}|null null when it can't be had */
    public function fill(float $ml): ?array
    {
        return $this->reachable()
            ? ['product_ml' => $ml * $this->bottleShare, 'water_ml' => $ml - $ml * $this->bottleShare]
            : null;
    }
}
