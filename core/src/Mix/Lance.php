<?php

declare(strict_types=1);

namespace Vicissa\Core\Mix;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

/** A foam lance, calibrated with plain water: how much of its bottle reaches the panel (domain, model "lance"). */
final readonly class Lance
{
    private function __construct(
        public float $washerLMin,
        public float $bottleMl,
        /** Out of the bottle, l/min. */
        public float $drawLMin,
        /** Share of the bottle's mix in what lands on the panel. */
        public float $carry,
    ) {}

    /**
     * @param float $washerLMin  the washer with the lance on it, l/min, measured with a bucket
     * @param float $bottleMl    plain water in the bottle, ml
     * @param float $emptiesS    seconds until it was empty
     *
     * @throws InvalidInput
     */
    public static function calibrated(float $washerLMin, float $bottleMl, float $emptiesS): self
    {
        self::positive('washer_l_min', $washerLMin, 60.0, Said::of('lance.washer'));
        self::positive('bottle_ml', $bottleMl, 10000.0, Said::of('lance.bottle'));
        self::positive('empties_s', $emptiesS, 3600.0, Said::of('lance.time'));
        $draw = $bottleMl / 1000.0 / ($emptiesS / 60.0);
        if ($draw > 2.0 * $washerLMin) {
            throw InvalidInput::at('empties_s', Said::of('lance.too-much', draw: $draw, washer: $washerLMin));
        }

        return new self($washerLMin, $bottleMl, $draw, $draw / ($washerLMin + $draw));
    }

    /**
     * The mix in the bottle for a strength at the panel. Above 1 it can't be had: open the knob, or use a pump sprayer.
     *
     * @throws InvalidInput
     */
    public function forPanel(float $targetShare): LanceMix
    {
        InvalidInput::unlessBetween('target_share', $targetShare, 1e-6, 1);

        return new LanceMix($targetShare / $this->carry, $targetShare);
    }

    /** @throws InvalidInput */
    public function forBottle(float $bottleShare): LanceMix
    {
        InvalidInput::unlessBetween('bottle_share', $bottleShare, 1e-6, 1);

        return new LanceMix($bottleShare, $bottleShare * $this->carry);
    }

    private static function positive(string $field, float $value, float $most, Said $says): void
    {
        if (is_finite($value) && $value > 0.0 && $value <= $most) {
            return;
        }
        throw InvalidInput::at($field, $says);
    }
}
