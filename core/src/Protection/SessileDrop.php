<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

/**
 * A drop of water lying on a level panel, flattened by its own weight: the shape in which surface tension and gravity are in
 * balance (Young 1805, Laplace 1806; integrated from the apex along the arc as by Bashforth & Adams 1883). Of all such
 * shapes one has the given height and base; its slope at the foot is the contact angle.
 */
final readonly class SessileDrop
{
    private const GRAVITY = 9.80665;

    /** Steps of the arc, beside the smaller of height and apex radius. */
    private const FINENESS = 160;

    /** Beyond this base a drop is a puddle, whose height tells nothing of its width. */
    private const MOST_MM = 30.0;

    private function __construct(
        /** Contact angle in degrees, 0–180. */
        public float $angleDeg,
        /** Radius of the apex, mm. */
        public float $apexMm,
        public float $volumeMm3,
    ) {}

    /**
     * @param float $baseMm    width of the wetted base
     * @param float $heightMm  height over the panel
     * @param float $waterC    temperature of the water
     *
     * @throws InvalidInput also for what no drop can be: higher than any of that base
     */
    public static function measured(float $baseMm, float $heightMm, float $waterC = 20.0): self
    {
        InvalidInput::unlessBetween('base_mm', $baseMm, 0.05, self::MOST_MM, 'mm');
        InvalidInput::unlessBetween('height_mm', $heightMm, 0, 20, 'mm');
        if ($heightMm < 1e-4 * $baseMm) {
            return new self(0.0, INF, 0.0);
        }
        $capillary = self::capillaryMm($waterC);
        $half = $baseMm / 2.0;
        // The flatter the apex, the wider the drop at this height.
        [$low, $high] = [log($heightMm / 2.0), log(max($heightMm, $half) * 20.0)];
        while (self::foot(exp($high), $heightMm, $capillary)[0] < $half && $high < 40.0) {
            $high += 2.0;
        }
        if (self::foot(exp($low), $heightMm, $capillary)[0] > $half) {
            throw InvalidInput::at('height_mm', Said::of('fault.drop-impossible'));
        }
        for ($i = 0; $i < 60 && $high - $low > 1e-10; $i++) {
            $middle = 0.5 * ($low + $high);
            self::foot(exp($middle), $heightMm, $capillary)[0] < $half ? ($low = $middle) : ($high = $middle);
        }
        $apex = exp(0.5 * ($low + $high));
        [$foot, $slope, $volume] = self::foot($apex, $heightMm, $capillary);
        if (abs($foot - $half) > 0.02 * $half) {
            throw InvalidInput::at('height_mm', Said::of('fault.drop-impossible'));
        }

        return new self(rad2deg($slope), $apex, $volume);
    }

    /**
     * The length at which weight and surface tension match, √(γ ÷ ρg): 2.7 mm. γ by IAPWS (2014), ρ by a parabola around 4 °C
     * that is true within 0.03 %.
     *
     * @throws InvalidInput
     */
    public static function capillaryMm(float $waterC): float
    {
        InvalidInput::unlessBetween('water_c', $waterC, 0, 60, '°C');
        $tau = 1.0 - ($waterC + 273.15) / 647.096;
        $tension = 0.2358 * $tau ** 1.256 * (1.0 - 0.625 * $tau);
        $density = 999.97 - 0.0058 * ($waterC - 4.0) ** 2;

        return 1000.0 * sqrt($tension / ($density * self::GRAVITY));
    }

    /**
     * Half the width, slope and volume where the profile has come down so far (Runge–Kutta of the fourth order along the arc).
     *
     * @return array{float, float, float}
     */
    private static function foot(float $apex, float $height, float $capillary): array
    {
        $curve = 2.0 / $apex;
        $square = $capillary ** 2;
        $step = min($height, $apex) / self::FINENESS;
        // Wide drops are all but flat for long: there the arc may be walked faster.
        $turn = static fn(float $x, float $z, float $slope): float => $curve +
            $z / $square -
            ($x > 1e-9 ? sin($slope) / $x : 1.0 / $apex);
        [$x, $z, $slope, $volume] = [0.0, 0.0, 0.0, 0.0];
        for ($i = 0; $i < 60_000; $i++) {
            $stride = $step * max(1.0, min(40.0, 0.2 / max(0.005, sin($slope))) * ($slope < 0.2 ? 1.0 : 0.0));
            [$x1, $z1, $s1] = [cos($slope), sin($slope), $turn($x, $z, $slope)];
            $at = $slope + 0.5 * $stride * $s1;
            [$x2, $z2, $s2] = [cos($at), sin($at), $turn($x + 0.5 * $stride * $x1, $z + 0.5 * $stride * $z1, $at)];
            $at = $slope + 0.5 * $stride * $s2;
            [$x3, $z3, $s3] = [cos($at), sin($at), $turn($x + 0.5 * $stride * $x2, $z + 0.5 * $stride * $z2, $at)];
            $at = $slope + $stride * $s3;
            [$x4, $z4, $s4] = [cos($at), sin($at), $turn($x + $stride * $x3, $z + $stride * $z3, $at)];
            $next = [
                $x + ($stride / 6.0) * ($x1 + 2.0 * $x2 + 2.0 * $x3 + $x4),
                $z + ($stride / 6.0) * ($z1 + 2.0 * $z2 + 2.0 * $z3 + $z4),
                $slope + ($stride / 6.0) * ($s1 + 2.0 * $s2 + 2.0 * $s3 + $s4),
            ];
            if ($next[1] >= $height) {
                $share = ($height - $z) / max(1e-15, $next[1] - $z);

                return [
                    $x + $share * ($next[0] - $x),
                    $slope + $share * ($next[2] - $slope),
                    $volume + $share * M_PI * $x * $x * ($next[1] - $z),
                ];
            }
            $volume += M_PI * (0.5 * ($x + $next[0])) ** 2 * ($next[1] - $z);
            [$x, $z, $slope] = $next;
            if ($slope >= M_PI || $x < 0.0) {
                // It closed before it came down so far: no drop of this apex is as high.
                return [0.0, M_PI, $volume];
            }
        }

        return [$x, $slope, $volume];
    }
}
