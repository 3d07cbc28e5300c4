<?php

declare(strict_types=1);

namespace Vicissa\Core\Water;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

/** A mixed bed: how many litres it still treats (domain §8, model "resin"). */
final readonly class Resin
{
    /** From this share left on it warns. */
    public const WARN_BELOW = 0.15;

    /**
     * @param float $litres         of resin
     * @param float $capacityGPerL  dissolved solids it takes up, g per litre of resin
     *
     * @throws InvalidInput
     */
    public function __construct(public float $litres, public float $capacityGPerL)
    {
        if (!is_finite($litres) || $litres <= 0.0 || $litres > 1000.0) {
            throw InvalidInput::at('resin_l', Said::of('fault.resin'));
        }
        InvalidInput::unlessBetween('capacity_g_per_l', $capacityGPerL, 0.1, 200, 'g/l');
    }

    /**
     * Litres until it is exhausted at this feed: litres × capacity × 1000 ÷ TDS into it.
     *
     * @param float $usedG  what it has already taken up, g
     *
     * @throws InvalidInput
     */
    public function litresLeft(float $tdsMgL, float $usedG = 0.0): float
    {
        if (!is_finite($tdsMgL) || $tdsMgL <= 0.0 || $tdsMgL > 50000.0) {
            throw InvalidInput::at('tds_mg_l', Said::of('fault.resin-feed'));
        }

        return (max(0.0, $this->litres * $this->capacityGPerL - $usedG) * 1000.0) / $tdsMgL;
    }

    /** Share of its capacity that is left. */
    public function shareLeft(float $usedG): float
    {
        return max(0.0, 1.0 - $usedG / ($this->litres * $this->capacityGPerL));
    }

    public function warns(float $usedG): bool
    {
        return $this->shareLeft($usedG) <= self::WARN_BELOW + 1e-9;
    }
}
