<?php

declare(strict_types=1);

namespace Vicissa\Core\Drying;

use Vicissa\Core\InvalidInput;

/**
 * How long a wet film stays wet (domain, model "window"): heat balance of panel and film, evaporation by the Lewis
 * relation, integrated with fourth-order Runge–Kutta in steps of one second.
 */
final readonly class WorkingWindow
{
    public const AT_MOST_S = 7200;

    /** Share of the drying time in which one should be done. */
    private const WORKABLE = 0.6;

    /**
     * A panel that changes more slowly than this (K/s) has settled: under a hundred-thousandth of a degree in two
     * hours.
     */
    private const SETTLED_K_S = 1e-9;

    /** So many windows are kept in mind. */
    private const REMEMBERED = 1024;

    private const WATER_J_KGK = 4186.0;

    /** hm = h × 1.1015 ÷ 1207.2 (Lewis relation), m/s from W/m²K. */
    private const LEWIS = 1.1015 / 1207.2;

    private function __construct(
        /** Seconds until the film is gone; null when it stays wet for two hours. */
        public ?float $driesS,
        /** °C when it is gone, or after two hours. */
        public float $panelEndC,
        /** Where a wet panel settles, °C. */
        public float $wetPanelC,
        /** Where a dry panel settles, °C. */
        public float $dryPanelC,
    ) {}

    /**
     * @param float $filmKgM2  water on the panel, kg/m²
     *
     * @throws InvalidInput
     */
    public static function of(Air $air, Panel $panel, float $filmKgM2): self
    {
        InvalidInput::unlessBetween('film_kg_m2', $filmKgM2, 0.0001, 2, 'kg/m²');
        // Many visits are laid out for one hour, and for one ordinary day: what was integrated once is not integrated again.
        static $known = [];
        $key = pack(
            'd8',
            $air->airC,
            $air->rh,
            $air->windMS,
            $air->sunWM2,
            $panel->absorptance,
            $panel->heatJM2K,
            $panel->c,
            $filmKgM2,
        );
        $window = $known[$key] ?? null;
        if (!($window instanceof self)) {
            $known = count($known) < self::REMEMBERED ? $known : [];
            $window = $known[$key] = self::integrated($air, $panel, $filmKgM2);
        }

        return $window;
    }

    private static function integrated(Air $air, Panel $panel, float $filmKgM2): self
    {
        [$m, $t] = [$filmKgM2, $panel->c];
        // Written out rather than composed: up to 28 800 evaluations for one window.
        $h = $air->convection();
        $hm = $h * self::LEWIS;
        $ht = $h + Panel::RADIATION;
        $gain = $panel->absorptance * $air->sunWM2 + $ht * $air->airC;
        $humid = $air->rh * Air::vapourKgM3($air->airC);
        $dry = $panel->heatJM2K;
        $dries = null;
        for ($s = 0; $s < self::AT_MOST_S; $s++) {
            $e1 = $hm * ((610.94 * exp((17.625 * $t) / ($t + 243.04))) / (461.5 * ($t + 273.15)) - $humid);
            $e1 = $e1 < 0.0 ? 0.0 : $e1;
            $k1 = ($gain - $ht * $t - (2.501e6 - 2361.0 * $t) * $e1) / ($dry + self::WATER_J_KGK * $m);
            if (abs($k1) < self::SETTLED_K_S) {
                // The panel has settled: from here the film shrinks evenly.
                $dries = $e1 > 0.0 && $s + $m / $e1 <= self::AT_MOST_S ? $s + $m / $e1 : null;
                break;
            }
            $u = $t + 0.5 * $k1;
            $e2 = $hm * ((610.94 * exp((17.625 * $u) / ($u + 243.04))) / (461.5 * ($u + 273.15)) - $humid);
            $e2 = $e2 < 0.0 ? 0.0 : $e2;
            $k2 = ($gain - $ht * $u - (2.501e6 - 2361.0 * $u) * $e2) / ($dry + self::WATER_J_KGK * ($m - 0.5 * $e1));
            $u = $t + 0.5 * $k2;
            $e3 = $hm * ((610.94 * exp((17.625 * $u) / ($u + 243.04))) / (461.5 * ($u + 273.15)) - $humid);
            $e3 = $e3 < 0.0 ? 0.0 : $e3;
            $k3 = ($gain - $ht * $u - (2.501e6 - 2361.0 * $u) * $e3) / ($dry + self::WATER_J_KGK * ($m - 0.5 * $e2));
            $u = $t + $k3;
            $e4 = $hm * ((610.94 * exp((17.625 * $u) / ($u + 243.04))) / (461.5 * ($u + 273.15)) - $humid);
            $e4 = $e4 < 0.0 ? 0.0 : $e4;
            $k4 = ($gain - $ht * $u - (2.501e6 - 2361.0 * $u) * $e4) / ($dry + self::WATER_J_KGK * ($m - $e3));
            $dt = ($k1 + 2.0 * $k2 + 2.0 * $k3 + $k4) / 6.0;
            $dm = ($e1 + 2.0 * $e2 + 2.0 * $e3 + $e4) / 6.0;
            if ($m <= $dm) {
                $part = $m / $dm;
                $dries = $s + $part;
                $t += $part * $dt;
                break;
            }
            $t += $dt;
            $m -= $dm;
        }

        return new self($dries, $t, self::settlesWet($air, $panel), Panel::settlesAt($air, $panel->absorptance));
    }

    /** Seconds in which to be done with it; null when it stays wet. */
    public function workingS(): ?float
    {
        return $this->driesS === null ? null : self::WORKABLE * $this->driesS;
    }

    /** Evaporation from a film at $c, kg/m²s. */
    public static function evaporation(Air $air, float $c): float
    {
        return max(
            0.0,
            $air->convection() * self::LEWIS * (Air::vapourKgM3($c) - $air->rh * Air::vapourKgM3($air->airC)),
        );
    }

    /** Latent heat at $c, J/kg. */
    public static function latentHeat(float $c): float
    {
        return 2.501e6 - 2361.0 * $c;
    }

    /** Heat into the panel at $c, W/m²: sun and warmer air, less what evaporation takes. */
    public static function heat(Air $air, float $absorptance, float $c): float
    {
        return $absorptance * $air->sunWM2 +
            ($air->convection() + Panel::RADIATION) * ($air->airC - $c) -
            self::latentHeat($c) * self::evaporation($air, $c);
    }

    /** Steady wet temperature: where the heat balance is nought. It falls with temperature, so halving finds it. */
    private static function settlesWet(Air $air, Panel $panel): float
    {
        [$low, $high] = [-60.0, 160.0];
        for ($i = 0; $i < 80; $i++) {
            $middle = ($low + $high) / 2.0;
            if (self::heat($air, $panel->absorptance, $middle) > 0.0) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }

        return ($low + $high) / 2.0;
    }
}
