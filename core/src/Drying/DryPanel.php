<?php

declare(strict_types=1);

namespace Vicissa\Core\Drying;

use Vicissa\Core\InvalidInput;

/**
 * Where a dry panel settles: the temperature at which sun taken in, heat radiated to sky and ground, heat carried off by wind
 * and by its own rising air, and what passes through its underside add up to nothing.
 *
 * Convection: forced over a plate, laminar to Re 5·10⁵ and mixed beyond (Incropera & DeWitt, Fundamentals of Heat and Mass
 * Transfer, eqs. 7.30 and 7.38); free over a level plate (Lloyd & Moran 1974 upward, McAdams 1954 downward) or along an upright
 * one (Churchill & Chu 1975); both together as the cube root of their cubes (Churchill 1977). Sky: emissivity by dew point
 * (Berdahl & Martin 1984), clouds closing what is open (Martin & Berdahl 1984). Air: Sutherland 1893.
 */
final readonly class DryPanel
{
    private const STEFAN_BOLTZMANN = 5.670374e-8;

    private const ZERO_C = 273.15;

    /** Of clear coat in the infrared. */
    private const EMISSIVITY = 0.92;

    /** Wind as told is measured above the ground; at a car it is less, and it meets some three feet of panel before it leaves. */
    private const LENGTH_M = 1.2;

    /** Area ÷ edge of a roof, and the height of a door. */
    private const LEVEL_M = 0.33;

    private const UPRIGHT_M = 0.8;

    /** An engine just stopped, above the air; and the minutes after which a third of that is left. */
    private const ENGINE_K = 55.0;

    private const ENGINE_COOLS_MIN = 45.0;

    /**
     * @param float $absorptance       share of the sun taken in
     * @param float|null $cloud        cover that is seen from here, 0 to 1; else the air's, or by the sun where nobody says
     * @param float|null $engineOffMin minutes since an engine right beneath was stopped; null for none
     *
     * @throws InvalidInput
     */
    public static function settlesAt(
        Air $air,
        float $absorptance,
        Lie $lie = Lie::Level,
        ?float $cloud = null,
        ?float $engineOffMin = null,
    ): float {
        InvalidInput::unlessBetween('absorptance', $absorptance, 0, 1);
        $cloud ??= $air->cloud ?? self::coverBy($air->sunWM2);
        InvalidInput::unlessBetween('cloud', $cloud, 0, 1);
        $engine = $air->airC;
        if ($engineOffMin !== null) {
            InvalidInput::unlessBetween('engine_off_min', $engineOffMin, 0, 100_000, 'min');
            $engine += self::ENGINE_K * exp(-$engineOffMin / self::ENGINE_COOLS_MIN);
        }
        $taken = $absorptance * $air->sunWM2;
        $sky = self::skyC($air, $cloud);
        // Warmer, it loses more: what is left over falls from the cold end to the hot one.
        [$low, $high] = [-120.0, 220.0];
        for ($i = 0; $i < 45; $i++) {
            $c = 0.5 * ($low + $high);
            self::surplus($c, $taken, $air, $sky, $engine, $lie) > 0.0 ? ($low = $c) : ($high = $c);
        }

        return 0.5 * ($low + $high);
    }

    /** Cover that goes with so much sun on the panel, as far as one can tell: little sun by day is a grey sky. */
    private static function coverBy(float $sunWM2): float
    {
        return min(0.9, max(0.1, 1.0 - $sunWM2 / 500.0));
    }

    /** What the sky radiates as, °C. */
    public static function skyC(Air $air, float $cloud): float
    {
        $log = log(max(0.01, $air->rh)) + (17.625 * $air->airC) / ($air->airC + 243.04);
        $dew = (243.04 * $log) / (17.625 - $log);
        $clear = min(1.0, 0.711 + 0.56 * ($dew / 100.0) + 0.73 * ($dew / 100.0) ** 2);
        $emissivity = $clear + (1.0 - $clear) * 0.9 * $cloud;

        return ($air->airC + self::ZERO_C) * $emissivity ** 0.25 - self::ZERO_C;
    }

    /** W/m² that warm it further at this temperature; below nought it cools. */
    private static function surplus(float $c, float $taken, Air $air, float $sky, float $engine, Lie $lie): float
    {
        $level = $lie === Lie::Level;
        $above = $level ? self::radiated($sky, $c) : 0.5 * (self::radiated($sky, $c) + self::radiated($air->airC, $c));

        return $taken +
            $above +
            // Liners and braces are as warm as the panel they hide: only what an engine has more than air comes from beneath.
            self::radiated($engine, $air->airC) +
            self::convection($c, $air, $level ? self::LEVEL_M : self::UPRIGHT_M, $level) * ($air->airC - $c) +
            self::free($c, $engine, $level ? self::LEVEL_M : self::UPRIGHT_M, $level ? -1 : 0) * ($engine - $c);
    }

    private static function radiated(float $from, float $to): float
    {
        return self::EMISSIVITY * self::STEFAN_BOLTZMANN * (($from + self::ZERO_C) ** 4 - ($to + self::ZERO_C) ** 4);
    }

    /** W/m²K on the outside, wind and rising air together. */
    private static function convection(float $c, Air $air, float $length, bool $level): float
    {
        [$conducts, $viscosity, $prandtl] = self::airAt(0.5 * ($c + $air->airC));
        $reynolds = ($air->windMS * self::LENGTH_M) / $viscosity;
        $nusselt =
            $reynolds <= 5e5
                ? 0.664 * sqrt($reynolds) * $prandtl ** (1.0 / 3.0)
                : (0.037 * $reynolds ** 0.8 - 871.3) * $prandtl ** (1.0 / 3.0);
        $forced = ($nusselt * $conducts) / self::LENGTH_M;
        $free = self::free($c, $air->airC, $length, $level ? 1 : 0);

        return ($forced ** 3 + $free ** 3) ** (1.0 / 3.0);
    }

    /**
     * W/m²K of air that rises by itself.
     *
     * @param int $faces  1 up, −1 down, 0 to the side
     */
    private static function free(float $c, float $airC, float $length, int $faces): float
    {
        $middle = 0.5 * ($c + $airC);
        [$conducts, $viscosity, $prandtl] = self::airAt($middle);
        $rayleigh =
            ((9.80665 * abs($c - $airC)) / ($middle + self::ZERO_C)) * ($length ** 3 / $viscosity ** 2) * $prandtl;
        // A plate colder than the air above it behaves as a warm one that faces down.
        $rises = $faces * ($c <=> $airC);
        $nusselt = match (true) {
            $faces === 0 => (0.825 +
                (0.387 * $rayleigh ** (1.0 / 6.0)) / (1.0 + (0.492 / $prandtl) ** (9.0 / 16.0)) ** (8.0 / 27.0)) **
                2,
            $rises >= 0 => max(0.54 * $rayleigh ** 0.25, 0.15 * $rayleigh ** (1.0 / 3.0)),
            default => 0.27 * $rayleigh ** 0.25,
        };

        return ($nusselt * $conducts) / $length;
    }

    /** @return array{float, float, float} conductivity W/mK, kinematic viscosity m²/s, Prandtl number, at 1013 hPa */
    private static function airAt(float $c): array
    {
        $kelvin = $c + self::ZERO_C;
        $dynamic = (1.458e-6 * $kelvin ** 1.5) / ($kelvin + 110.4);
        $conducts = (2.64638e-3 * $kelvin ** 1.5) / ($kelvin + 245.4 * 10.0 ** (-12.0 / $kelvin));
        $density = 101_325.0 / (287.05 * $kelvin);

        return [$conducts, $dynamic / $density, ($dynamic * 1006.0) / $conducts];
    }
}
