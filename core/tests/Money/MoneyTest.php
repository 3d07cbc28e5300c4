<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Money;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Money\ProtectedWeek;
use Vicissa\Core\Money\Rates;
use Vicissa\Core\Money\TimeSpent;
use Vicissa\Core\Money\TurnCost;
use Vicissa\Core\Money\WaterUsed;
use Vicissa\Core\Money\YearQuote;
use Vicissa\Core\Money\YearRhythm;

final class MoneyTest extends TestCase
{
    use TestTrait;

    public function testATurnCostsWhatItsPartsCost(): void
    {
        $rates = new Rates('§', 3000, 50, 400, 1100, 10, 500, 40);
        $cost = TurnCost::of(
            $rates,
            [
                ['ml' => 50, 'pack_ml' => 1000, 'price_minor' => 2000],
                ['ml' => 30, 'pack_ml' => null, 'price_minor' => 900],
            ],
            [
                ['pieces' => 4, 'price_minor' => 400, 'cycles' => 80],
                ['pieces' => 1, 'price_minor' => null, 'cycles' => 50],
            ],
            WaterUsed::treated(120, 20, 0.4, 11),
            new TimeSpent(90, 2, 30),
        );
        self::assertEqualsWithDelta(
            100,
            $cost->products,
            1e-9,
            'half a decilitre of a litre at 20.00; what has no price counts for nothing',
        );
        self::assertEqualsWithDelta(4 * 15 + 20, $cost->towels, 1e-9);
        self::assertEqualsWithDelta(120, $cost->water, 1e-9, '120 l treated are 300 l from the tap');
        self::assertEqualsWithDelta(240, $cost->resin, 1e-9, '2.4 g of solids take 0.218 l of resin with them');
        self::assertEqualsWithDelta(9000, $cost->time, 1e-9);
        self::assertEqualsWithDelta(30 * 150, $cost->travel, 1e-9);
        self::assertEqualsWithDelta(100 + 80 + 120 + 240 + 9000 + 4500, $cost->total, 1e-9);
        self::assertEqualsWithDelta(
            0,
            TurnCost::of($rates, [], [], WaterUsed::tap(100), new TimeSpent(0))->resin,
            1e-9,
        );
    }

    public function testAYearOfAProgramme(): void
    {
        $rates = new Rates(marginPercent: 50);
        $costs = [
            'wash' => new TurnCost(time: 4000),
            'topper' => new TurnCost(products: 600),
            'inspection' => new TurnCost(time: 500),
        ];
        $year = YearQuote::of(
            new YearRhythm(14, 7, 6, 8, inspection: true),
            $costs,
            ['wash' => 90, 'topper' => 15, 'inspection' => 12],
            ['wash' => 6500, 'topper' => 1500, 'inspection' => null],
            $rates,
        );
        // Half a year each fortnight, half of it each week.
        self::assertSame(['wash' => 39, 'topper' => 7, 'inspection' => 1], $year->times);
        self::assertSame(['inspection'], $year->priceless);
        self::assertSame(
            750,
            $year->lines['inspection']['each_minor'],
            'at cost and the wished margin, to the next half',
        );
        self::assertSame(39 * 6500 + 7 * 1500 + 750, $year->priceMinor);
        self::assertSame($year->priceMinor - (39 * 4000 + 7 * 600 + 500), $year->marginMinor);
        self::assertEqualsWithDelta((39 * 90 + 7 * 15 + 12) / 60, $year->hours, 1e-9);
        $short = YearQuote::of(
            new YearRhythm(14, baseDays: 90),
            ['wash' => new TurnCost(time: 4000), 'base' => new TurnCost(products: 900)],
            ['wash' => 90, 'base' => 30],
            ['wash' => 6500, 'base' => 4000],
            $rates,
        );
        self::assertSame(
            [26, 4, 4 * 4000],
            [$short->times['wash'], $short->times['base'], $short->lines['base']['minor']],
            'a base of a quarter is renewed four times',
        );
        self::assertSame(
            26,
            YearQuote::of(new YearRhythm(14, null, 6, 1), $costs, [], [], $rates)->times['topper'],
            'a topper needs a wash',
        );
    }

    public function testAToppersWeekByWhatWasFound(): void
    {
        $week = ProtectedWeek::of(300, 10, 4.0, [4.0, 9.0], new Rates(labourMinorH: 3000));
        self::assertSame([800.0, 200.0], [$week->eachMinor, $week->foundMinor]);
        self::assertEqualsWithDelta(800 / 6, (float) $week->labelMinor, 1e-9);
    }

    public function testRatesAreReadByNameAndNonsenseIsRefused(): void
    {
        self::assertSame(
            ['§', 1234.0, 35.0],
            [
                ($rates = Rates::read(['currency' => '§', 'labour_minor_h' => 1234]))->currency,
                $rates->labourMinorH,
                $rates->marginPercent,
            ],
        );
        self::assertEquals($rates, Rates::read($rates->named()));
        $this->expectException(InvalidInput::class);
        Rates::read(['labour_minor_h' => -5]);
    }

    public function testTwoTurnsCostWhatBothCostAndAQuoteIsTheSumOfItsLines(): void
    {
        $rates = new Rates('§', 3000, 50, 400, 1100, 10, 500, 40);
        $this->limitTo(150)
            ->forAll(
                Generators::choose(1, 60),
                Generators::choose(1, 60),
                Generators::choose(0, 12),
                Generators::choose(1, 40),
                Generators::choose(0, 9000),
                Generators::choose(0, 5000),
            )
            ->then(static function (int $every, int $salted, int $months, int $weeks, int $wash, int $topper) use (
                $rates,
            ): void {
                $one = TurnCost::of(
                    $rates,
                    [['ml' => $wash / 10, 'pack_ml' => 1000, 'price_minor' => 2000]],
                    [],
                    WaterUsed::treated($every, 20, 0.5, 11),
                    new TimeSpent($salted, 1, $months),
                );
                $two = TurnCost::of(
                    $rates,
                    [],
                    [['pieces' => $weeks, 'price_minor' => null, 'cycles' => 80]],
                    WaterUsed::tap(0),
                    new TimeSpent($topper / 100, 2),
                );
                self::assertEqualsWithDelta($one->total + 3 * $two->total, $one->plus($two->times(3))->total, 1e-6);
                $costs = ['wash' => $one, 'topper' => $two];
                $year = YearQuote::of(
                    new YearRhythm($every, $salted, $months, (float) $weeks, 90),
                    $costs,
                    [],
                    ['wash' => $wash, 'topper' => $topper],
                    $rates,
                );
                self::assertSame(array_sum(array_column($year->lines, 'minor')), $year->priceMinor);
                self::assertSame($year->priceMinor - (int) round($year->cost->total), $year->marginMinor);
                self::assertLessThanOrEqual(
                    $year->times['wash'],
                    max(0, ...array_values($year->times)),
                    'nothing rides on a visit that is not made',
                );
                self::assertGreaterThanOrEqual(
                    YearQuote::of(
                        new YearRhythm($every + 1, topperWeeks: (float) $weeks, deconDays: 90),
                        $costs,
                        [],
                        [],
                        $rates,
                    )->times['wash'],
                    YearQuote::of(
                        new YearRhythm($every, topperWeeks: (float) $weeks, deconDays: 90),
                        $costs,
                        [],
                        [],
                        $rates,
                    )->times['wash'],
                    'less often is not more',
                );
                self::assertSame(['decon'], $year->priceless);
                // What is asked where no price stands covers what it costs and the wished margin.
                $asked = YearQuote::of(new YearRhythm($every, topperWeeks: (float) $weeks), $costs, [], [], $rates);
                self::assertGreaterThanOrEqual(
                    $asked->cost->total * (1 + $rates->marginPercent / 100) - 1e-6,
                    (float) $asked->priceMinor,
                );
            });
    }
}
