<?php

declare(strict_types=1);

namespace Vicissa\Core\Drying;

use Vicissa\Core\InvalidInput;

/** A piece of bodywork: how much sun it takes in, how much heat it holds, how warm it is. */
final readonly class Panel
{
    /** Radiation added for heat only, W/m²K. */
    public const RADIATION = 6.0;

    private const RANGE_C = [-40.0, 120.0];

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
        InvalidInput::unlessBetween('panel_c', $c, self::RANGE_C[0], self::RANGE_C[1], '°C');
    }

    /**
     * Where a dry panel settles by the coefficients of model "window", °C: air + absorptance × sun ÷ (h + radiation). They are
     * those of a wet film in a breeze; what a dry panel does through a day {@see DryPanel} knows better.
     */
    public static function settlesAt(Air $air, float $absorptance): float
    {
        return $air->airC + ($absorptance * $air->sunWM2) / ($air->convection() + self::RADIATION);
    }

    /** The nearest temperature that a panel is reckoned at; what is beyond happens, but nobody washes then. */
    public static function within(float $c): float
    {
        return min(self::RANGE_C[1], max(self::RANGE_C[0], $c));
    }
}
