<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Sky;

use DateTimeImmutable;
use PHPUnit\Framework\TestCase;
use Vicissa\Core\Sky\Sun;

/** The sun against published positions and against what everyone knows of it. */
final class SunTest extends TestCase
{
    /**
     * Reda & Andreas, Solar Position Algorithm (2004), their worked example: zenith 50.11162°, azimuth 194.34024° (with
     * refraction of 0.017°).
     */
    public function testTheWorkedExampleOfTheLiterature(): void
    {
        $sun = Sun::at(39.742476, -105.1786, new DateTimeImmutable('2003-10-17 12:30:30 -07:00'));
        self::assertEqualsWithDelta(90.0 - 50.11162, $sun->elevationDeg, 0.03);
        self::assertEqualsWithDelta(194.34024, $sun->azimuthDeg, 0.02);
    }

    public function testAtTheSolsticesAndTheEquinox(): void
    {
        // Noon on the tropic at midsummer: overhead; at the pole the sun circles at the height of the obliquity.
        self::assertEqualsWithDelta(
            90.0,
            Sun::at(23.436, 0.0, new DateTimeImmutable('2026-06-21 12:02:00 UTC'))->elevationDeg,
            0.3,
        );
        foreach ([0, 6, 12, 18] as $hour) {
            self::assertEqualsWithDelta(
                23.436,
                Sun::at(90.0, 0.0, (new DateTimeImmutable('2026-06-21 UTC'))->setTime($hour, 0))->elevationDeg,
                0.02,
            );
        }
        // At the equinox it rises due east.
        $rise = Sun::at(0.0, 0.0, new DateTimeImmutable('2026-03-20 06:07:30 UTC'));
        self::assertEqualsWithDelta(0.0, $rise->elevationDeg, 0.3);
        self::assertEqualsWithDelta(90.0, $rise->azimuthDeg, 0.3);
    }

    public function testNoSunNoWattsAndCloudTakesUpToThreeQuarters(): void
    {
        self::assertSame(0.0, Sun::at(57.0, -6.0, new DateTimeImmutable('2026-11-25 02:00:00 UTC'))->under(0.2));
        $noon = Sun::at(57.0, -6.0, new DateTimeImmutable('2026-06-21 12:24:00 UTC'));
        self::assertEqualsWithDelta(56.4, $noon->elevationDeg, 0.1);
        self::assertEqualsWithDelta(180.0, $noon->azimuthDeg, 1.0);
        self::assertGreaterThan(830.0, $noon->clearSky());
        self::assertEqualsWithDelta(0.25 * $noon->clearSky(), $noon->under(1.0), 1e-9);
    }
}
