<?php

declare(strict_types=1);

namespace Vicissa\Core\Textiles;

use Vicissa\Core\InvalidInput;

/** How many towel sides carry the dirt of an area away, each side used once (domain, model "towels"). */
final readonly class TowelCount
{
    private function __construct(public int $sides, public int $towels) {}

    /**
     * @param float $areaM2        area to wipe, m²
     * @param int $soil            0 to 5
     * @param int $sidesPerTowel   8 for a towel folded twice, 4 folded once
     *
     * @throws InvalidInput
     */
    public static function of(
        float $areaM2,
        int $soil,
        bool $prerinsed,
        int $sidesPerTowel,
        WipeFactors $factors = new WipeFactors(),
    ): self {
        InvalidInput::unlessBetween('area_m2', $areaM2, 0.01, 2000, 'm²');
        InvalidInput::unlessBetween('sides_per_towel', $sidesPerTowel, 1, 64);
        $perSide = $factors->m2PerSide($soil, $prerinsed);
        // A hair under, so that 12 m² at 1.2 m² a side is ten sides and not eleven.
        $sides = max(1, (int) ceil($areaM2 / $perSide - 1e-9));

        return new self($sides, (int) ceil($sides / $sidesPerTowel));
    }
}
