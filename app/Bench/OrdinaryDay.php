<?php

declare(strict_types=1);

namespace App\Bench;

/**
 * The day by which visits are reckoned whose own day is far or unknown: mild, a little wind, some sun; as dirty as a
 * vehicle usually is.
 */
final class OrdinaryDay
{
    public const WEATHER = ['air_c' => 13.0, 'rh' => 0.7, 'wind_m_s' => 3.0, 'sun_w_m2' => 180.0, 'rain' => false];

    /** What a vehicle is taken to look like before anybody has washed it: road film. */
    public const SOIL = 2;
}
