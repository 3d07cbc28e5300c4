<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Protection;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Tests\Study\ForecastFound;
use Tests\Study\ForecastStudy;
use Tests\Study\Luck;
use Tests\Study\World;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Protection\Life\FailureInterval;
use Vicissa\Core\Protection\Life\Learnt\LearntForecast;
use Vicissa\Core\Protection\Life\Learnt\LearntLife;
use Vicissa\Core\Protection\Life\Learnt\PooledSeen;
use Vicissa\Core\Protection\Life\Learnt\ReadAfter;
use Vicissa\Core\Protection\Life\Learnt\Seen;
use Vicissa\Core\Protection\Life\Normal;
use Vicissa\Core\Protection\Life\RenewalVisit;
use Vicissa\Core\Protection\Proof\Calibration;
use Vicissa\Core\Protection\Proof\Fit;
use Vicissa\Core\Protection\Proof\Foretold;
use Vicissa\Core\Protection\Proof\Leaning;
use Vicissa\Core\Protection\Proof\SurvivalCurve;

/** Forecasts that learn how much lives differ; bin/study asks the same of ten times as many histories. */
final class LearntTest extends TestCase
{
    /** In worlds it knows nothing of, true lives lie where it says: 74 to 86 of 100 are wanted, some more is left to luck here. */
    #[TestWith(['as assumed', 70.0, 94.0])]
    #[TestWith(['Weibull, shape 2.5', 60.0, 92.0])]
    #[TestWith(['one in five of a bad batch', 64.0, 92.0])]
    #[TestWith(['one reading in ten clogged', 74.0, 98.0])]
    public function testTrueLivesLieWhereItSays(string $name, float $least, float $most): void
    {
        $all = $this->study($name, 50);
        foreach ($all as $found) {
            self::assertGreaterThan($least, $found->coverage(), "after {$found->own}");
            self::assertLessThan($most, $found->coverage(), "after {$found->own}");
        }
        $last = $all[count($all) - 1];
        self::assertGreaterThan($last->coverage('fixed'), $last->coverage());
        self::assertEqualsWithDelta(1.0, $last->middle(), 0.15);
    }

    public function testALabelThatIsWrongIsForgottenAsFastAsLayersSaySo(): void
    {
        $middles = array_map(
            static fn(ForecastFound $found): float => $found->middle(),
            $this->study('label 12 weeks, truth 3', 40),
        );
        self::assertGreaterThan(2.0, $middles[0], 'nothing but the label is known');
        self::assertLessThan(1.9, $middles[1]);
        self::assertLessThan(1.25, $middles[2]);
        self::assertLessThan(1.15, $middles[3]);
    }

    /** @return list<ForecastFound> */
    private function study(string $name, int $histories): array
    {
        foreach (World::all() as $world) {
            if ($world->name === $name) {
                return (new ForecastStudy($world, $histories))->run();
            }
        }
        self::fail("No world is called {$name}.");
    }

    public function testWhatItRestsOnMovesFromTheLabelToTheProductToTheVehicle(): void
    {
        $model = new LearntLife(6.0, 12.0);
        $layers = static fn(int $many, float $held): array => array_fill(
            0,
            $many,
            Seen::interval(FailureInterval::of($held, $held + 1.0)),
        );
        $alone = $model->forecast(null, null);
        self::assertSame(['label' => 1.0, 'product' => 0.0, 'vehicle' => 0.0], $alone->restsOn);
        $others = PooledSeen::of([$model->vehicle($layers(2, 5.0)), $model->vehicle($layers(3, 5.5))]);
        $product = $model->forecast($others, null);
        self::assertGreaterThan(0.5, $product->restsOn['product']);
        $both = $model->forecast($others, $model->vehicle($layers(6, 8.0)));
        self::assertGreaterThan($both->restsOn['label'], $both->restsOn['vehicle']);
        foreach ([$alone, $product, $both] as $forecast) {
            self::assertEqualsWithDelta(1.0, array_sum($forecast->restsOn), 1e-9);
        }
        self::assertGreaterThan($product->quantile(0.5), $both->quantile(0.5), 'it lasts longer on this one');
        self::assertGreaterThan(0.0, $both->vehicleEffect());
        self::assertLessThan($alone->spreadLayer, $both->spreadLayer, 'lives that agree leave less room');
        // Taken out of the pool again, a vehicle leaves what the others say.
        $mine = $model->vehicle($layers(6, 8.0));
        $all = PooledSeen::of([$model->vehicle($layers(2, 5.0)), $model->vehicle($layers(3, 5.5)), $mine]);
        self::assertEqualsWithDelta(
            $product->quantile(0.3),
            $model->forecast($all?->without($mine), null)->quantile(0.3),
            1e-6,
        );
    }

    public function testAReadingThatALaterOneContradictsWasClogged(): void
    {
        $model = new LearntLife(8.0, 8.0);
        $read = static fn(float $wear, bool $holds, ReadAfter $after = ReadAfter::Wash): array => [
            'wear' => $wear,
            'holds' => $holds,
            'after' => $after,
        ];
        $middle = static fn(Seen ...$layers): float => $model
            ->forecast(null, $model->vehicle(array_values($layers)))
            ->quantile(0.5);
        $sound = $middle(Seen::readings([$read(3.0, true), $read(7.0, true), $read(8.0, false)]));
        $clogged = $middle(Seen::readings([$read(2.0, false), $read(3.0, true), $read(7.0, true), $read(8.0, false)]));
        self::assertEqualsWithDelta($sound, $clogged, 0.1, 'what failed at two held at seven');
        $early = [$read(2.0, false), $read(2.0, false, ReadAfter::Decon)];
        self::assertLessThan($middle(Seen::readings([$read(2.0, false)])), $middle(Seen::readings($early)));
        self::assertEqualsWithDelta(
            $middle(Seen::readings([$read(2.0, false), $read(2.0, true, ReadAfter::Decon)])),
            $middle(Seen::readings([$read(2.0, true)])),
            0.5,
            'decontaminated, it holds',
        );
        $told = Seen::readings([$read(5.0, false, ReadAfter::Topper)]);
        self::assertTrue($told->saysNothing(), 'a new topper says nothing of what lies beneath');
        $often = array_fill(0, 4, [
            Seen::readings([
                $read(1.0, false),
                $read(2.0, true),
                $read(3.0, false),
                $read(4.0, true),
                $read(6.0, true),
            ]),
        ]);
        self::assertGreaterThan(0.08, $model->wrongShare($often));
        self::assertLessThan(0.02, $model->wrongShare([[Seen::readings([$read(1.0, true), $read(6.0, true)])]]));
        $this->expectException(InvalidInput::class);
        Seen::readings([$read(-1.0, true)]);
    }

    public function testMoreIsKnownOfALayerThatHasHeldAndNothingIsBeforeItGoesOn(): void
    {
        $fresh = (new LearntLife(6.0, 12.0))->forecast(null, null);
        $held = $fresh->heldTo(9.0);
        self::assertSame(0.0, $held->risk(9.0));
        foreach ([0.1, 0.3, 0.5, 0.9] as $risk) {
            self::assertEqualsWithDelta($risk, $held->risk($held->quantile($risk)), 1e-6);
            self::assertGreaterThan($fresh->quantile($risk), $held->quantile($risk));
            self::assertEqualsWithDelta($fresh->quantile($risk), $held->fresh()->quantile($risk), 1e-9);
        }
        $ended = $fresh->heldTo(4.0, 6.0);
        self::assertGreaterThan(4.0, $ended->quantile(0.02));
        self::assertLessThan(6.0, $ended->quantile(0.98));
        self::assertSame(1.0, $ended->risk(7.0));
        self::assertGreaterThan(400.0, $fresh->heldTo(400.0)->quantile(0.5), 'whatever the label said');
        $this->expectException(InvalidInput::class);
        $fresh->heldTo(6.0, 4.0);
    }

    public function testManyVehiclesRuleOutWaysAndChangeNothingByIt(): void
    {
        $luck = new Luck(4);
        $vehicles = [];
        for ($i = 0; $i < 60; $i++) {
            $at = 6.0 * exp(0.3 * $luck->normal());
            $vehicles[] = [
                Seen::interval(FailureInterval::of($at, $at + 0.7)),
                Seen::interval(FailureInterval::of($at)),
            ];
        }
        $full = new LearntLife(6.0, 12.0);
        $fitted = $full->fittedTo($vehicles);
        $foretold = static fn(LearntLife $model): LearntForecast => $model->forecast(
            PooledSeen::of(array_map($model->vehicle(...), $vehicles)),
            null,
        );
        foreach ([0.1, 0.5, 0.9] as $risk) {
            self::assertEqualsWithDelta(
                1.0,
                $foretold($fitted)->quantile($risk) / $foretold($full)->quantile($risk),
                0.01,
            );
        }
        self::assertSame($full, $full->fittedTo(array_slice($vehicles, 0, 5)), 'few rule out nothing');
    }

    /** Of all layers renewed by the rule so many have failed before as was asked, however often somebody comes. */
    public function testCautionIsTheShareThatFailsBeforeItIsRenewed(): void
    {
        $luck = new Luck(9);
        $models = array_map(
            static fn(float $low): LearntForecast => (new LearntLife($low, 2.0 * $low))->forecast(null, null),
            [8.0, 10.0, 12.0, 16.0],
        );
        foreach ([0.1, 0.3, 0.5] as $asked) {
            foreach ([0.6, 1.5, 3.0] as $rhythm) {
                $visits = array_map(static fn(int $i): float => $i * $rhythm, range(1, 80));
                $failed = 0;
                for ($i = 0; $i < 4000; $i++) {
                    $model = $models[$i % 4];
                    $at = RenewalVisit::atShare($model, $visits, $asked, $luck->even())->index;
                    $failed += $model->quantile(min(0.999, max(0.001, $luck->even()))) < $visits[$at] ? 1 : 0;
                }
                self::assertEqualsWithDelta(100 * $asked, $failed / 40, 4.0, "{$asked} every {$rhythm}");
            }
        }
    }

    public function testTheCheapestVisitIsTheOneThatIsWhenAllAreTried(): void
    {
        $model = (new LearntLife(6.0, 12.0))->forecast(null, null);
        $visits = array_map(static fn(int $i): float => 1.3 * $i, range(1, 25));
        foreach ([[20.0, 15.0], [20.0, 2.0], [5.0, 40.0]] as [$renewal, $week]) {
            $luck = new Luck(2);
            $lives = array_map(
                static fn(): float => $model->quantile(min(0.999, max(0.001, $luck->even()))),
                range(1, 6000),
            );
            $rates = array_map(static function (int $last) use ($lives, $visits, $renewal, $week): float {
                $cost = $length = 0.0;
                foreach ($lives as $life) {
                    $end = 0;
                    while ($end < $last && $visits[$end] < $life) {
                        $end++;
                    }
                    $length += $visits[$end];
                    $cost += $renewal + $week * max(0.0, $visits[$end] - $life);
                }

                return $cost / $length;
            }, array_keys($visits));
            $best = RenewalVisit::atLeastLoss($model, $visits, $renewal, $week)->index;
            self::assertLessThan(1.02 * min($rates), $rates[$best], "{$renewal} and {$week}");
        }
        self::assertSame(
            24,
            RenewalVisit::atLeastLoss($model, $visits, 20.0, 0.0)->index,
            'where nothing is lost by waiting, one waits',
        );
    }

    /** @return list<Foretold> */
    private function told(Luck $luck, int $many, float $times, float $renewed): array
    {
        $all = [];
        for ($i = 0; $i < $many; $i++) {
            [$middle, $spread] = [log(6.0 + 6.0 * $luck->even()), 0.3 + 0.2 * $luck->even()];
            $quantiles = [];
            foreach (range(10, 90, 10) as $percent) {
                $quantiles[$percent] = exp($middle + $spread * Normal::quantile($percent / 100.0));
            }
            $life = exp($middle + $times * $spread * $luck->normal());
            $until = $renewed < 1.0 ? exp($middle + $spread * Normal::quantile($renewed)) : INF;
            [$held, $failed] = [0.0, null];
            for ($wear = $luck->even(); $wear <= $until && $failed === null; $wear += 0.7 + 0.6 * $luck->even()) {
                $wear >= $life ? ($failed = $wear) : ($held = $wear);
            }
            $all[] = new Foretold($quantiles, FailureInterval::of($held, $failed), 'v' . $i % 12);
        }

        return $all;
    }

    public function testRightForecastsAreCalledRightWheneverLayersAreRenewedAndNarrowOnesFound(): void
    {
        foreach ([0.5, 0.3, 0.1, 1.0] as $renewed) {
            $right = 0;
            for ($trial = 0; $trial < 30; $trial++) {
                $judged = Calibration::of($this->told(new Luck(500 + $trial), 60, 1.0, $renewed));
                $right +=
                    in_array($judged->place, [Leaning::Right, Leaning::TooEarly], true) &&
                    in_array($judged->spread, [Fit::Right, Fit::TooEarly], true)
                        ? 1
                        : 0;
            }
            self::assertGreaterThanOrEqual(25, $right, "renewed at {$renewed}");
        }
        $narrow = 0;
        for ($trial = 0; $trial < 30; $trial++) {
            $narrow +=
                Calibration::of($this->told(new Luck(900 + $trial), 60, 1.5, 1.0))->spread === Fit::TooNarrow ? 1 : 0;
        }
        self::assertGreaterThanOrEqual(23, $narrow);
        $judged = Calibration::of($this->told(new Luck(3), 40, 0.4, 1.0));
        self::assertSame([Leaning::Right, Fit::TooWide], [$judged->place, $judged->spread]);
        self::assertStringContainsString('too-few', Calibration::of($this->told(new Luck(3), 5, 1.0, 1.0))->says->code);
    }

    public function testABandHoldsWhatItSaysAndNothingIsDrawnWhereNothingWasSeen(): void
    {
        foreach ([10, 30] as $many) {
            $in = $drawn = 0;
            for ($trial = 0; $trial < 60; $trial++) {
                $luck = new Luck(70 * $many + $trial);
                $lives = [];
                for ($i = 0; $i < $many; $i++) {
                    $life = 8.0 * exp(0.35 * $luck->normal());
                    $until = $luck->even() < 0.5 ? 6.7 : INF;
                    [$held, $failed] = [0.0, null];
                    for (
                        $wear = $luck->even();
                        $wear <= $until && $failed === null;
                        $wear += 0.7 + 0.6 * $luck->even()
                    ) {
                        $wear >= $life ? ($failed = $wear) : ($held = $wear);
                    }
                    $lives[] = FailureInterval::of($held, $failed);
                }
                $curve = SurvivalCurve::of($lives, $trial);
                $seen = max(
                    0.0,
                    ...array_map(static fn(FailureInterval $one): float => $one->failed ?? $one->held, $lives),
                );
                self::assertLessThanOrEqual($seen + 1e-9, max([0.0, ...array_column($curve->points, 'wear')]));
                self::assertNull($curve->band($seen + 1.0));
                foreach ([0.25, 0.5, 0.75] as $share) {
                    $band = $curve->band(8.0 * exp(0.35 * Normal::quantile($share)));
                    if ($band !== null) {
                        $drawn++;
                        $in += $band[0] <= 1.0 - $share && 1.0 - $share <= $band[1] ? 1 : 0;
                    }
                }
            }
            self::assertEqualsWithDelta(80.0, (100 * $in) / $drawn, 12.0, "of {$many}");
        }
    }
}
