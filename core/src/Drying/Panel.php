<?php

declare(strict_types=1);

namespace Vicissa\Core\Drying;

use Vicissa\Core\InvalidInput;

/** A piece of bodywork: how much sun it takes in, how much heat it holds, how warm it is. */
final readonly class Panel
{
    /** Radiation added for heat only, W/m²K. */
    public const RADIATION = 6.0;

    /**
     * @param float $absorptance  share of the sun taken in, 0 to 1 (Tone)
     * @param float $heatJM2K     heat held, J/m²K (steel 2700, aluminium 2430, fibreglass 5400)
     * @param float $c            temperature now, °C
     *
     * @throws InvalidInput
     */
    public function __construct(public float $absorptance, public float $heatJM2K, public float $c)
    {
        InvalidInput::unlessBetween('absorptance', $absorptance, 0, 1);
        InvalidInput::unlessBetween('panel_heat_j_m2k', $heatJM2K, 100, 100000, 'J/m²K');
        InvalidInput::unlessBetween('panel_c', $c, -40, 120, '°C');
    }

    /** Where a dry panel settles in this air and sun, °C: air + absorptance × sun ÷ (h + radiation). */
    public static function settlesAt(Air $air, float $absorptance): float
    {
        return $air->airC + ($absorptance * $air->sunWM2) / ($air->convection() + self::RADIATION);
    }
}
