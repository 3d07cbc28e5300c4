<?php

declare(strict_types=1);

namespace Vicissa\Core\Mix;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

/** How strong a mix is, and how the label was understood. */
final readonly class Dilution
{
    private function __construct(
        /** Product in the finished mix by volume, 0 < share ≤ 1. */
        public float $share,
        /** The reading said back. */
        public Said $readAs,
    ) {}

    /**
     * @throws InvalidDilution when there is no product in it, or more product than mix
     */
    public static function of(float $share, Said $readAs): self
    {
        if (!is_finite($share) || $share <= 0.0) {
            throw new InvalidDilution(Said::of('dilution.no-product'));
        }
        if ($share > 1.0) {
            throw new InvalidDilution(Said::of('dilution.more-than-mix'));
        }

        return new self($share, $readAs);
    }

    /**
     * @param float $product  product, any unit of volume
     * @param float $water    water, in the same unit
     */
    public static function ofParts(float $product, float $water, Said $readAs): self
    {
        if ($product <= 0.0) {
            throw new InvalidDilution(Said::of('dilution.no-product'));
        }
        if ($water < 0.0) {
            throw new InvalidDilution(Said::of('dilution.less-than-no-water'));
        }

        return self::of($product / ($product + $water), $readAs);
    }

    /**
     * What to pour for a container of this size.
     *
     * @return array{product_ml: float, water_ml: float}
     *
     * @throws InvalidInput when the container holds nothing or more than ten cubic metres
     */
    public function fill(float $fillMl): array
    {
        InvalidInput::unlessBetween('fill_ml', $fillMl, 0.1, 1e7, 'ml');
        $product = $this->share * $fillMl;

        return ['product_ml' => $product, 'water_ml' => $fillMl - $product];
    }
}
