<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Drying;

use PHPUnit\Framework\TestCase;
use Vicissa\Core\Drying\Air;
use Vicissa\Core\Drying\DayCurve;
use Vicissa\Core\Drying\DryPanel;
use Vicissa\Core\Drying\Film;
use Vicissa\Core\Drying\Lie;
use Vicissa\Core\Drying\Material;
use Vicissa\Core\Drying\Tone;
use Vicissa\Core\InvalidInput;

/** Where a dry panel settles. */
final class DryPanelTest extends TestCase
{
    public function testABlackRoofInStillAirAndInAWind(): void
    {
        $at = static fn(float $wind): float => DryPanel::settlesAt(new Air(25.0, 0.5, $wind, 900.0), 0.93);
        // Measured roofs of black cars in summer sun: seventy to eighty degrees in still air, some ten less in a breeze.
        self::assertEqualsWithDelta(73.0, $at(0.0), 6.0);
        self::assertEqualsWithDelta(65.0, $at(6.0), 6.0);
        self::assertGreaterThan(12.0, $at(0.0) - $at(12.0));
    }

    public function testItRisesWithTheSunAndFallsWithTheWindWithoutAJump(): void
    {
        foreach ([0.3, 0.93] as $absorptance) {
            foreach (Lie::cases() as $lie) {
                $before = null;
                foreach (range(0, 1000, 50) as $sun) {
                    $c = DryPanel::settlesAt(new Air(18.0, 0.6, 2.0, (float) $sun), $absorptance, $lie);
                    self::assertGreaterThan($before ?? -60.0, $c);
                    $before = $c;
                }
                $before = null;
                for ($wind = 0.0; $wind <= 14.0; $wind += 0.1) {
                    $c = DryPanel::settlesAt(new Air(18.0, 0.6, $wind, 800.0), $absorptance, $lie);
                    self::assertTrue(
                        $before === null || ($c <= $before + 1e-6 && $before - $c < 1.2),
                        "at {$wind} m/s",
                    );
                    $before = $c;
                }
            }
        }
    }

    public function testTheSkyCoolsAtNightAndLessUnderClouds(): void
    {
        $night = new Air(8.0, 0.7, 0.5, 0.0);
        $clear = DryPanel::settlesAt($night, 0.9, cloud: 0.0);
        self::assertLessThan(5.0, $clear, 'dew and rime come that way');
        self::assertGreaterThan(-4.0, $clear);
        self::assertGreaterThan($clear + 2.0, DryPanel::settlesAt($night, 0.9, cloud: 1.0));
        self::assertGreaterThan($clear, DryPanel::settlesAt($night, 0.9, Lie::Upright, cloud: 0.0));
        self::assertLessThan($night->airC, DryPanel::skyC($night, 1.0));
    }

    public function testABonnetOverAHotEngineCoolsWithIt(): void
    {
        $air = new Air(12.0, 0.7, 1.5, 100.0);
        $cold = DryPanel::settlesAt($air, 0.85);
        $hot = array_map(static fn(float $minutes): float => DryPanel::settlesAt($air, 0.85, engineOffMin: $minutes), [
            0.0,
            20.0,
            60.0,
            240.0,
        ]);
        self::assertGreaterThan($cold + 8.0, $hot[0]);
        self::assertTrue($hot[0] > $hot[1] && $hot[1] > $hot[2] && $hot[2] > $hot[3]);
        self::assertEqualsWithDelta($cold, $hot[3], 0.5);
        $this->expectException(InvalidInput::class);
        DryPanel::settlesAt($air, 0.85, engineOffMin: -1.0);
    }

    public function testAnHourBeyondTheRangeIsToldAndFailsNoOther(): void
    {
        $curve = DayCurve::of(
            [new Air(-40.0, 0.8, 0.0, 0.0), new Air(15.0, 0.6, 2.0, 300.0)],
            Tone::Black,
            Material::Steel,
            Film::BeadedRinse,
        )->hours;
        self::assertSame([true, false], array_column($curve, 'beyond'));
        self::assertSame(-40.0, $curve[0]['panel_c']);
    }

    /** What a forecast says of the clouds counts before what the sun lets one guess: a clear night cools, a covered one does not. */
    public function testTheCloudsOfAForecastCount(): void
    {
        $night = static fn(?float $cloud): float => DryPanel::settlesAt(new Air(10.0, 0.7, 1.0, 0.0, $cloud), 0.9);
        self::assertGreaterThan($night(0.0) + 3.0, $night(1.0));
        self::assertSame($night(1.0), DryPanel::settlesAt(new Air(10.0, 0.7, 1.0, 0.0), 0.9, cloud: 1.0));
        self::assertSame(0.4, (new Air(10.0, 0.7, 1.0, 500.0, 0.4))->shaded(0.1)->cloud);
    }
}
