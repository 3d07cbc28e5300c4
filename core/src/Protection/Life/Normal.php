<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection\Life;

/** The standard normal distribution: fifteen digits in the middle, eight in tails that a layer may really reach. */
final class Normal
{
    private const SQRT_2PI = 2.5066282746310002;

    /** P(Z ≤ z). */
    public static function below(float $z): float
    {
        return $z < 0.0 ? self::tail(-$z) : 1.0 - self::tail($z);
    }

    /** P(Z > z), without cancellation in the upper tail. */
    public static function above(float $z): float
    {
        return $z > 0.0 ? self::tail($z) : 1.0 - self::tail(-$z);
    }

    /** P(a < Z ≤ b), taken on the side of zero where the digits are. */
    public static function between(float $a, float $b): float
    {
        return $a > 0.0 ? self::tail($a) - self::tail($b) : self::below($b) - self::below($a);
    }

    public static function density(float $z): float
    {
        return exp(-0.5 * $z * $z) / self::SQRT_2PI;
    }

    /**
     * The z below which P lies, to about 1e-9: rational approximation of Acklam (2003). Only ever a first guess here.
     */
    public static function quantile(float $p): float
    {
        if ($p <= 0.0 || $p >= 1.0) {
            return $p <= 0.0 ? -8.0 : 8.0;
        }
        if ($p < 0.02425 || $p > 0.97575) {
            $q = sqrt(-2.0 * log($p < 0.5 ? $p : 1.0 - $p));
            $z =
                (((((-7.784894002430293e-3 * $q - 3.223964580411365e-1) * $q - 2.400758277161838) * $q -
                    2.549732539343734) *
                    $q +
                    4.374664141464968) *
                    $q +
                    2.938163982698783) /
                ((((7.784695709041462e-3 * $q + 3.224671290700398e-1) * $q + 2.445134137142996) * $q +
                    3.754408661907416) *
                    $q +
                    1.0);

            return $p < 0.5 ? $z : -$z;
        }
        $q = $p - 0.5;
        $r = $q * $q;

        return ((((((-3.969683028665376e1 * $r + 2.209460984245205e2) * $r - 2.759285104469687e2) * $r +
            1.38357751867269e2) *
            $r -
            3.066479806614716e1) *
            $r +
            2.506628277459239) *
            $q) /
            (((((-5.447609879822406e1 * $r + 1.615858368580409e2) * $r - 1.556989798598869e2) * $r +
                6.680131188771972e1) *
                $r -
                1.328068155288572e1) *
                $r +
                1.0);
    }

    /**
     * Upper tail for z ≥ 0: rational approximation of Hart (1968) in the double precision form given by West (2005).
     */
    private static function tail(float $z): float
    {
        if ($z > 37.0) {
            return 0.0;
        }
        $e = exp(-0.5 * $z * $z);
        if ($z < 7.07106781186547) {
            $above =
                (((((3.52624965998911e-2 * $z + 0.700383064443688) * $z + 6.37396220353165) * $z + 33.912866078383) *
                    $z +
                    112.079291497871) *
                    $z +
                    221.213596169931) *
                    $z +
                220.206867912376;
            $below =
                ((((((8.83883476483184e-2 * $z + 1.75566716318264) * $z + 16.064177579207) * $z + 86.7807322029461) *
                    $z +
                    296.564248779674) *
                    $z +
                    637.333633378831) *
                    $z +
                    793.826512519948) *
                    $z +
                440.413735824752;

            return ($e * $above) / $below;
        }

        return $e / ($z + 1.0 / ($z + 2.0 / ($z + 3.0 / ($z + 4.0 / ($z + 0.65))))) / self::SQRT_2PI;
    }
}
