<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Protection;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Protection\Behaviour;
use Vicissa\Core\Protection\Gauge\GaugeReading;
use Vicissa\Core\Protection\Gauge\MarkedDrop;
use Vicissa\Core\Protection\Life\FailureInterval;
use Vicissa\Core\Protection\Life\LifeModel;
use Vicissa\Core\Protection\Proof\Calibration;
use Vicissa\Core\Protection\Proof\Foretold;
use Vicissa\Core\Protection\Proof\Leaning;
use Vicissa\Core\Protection\Proof\SurvivalCurve;

/**
 * What really lasts, and whether we were right: against estimators in other words, and against lives that are known.
 */
final class ProofTest extends TestCase
{
    use TestTrait;

    public function testLivesKnownExactlyGiveKaplanMeier(): void
    {
        $this->limitTo(60)
            ->forAll(Generators::choose(0, 10_000_000))
            ->then(function (int $seed): void {
                $random = new Randomizer(new Xoshiro256StarStar($seed));
                $lives = $known = [];
                for ($i = $random->getInt(3, 14); $i > 0; $i--) {
                    // Apart enough that every death has a cell of its own.
                    $at = $random->getInt(1, 40) + $i / 100;
                    $died = $random->getInt(0, 2) > 0;
                    $known[] = [$at, $died];
                    $lives[] = $died ? FailureInterval::of($at - 1e-6, $at) : FailureInterval::of($at);
                }
                $curve = SurvivalCurve::of($lives);
                usort($known, static fn(array $a, array $b): int => $a <=> $b);
                $holds = 1.0;
                foreach ($known as $i => [$at, $died]) {
                    $holds *= $died ? 1.0 - 1.0 / (count($known) - $i) : 1.0;
                    // After the last observation, if it was not a death, the estimate says nothing.
                    if ($i < count($known) - 1 || $died) {
                        self::assertEqualsWithDelta($holds, $curve->holds($at + 1e-7), 2e-4, "seed {$seed} at {$at}");
                    }
                }
            });
    }

    /**
     * A life known between two readings lies between them, whatever else is known, and its median is that of the drawn
     * ones.
     */
    public function testALifeSeenToEndLiesBetweenItsReadings(): void
    {
        $model = new LifeModel(6.0, 10.0);
        $random = new Randomizer(new Xoshiro256StarStar(11));
        $unit = static fn(): float => $random->getInt(1, 1_000_000) / 1_000_000;
        $normal = static fn(): float => sqrt(-2.0 * log($unit())) * cos(2.0 * M_PI * $unit());
        foreach ([[2.0, 5.0], [0.0, 4.0], [7.0, 7.5], [9.0, 20.0]] as [$held, $failed]) {
            $forecast = $model->forecast([], [], $held, $failed);
            $lives = [];
            while (count($lives) < 3000) {
                $life = exp($model->priorMean + $model->priorSpread * $normal() + 0.2 * $normal() + 0.25 * $normal());
                if ($life > $held && $life <= $failed) {
                    $lives[] = $life;
                }
            }
            sort($lives);
            self::assertEqualsWithDelta(0.5, $forecast->risk($lives[1500]), 0.03, "{$held} to {$failed}");
            self::assertGreaterThan($held, $forecast->quantile(0.01));
            self::assertLessThanOrEqual($failed + 1e-9, $forecast->quantile(0.99));
            self::assertEqualsWithDelta(0.3, $forecast->risk($forecast->quantile(0.3)), 1e-6);
        }
        $this->expectException(InvalidInput::class);
        $model->forecast([], [], 4.0, 3.0);
    }

    public function testTheCurveIsTheLikeliestOfAll(): void
    {
        $this->limitTo(40)
            ->forAll(Generators::choose(0, 10_000_000))
            ->then(function (int $seed): void {
                $random = new Randomizer(new Xoshiro256StarStar($seed));
                $lives = [];
                for ($i = 0; $i < 9; $i++) {
                    $held = $random->getInt(0, 12);
                    $lives[] = FailureInterval::of(
                        (float) $held,
                        $random->getInt(0, 3) === 0 ? null : (float) $held + $random->getInt(1, 6),
                    );
                }
                $curve = SurvivalCurve::of($lives);
                if ($curve->steps === []) {
                    return;
                }
                self::assertEqualsWithDelta(1.0, array_sum(array_column($curve->steps, 'mass')), 1e-6);
                $likelihood = static fn(array $mass): float => array_sum(
                    array_map(
                        static fn(FailureInterval $life): float => log(
                            max(
                                1e-300,
                                array_sum(
                                    array_map(
                                        static fn(array $step, float $one): float => $step['from'] >= $life->held &&
                                        ($life->failed === null ||
                                            ($step['to'] !== null && $step['to'] <= $life->failed))
                                            ? $one
                                            : 0.0,
                                        $curve->steps,
                                        $mass,
                                    ),
                                ),
                            ),
                        ),
                        array_values(
                            array_filter(
                                $lives,
                                static fn(FailureInterval $life): bool => $life->failed !== null || $life->held > 0.0,
                            ),
                        ),
                    ),
                );
                $best = $likelihood(array_column($curve->steps, 'mass'));
                for ($try = 0; $try < 40; $try++) {
                    $other = array_map(
                        static fn(): float => -log($random->getInt(1, 1_000_000) / 1_000_000),
                        $curve->steps,
                    );
                    $other = array_map(static fn(float $one): float => $one / array_sum($other), $other);
                    self::assertLessThanOrEqual($best + 1e-3, $likelihood($other));
                }
                $before = 1.0;
                foreach ($curve->points as $point) {
                    self::assertLessThanOrEqual($before + 1e-9, $point['holds']);
                    self::assertLessThanOrEqual($point['high'] + 1e-9, $point['low']);
                    $before = $point['holds'];
                }
                self::assertEquals($curve, SurvivalCurve::of($lives), 'the same layers give the same band');
            });
    }

    public function testFewLayersAreCalledFew(): void
    {
        self::assertTrue(SurvivalCurve::of([FailureInterval::of(3.0, 4.0), FailureInterval::of(5.0)])->isTooFew());
        self::assertNull(SurvivalCurve::of([FailureInterval::of(3.0), FailureInterval::of(5.0)])->median());
        self::assertSame('calibration.too-few', Calibration::of([])->says->code);
    }

    /**
     * Lives are drawn as the world of the model has them, read now and then, and the next life forecast from what was
     * read: the 80 % interval has to hold 80 ± 5 %, the median to be unbiased within 5 %.
     */
    public function testFiveHundredHistoriesOfKnownLives(): void
    {
        $random = new Randomizer(new Xoshiro256StarStar(20261125));
        $unit = static fn(): float => $random->getInt(1, 1_000_000_000) / 1_000_000_001;
        $normal = static fn(): float => sqrt(-2.0 * log($unit())) * cos(2.0 * M_PI * $unit());
        $read = static function (float $life) use ($unit): FailureInterval {
            // Looked at every week or two of wear; sometimes renewed on a day that had nothing to do with it.
            $held = 0.0;
            $until = $unit() < 0.4 ? 2.0 + 6.0 * $unit() : INF;
            for ($wear = 0.5 + $unit(); $wear < $until; $wear += 0.6 + 1.2 * $unit()) {
                if ($wear >= $life) {
                    return FailureInterval::of($held, $wear);
                }
                $held = $wear;
            }

            return FailureInterval::of($held);
        };
        $model = new LifeModel(5.0, 10.0);
        $inside = $below = 0;
        $ratios = $all = [];
        for ($history = 0; $history < 500; $history++) {
            $mu = $model->priorMean + $model->priorSpread * $normal();
            $draw = static fn(float $v): float => exp($mu + $v + 0.25 * $normal());
            $others = [];
            for ($i = $random->getInt(0, 8); $i > 0; $i--) {
                $v = 0.2 * $normal();
                $others[] = $model->vehicleEvidence(
                    array_map(static fn(): FailureInterval => $read($draw($v)), range(1, $random->getInt(1, 3))),
                );
            }
            $v = 0.2 * $normal();
            $own =
                $random->getInt(0, 3) === 0
                    ? []
                    : array_map(static fn(): FailureInterval => $read($draw($v)), range(1, $random->getInt(1, 3)));
            $life = $model->forecast(LifeModel::together($others), $own, 0.0);
            $true = $draw($v);
            [$p10, $p50, $p90] = [$life->quantile(0.1), $life->quantile(0.5), $life->quantile(0.9)];
            $inside += $true >= $p10 && $true <= $p90 ? 1 : 0;
            $below += $true < $p50 ? 1 : 0;
            $ratios[] = log($true / $p50);
            $quantiles = [];
            foreach (range(10, 90, 10) as $percent) {
                $quantiles[$percent] = $life->quantile($percent / 100);
            }
            $all[] = new Foretold($quantiles, $read($true));
        }
        self::assertEqualsWithDelta(0.8, $inside / 500, 0.05, 'the 80 % interval');
        self::assertEqualsWithDelta(0.5, $below / 500, 0.05, 'the median lies in the middle');
        sort($ratios);
        self::assertEqualsWithDelta(1.0, exp(($ratios[249] + $ratios[250]) / 2), 0.05, 'and is unbiased');
        $calibration = Calibration::of($all);
        self::assertSame('calibration.right', $calibration->says->code);
        self::assertLessThan(8.0, $calibration->offBy);
        // A forecaster who promises half as much again is found out.
        $boastful = array_map(
            static fn(Foretold $one): Foretold => new Foretold(
                array_map(static fn(float $at): float => 1.5 * $at, $one->quantiles),
                $one->life,
            ),
            $all,
        );
        self::assertSame(Leaning::Sooner, Calibration::of($boastful)->place);
    }

    public function testTheGaugeReadsADropHoweverThePhotoLeans(): void
    {
        $this->limitTo(120)
            ->forAll(Generators::choose(20, 140), Generators::choose(-40, 40), Generators::choose(60, 400))
            ->then(function (int $angle, int $lean, int $base): void {
                $height = 0.5 * $base * tan(deg2rad($angle) / 2.0);
                $turn = static fn(float $x, float $y): array => [
                    500 + $x * cos(deg2rad($lean)) - $y * sin(deg2rad($lean)),
                    400 + $x * sin(deg2rad($lean)) + $y * cos(deg2rad($lean)),
                ];
                $drop = MarkedDrop::at($turn(-$base / 2, 0.0), $turn($base / 2, 0.0), $turn(0.0, -$height));
                self::assertEqualsWithDelta($angle, $drop->angleDeg, 1e-6);
                self::assertEqualsWithDelta(
                    $drop->uncertaintyDeg / 2.0,
                    MarkedDrop::at($turn(-$base, 0.0), $turn($base, 0.0), $turn(0.0, -2.0 * $height))->uncertaintyDeg,
                    1e-6,
                    'twice as large, half as unsure',
                );
            });
    }

    public function testItsUncertaintyIsWhatShakyMarksReallyDo(): void
    {
        $random = new Randomizer(new Xoshiro256StarStar(7));
        $unit = static fn(): float => $random->getInt(1, 1_000_000_000) / 1_000_000_001;
        $shake = static fn(): float => 1.5 * sqrt(-2.0 * log($unit())) * cos(2.0 * M_PI * $unit());
        foreach ([35, 75, 105] as $angle) {
            $height = 80.0 * tan(deg2rad($angle) / 2.0);
            $angles = [];
            for ($i = 0; $i < 4000; $i++) {
                $angles[] = MarkedDrop::at(
                    [20.0 + $shake(), 300.0 + $shake()],
                    [180.0 + $shake(), 300.0 + $shake()],
                    [100.0 + $shake(), 300.0 - $height + $shake()],
                )->angleDeg;
            }
            $mean = array_sum($angles) / 4000;
            $spread = sqrt(array_sum(array_map(static fn(float $one): float => ($one - $mean) ** 2, $angles)) / 3999);
            self::assertEqualsWithDelta(
                1.0,
                MarkedDrop::at([20.0, 300.0], [180.0, 300.0], [100.0, 300.0 - $height])->uncertaintyDeg / $spread,
                0.06,
            );
        }
    }

    public function testSeveralDropsAreKnownBetterThanOneAndDoubtIsSaid(): void
    {
        $drop = static fn(float $angle): MarkedDrop => MarkedDrop::at(
            [0.0, 0.0],
            [200.0, 0.0],
            [100.0, -100.0 * tan(deg2rad($angle) / 2.0)],
        );
        $one = GaugeReading::of([$drop(92.0)]);
        $four = GaugeReading::of([$drop(91.8), $drop(92.2), $drop(92.0), $drop(92.0)]);
        self::assertEqualsWithDelta(92.0, $four->angleDeg, 1e-6);
        self::assertEqualsWithDelta($one->uncertaintyDeg / 2.0, $four->uncertaintyDeg, 1e-3);
        self::assertSame([Behaviour::Good, null], [$four->behaviour, $four->orElse]);
        self::assertSame(
            Behaviour::Weak,
            GaugeReading::of([$drop(85.5)])->orElse,
            'on the edge it may as well be weak',
        );
        self::assertGreaterThan(
            5.0,
            GaugeReading::of([$drop(80.0), $drop(110.0), $drop(95.0)])->uncertaintyDeg,
            'drops that differ are not known well',
        );
        foreach (
            [
                [[0.0, 0.0], [3.0, 0.0], [1.0, -2.0], 'fault.drop-feet'],
                [[0.0, 0.0], [200.0, 0.0], [260.0, -50.0], 'fault.drop-top'],
            ]
            as [$left, $right, $top, $says]
        ) {
            try {
                MarkedDrop::at($left, $right, $top);
                self::fail();
            } catch (InvalidInput $e) {
                self::assertSame($says, $e->says->code);
            }
        }
    }
}
