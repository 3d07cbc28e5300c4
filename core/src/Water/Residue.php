<?php

declare(strict_types=1);

namespace Vicissa\Core\Water;

use Vicissa\Core\InvalidInput;

/** What water leaves when it dries where it stands (domain, model "spots"). */
final readonly class Residue
{
    private function __construct(
        /** mg/m² */
        public float $mgM2,
        public Spots $spots,
    ) {}

    /**
     * @param float $tdsMgL    dissolved solids, mg/l
     * @param float $filmKgM2  water that stays on the panel, kg/m²
     *
     * @throws InvalidInput
     */
    public static function of(
        float $tdsMgL,
        float $filmKgM2,
        bool $lightPaint,
        SpotThresholds $thresholds = new SpotThresholds(),
    ): self {
        InvalidInput::unlessBetween('tds_mg_l', $tdsMgL, 0, 50000, 'mg/l');
        InvalidInput::unlessBetween('film_kg_m2', $filmKgM2, 0, 2, 'kg/m²');
        // 1 kg of water is a litre.
        $mgM2 = $tdsMgL * $filmKgM2;
        $scale = $lightPaint ? $thresholds->lightPaint : 1.0;

        return new self(
            $mgM2,
            match (true) {
                $mgM2 <= $thresholds->none * $scale => Spots::None,
                $mgM2 <= $thresholds->faint * $scale => Spots::Faint,
                $mgM2 <= $thresholds->visible * $scale => Spots::Visible,
                default => Spots::Heavy,
            },
        );
    }
}
