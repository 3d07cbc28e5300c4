<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Protection;

use PHPUnit\Framework\TestCase;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Protection\Drop;
use Vicissa\Core\Protection\SessileDrop;

/** Drops that lie on a panel, flattened by their own weight. */
final class SessileDropTest extends TestCase
{
    /** Drops integrated the other way, from the angle to base and height, come back as the angle. */
    public function testItsAngleIsTheOneItWasDrawnWith(): void
    {
        foreach ([20.0, 45.0, 75.0, 90.0, 105.0, 130.0] as $angle) {
            foreach ([1.0, 3.0, 6.0, 10.0] as $base) {
                $height = self::heightOf($angle, $base);
                $drop = SessileDrop::measured($base, $height);
                self::assertEqualsWithDelta($angle, $drop->angleDeg, 0.5, "{$angle}° on {$base} mm");
                self::assertLessThanOrEqual($angle + 0.3, Drop::measured($base, $height)->angleDeg);
            }
        }
        self::assertEqualsWithDelta(
            84.0,
            Drop::measured(4.0, self::heightOf(90.0, 4.0))->angleDeg,
            0.5,
            'as a cap a right angle reads weak',
        );
    }

    public function testASmallDropIsACapAndALargeOneAsHighAsAPuddle(): void
    {
        self::assertEqualsWithDelta(Drop::measured(0.4, 0.15)->angleDeg, Drop::lying(0.4, 0.15)->angleDeg, 0.2);
        // Height of a puddle, 2 ℓ sin(θ/2): what no wider drop of that angle exceeds by much.
        $capillary = SessileDrop::capillaryMm(20.0);
        self::assertEqualsWithDelta(2.73, $capillary, 0.01);
        self::assertGreaterThan(SessileDrop::capillaryMm(40.0), $capillary, 'warm water holds less together');
        self::assertEqualsWithDelta(2.0 * $capillary * sin(deg2rad(30.0)), self::heightOf(60.0, 28.0), 0.25);
        self::assertSame(0.0, SessileDrop::measured(8.0, 0.0)->angleDeg);
        $volume = SessileDrop::measured(2.0, 0.55)->volumeMm3;
        self::assertEqualsWithDelta((M_PI * 0.55 * (3.0 + 0.55 ** 2)) / 6.0, $volume, 0.03 * $volume, 'of a cap');
    }

    public function testWhatNoDropCanBeIsRefused(): void
    {
        foreach ([[2.0, 25.0, 20.0], [0.0, 1.0, 20.0], [4.0, 1.0, 80.0], [4.0, -1.0, 20.0]] as [$base, $height, $c]) {
            try {
                SessileDrop::measured($base, $height, $c);
                self::fail("{$base} by {$height} at {$c}");
            } catch (InvalidInput $e) {
                self::assertStringStartsWith('fault.', $e->says->code);
            }
        }
    }

    /** The height of a drop of this angle on this base, by plain steps from the apex. */
    private static function heightOf(float $angle, float $base): float
    {
        $square = SessileDrop::capillaryMm(20.0) ** 2;
        $end = deg2rad($angle);
        $drop = static function (float $apex) use ($end, $square): array {
            [$x, $z, $slope] = [0.0, 0.0, 0.0];
            $step = min(0.002, $apex / 500.0);
            while ($slope < $end && $x < 40.0) {
                $turns = 2.0 / $apex + $z / $square - ($x > 1e-9 ? sin($slope) / $x : 1.0 / $apex);
                $middle = $slope + 0.5 * $step * $turns;
                [$mx, $mz] = [$x + 0.5 * $step * cos($slope), $z + 0.5 * $step * sin($slope)];
                $slope += $step * (2.0 / $apex + $mz / $square - ($mx > 1e-9 ? sin($middle) / $mx : 1.0 / $apex));
                $x += $step * cos($middle);
                $z += $step * sin($middle);
            }

            return [2.0 * $x, $z];
        };
        [$low, $high] = [log(0.02), log(1e6)];
        for ($i = 0; $i < 40; $i++) {
            $middle = 0.5 * ($low + $high);
            $drop(exp($middle))[0] < $base ? ($low = $middle) : ($high = $middle);
        }

        return $drop(exp($low))[1];
    }
}
