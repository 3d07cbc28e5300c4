<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Drying;

use Eris\Generator;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;
use Vicissa\Core\Drying\Air;
use Vicissa\Core\Drying\DayCurve;
use Vicissa\Core\Drying\DryPanel;
use Vicissa\Core\Drying\Exposure;
use Vicissa\Core\Drying\Film;
use Vicissa\Core\Drying\Material;
use Vicissa\Core\Drying\Panel;
use Vicissa\Core\Drying\Tone;
use Vicissa\Core\Drying\WorkingWindow;
use Vicissa\Core\InvalidInput;

/** The film on the panel obeys its physics, wherever it lies. */
final class WindowTest extends TestCase
{
    use TestTrait;

    /** Against a plain explicit integration in small steps, with the energy counted as it goes. */
    public function testTheEnergyBalanceClosesAndASecondIntegrationAgrees(): void
    {
        foreach (
            [
                [18.0, 0.55, 2.0, 400.0, 0.85, 2700.0, 22.0, 0.1],
                [28.0, 0.4, 4.0, 800.0, 0.93, 2430.0, 45.0, 0.05],
                [8.0, 0.7, 6.0, 150.0, 0.3, 5400.0, 7.0, 0.02],
            ]
            as [$c, $rh, $wind, $sun, $a, $heat, $panelC, $film]
        ) {
            $air = new Air($c, $rh, $wind, $sun);
            $window = WorkingWindow::of($air, new Panel($a, $heat, $panelC), $film);
            self::assertNotNull($window->driesS);
            [$t, $m, $step, $taken, $stored, $used, $s] = [$panelC, $film, 0.01, 0.0, 0.0, 0.0, 0.0];
            while ($m > 0.0) {
                $e = WorkingWindow::evaporation($air, $t);
                $in = $a * $sun + ($air->convection() + Panel::RADIATION) * ($c - $t);
                $rate = WorkingWindow::heat($air, $a, $t) / ($heat + 4186.0 * $m);
                $taken += $in * $step;
                $used += WorkingWindow::latentHeat($t) * $e * $step;
                $stored += ($heat + 4186.0 * $m) * $rate * $step;
                $t += $rate * $step;
                $m -= $e * $step;
                $s += $step;
            }
            self::assertEqualsWithDelta($s, $window->driesS, 0.001 * $s);
            self::assertEqualsWithDelta($t, $window->panelEndC, 0.02);
            self::assertEqualsWithDelta($taken, $stored + $used, 0.001 * abs($used));
        }
    }

    public function testMoreSunWindOrDrynessNeverDriesLaterAndAThickerFilmNeverSooner(): void
    {
        $this->limitTo(60)
            ->forAll(...self::airs(Generators::choose(30, 93)))
            ->then(function (int $c, int $rh, int $wind, int $sun, int $a): void {
                $dries = static fn(int $rh, int $wind, int $sun, float $film): float => WorkingWindow::of(
                    new Air($c, $rh / 100, $wind / 10, $sun),
                    new Panel($a / 100, 2700.0, $c),
                    $film,
                )->driesS ?? INF;
                $here = $dries($rh, $wind, $sun, 0.1);
                self::assertLessThanOrEqual($here + 1e-6, $dries($rh, $wind, $sun + 100, 0.1), 'more sun');
                self::assertLessThanOrEqual($here + 1e-6, $dries(max(0, $rh - 10), $wind, $sun, 0.1), 'drier air');
                self::assertGreaterThanOrEqual($here - 1e-6, $dries($rh, $wind, $sun, 0.2), 'a thicker film');
                // Wind cools a panel that the sun heats, and still takes the water away sooner.
                self::assertLessThanOrEqual($here + 1e-6, $dries($rh, $wind + 10, $sun, 0.1), 'more wind');
            });
    }

    public function testInSaturatedAirOnAColdPanelItStaysWet(): void
    {
        $window = WorkingWindow::of(new Air(5.0, 1.0, 1.0, 0.0), new Panel(0.5, 2700.0, 5.0), Film::FineMist->kgM2());
        self::assertNull($window->driesS);
        self::assertNull($window->workingS());
        self::assertEqualsWithDelta(5.0, $window->panelEndC, 1e-6);
        self::assertEqualsWithDelta(5.0, $window->wetPanelC, 1e-6);
    }

    public function testAWetPanelIsCoolerThanADryOneAndNeverHotterThanItsHeatSource(): void
    {
        $this->limitTo(60)
            ->forAll(...self::airs())
            ->then(function (int $c, int $rh, int $wind, int $sun): void {
                $window = WorkingWindow::of(
                    new Air($c, $rh / 100, $wind / 10, $sun),
                    new Panel(0.85, 2700.0, $c),
                    0.02,
                );
                self::assertLessThanOrEqual($window->dryPanelC + 1e-9, $window->wetPanelC);
                self::assertLessThanOrEqual(max($c, $window->dryPanelC) + 1e-6, $window->panelEndC);
            });
    }

    public function testADaysCurveIsTheWindowOfEachHourOnItsOwnPanel(): void
    {
        $hours = [new Air(12.0, 0.8, 2.0, 0.0), new Air(20.0, 0.55, 3.0, 500.0), new Air(26.0, 0.4, 3.0, 850.0)];
        foreach (Exposure::cases() as $exposure) {
            $curve = DayCurve::of($hours, Tone::Black, Material::Steel, Film::BeadedRinse, $exposure);
            foreach ($hours as $i => $outside) {
                $air = $outside->shaded($exposure->ofSun());
                $panel = DryPanel::settlesAt($air, 0.93, $exposure->lie());
                self::assertSame($panel, $curve->hours[$i]['panel_c']);
                self::assertSame(
                    WorkingWindow::of($air, new Panel(0.93, 2700.0, $panel), 0.05)->workingS(),
                    $curve->hours[$i]['working_s'],
                );
                self::assertSame(
                    ($curve->hours[$i]['working_s'] ?? INF) >= DayCurve::TOO_SHORT_S,
                    $curve->hours[$i]['suits'],
                );
            }
        }
        $black = DayCurve::of($hours, Tone::Black, Material::Steel, Film::BeadedRinse)->hours;
        $white = DayCurve::of($hours, Tone::White, Material::Steel, Film::BeadedRinse)->hours;
        self::assertSame(
            [true, false],
            [$black[0]['suits'], $black[2]['suits']],
            'a summer noon is not for black paint',
        );
        self::assertGreaterThan($black[2]['working_s'], $white[2]['working_s']);
    }

    public function testBadWeatherIsRefusedInWords(): void
    {
        $this->expectException(InvalidInput::class);
        $this->expectExceptionMessage('fault.humidity-share');
        new Air(20.0, 65.0, 1.0, 0.0);
    }

    /**
     * @param Generator<int> ...$more
     * @return list<Generator<int>> degrees, humidity in hundredths, wind in tenths of m/s, sun in W/m², and what else
     */
    private static function airs(Generator ...$more): array
    {
        return [
            Generators::choose(-5, 35),
            Generators::choose(20, 95),
            Generators::choose(0, 90),
            Generators::choose(0, 900),
            ...array_values($more),
        ];
    }
}
