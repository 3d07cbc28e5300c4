<?php

declare(strict_types=1);

namespace Vicissa\Core\Mix;

use Vicissa\Core\InvalidInput;

/** A lance nobody has calibrated: only the span within which lances lie, and never a number. */
final readonly class LanceRange
{
    /**
     * @param float $carryLow   a lance with its knob nearly shut on a strong washer
     * @param float $carryHigh  wide open on a weak one
     */
    public function __construct(public float $carryLow = 0.02, public float $carryHigh = 0.14) {}

    /**
     * Shares in the bottle that may give this strength at the panel; the upper one may be out of reach.
     *
     * @return array{low: float, high: float}
     *
     * @throws InvalidInput
     */
    public function bottleFor(float $targetShare): array
    {
        InvalidInput::unlessBetween('target_share', $targetShare, 1e-6, 1);

        return ['low' => $targetShare / $this->carryHigh, 'high' => $targetShare / $this->carryLow];
    }

    /**
     * What a bottle of this share may come to at the panel.
     *
     * @return array{low: float, high: float}
     *
     * @throws InvalidInput
     */
    public function panelFrom(float $bottleShare): array
    {
        InvalidInput::unlessBetween('bottle_share', $bottleShare, 1e-6, 1);

        return ['low' => $bottleShare * $this->carryLow, 'high' => $bottleShare * $this->carryHigh];
    }
}
