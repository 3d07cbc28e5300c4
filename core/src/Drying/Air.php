<?php

declare(strict_types=1);

namespace Vicissa\Core\Drying;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

/** The weather at the panel. */
final readonly class Air
{
    private const GAS_CONSTANT_OF_VAPOUR = 461.5;

    /**
     * @param float $airC    °C
     * @param float $rh      relative humidity, 0 to 1
     * @param float $windMS  m/s
     * @param float $sunWM2  sun on the panel, W/m²
     * @param float|null $cloud  cover of the sky, 0 to 1; null where nobody says
     *
     * @throws InvalidInput
     */
    public function __construct(
        public float $airC,
        public float $rh,
        public float $windMS,
        public float $sunWM2,
        public ?float $cloud = null,
    ) {
        InvalidInput::unlessBetween('air_c', $airC, -40, 60, '°C');
        if (!is_finite($rh) || $rh < 0.0 || $rh > 1.0) {
            throw InvalidInput::at('rh', $rh > 1.5 ? Said::of('fault.humidity-share') : Said::of('fault.humidity'));
        }
        InvalidInput::unlessBetween('wind_m_s', $windMS, 0, 60, 'm/s');
        InvalidInput::unlessBetween('sun_w_m2', $sunWM2, 0, 1400, 'W/m²');
        InvalidInput::unlessBetween('cloud', $cloud ?? 0.0, 0, 1);
    }

    /** Saturation pressure over water in Pa (Magnus form; Alduchov & Eskridge 1996). */
    public static function saturationPa(float $c): float
    {
        return 610.94 * exp((17.625 * $c) / ($c + 243.04));
    }

    /** Density of saturated vapour in kg/m³. */
    public static function vapourKgM3(float $c): float
    {
        return self::saturationPa($c) / (self::GAS_CONSTANT_OF_VAPOUR * ($c + 273.15));
    }

    /** Convective heat transfer over a flat surface in W/m²K (McAdams). */
    public function convection(): float
    {
        return $this->windMS <= 5.0 ? 5.7 + 3.8 * $this->windMS : 6.47 * $this->windMS ** 0.78;
    }

    /** The same air with less sun: under a roof, behind a hedge. */
    public function shaded(float $shareOfSun): self
    {
        return new self($this->airC, $this->rh, $this->windMS, $this->sunWM2 * $shareOfSun, $this->cloud);
    }
}
