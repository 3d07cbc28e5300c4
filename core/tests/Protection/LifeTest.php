<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Protection;

use Eris\Generator\ChooseGenerator;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Protection\Life\FailureInterval;
use Vicissa\Core\Protection\Life\LifeForecast;
use Vicissa\Core\Protection\Life\LifeModel;
use Vicissa\Core\Protection\Life\Normal;

final class LifeTest extends TestCase
{
    use TestTrait;

    public function testWithoutEvidenceItIsTheLabelInClosedForm(): void
    {
        $model = new LifeModel(4.0, 9.0);
        $spread = sqrt($model->priorSpread ** 2 + 0.25 ** 2 + 0.2 ** 2);
        $life = $model->forecast([], [], 0.0);
        self::assertEqualsWithDelta(0.8 * 6.0, $life->productLife, 1e-6);
        foreach ([0.1, 0.3, 0.5, 0.9] as $risk) {
            self::assertEqualsWithDelta(4.8 * exp($spread * $this->z($risk)), $life->quantile($risk), 1e-4);
        }
    }

    public function testHavingHeldLongerNeverShortensWhatIsExpected(): void
    {
        $this->limitTo(40)
            ->forAll(new ChooseGenerator(0, 150), new ChooseGenerator(1, 50))
            ->then(function (int $tenths, int $more): void {
                $model = new LifeModel(4.0, 10.0);
                $shorter = $model->forecast([], [], $tenths / 10);
                $longer = $model->forecast([], [], ($tenths + $more) / 10);
                self::assertGreaterThan($shorter->productLife, $longer->productLife);
                self::assertGreaterThan($shorter->quantile(0.3), $longer->quantile(0.3));
                // It holds now: the date can't lie behind what it has survived.
                self::assertGreaterThanOrEqual(($tenths + $more) / 10, $longer->quantile(0.01));
            });
    }

    public function testMoreWearNeverLowersTheRisk(): void
    {
        $life = $this->some();
        $this->limitTo(60)
            ->forAll(new ChooseGenerator(0, 300), new ChooseGenerator(1, 100))
            ->then(static function (int $tenths, int $more) use ($life): void {
                self::assertGreaterThanOrEqual($life->risk($tenths / 10), $life->risk(($tenths + $more) / 10));
            });
    }

    public function testQuantileAndRiskAreEachOthersInverse(): void
    {
        $life = $this->some();
        $this->limitTo(60)
            ->forAll(new ChooseGenerator(1, 99))
            ->then(static function (int $percent) use ($life): void {
                self::assertEqualsWithDelta($percent / 100, $life->risk($life->quantile($percent / 100)), 1e-6);
            });
    }

    public function testMuchEvidenceOverrulesTheLabel(): void
    {
        $model = new LifeModel(4.0, 10.0);
        // Three hundred vehicles whose layers all failed between 2.7 and 3.3 wear-weeks.
        $one = $model->vehicleEvidence([FailureInterval::of(2.7, 3.3), FailureInterval::of(2.8, 3.2)]);
        $all = LifeModel::together(array_fill(0, 300, $one));
        self::assertEqualsWithDelta(3.0, $model->forecast($all, [], 0.0)->productLife, 0.06);
    }

    public function testFineLatticesAgreeWithCoarseOnes(): void
    {
        // Fifty layers of one vehicle make a likelihood far narrower than the widest step.
        $model = new LifeModel(4.0, 10.0);
        $layers = array_fill(0, 50, FailureInterval::of(4.9, 5.1));
        $life = $model->forecast([], $layers, 0.0);
        // μ + v is known to be ln 5 and the prior splits it by variance.
        $share = $model->priorSpread ** 2 / ($model->priorSpread ** 2 + 0.04);
        self::assertEqualsWithDelta(
            exp($model->priorMean + $share * (log(5.0) - $model->priorMean)),
            $life->productLife,
            0.05,
        );
        self::assertEqualsWithDelta(5.0, $life->quantile(0.5), 0.03);
    }

    public function testContradictionsAreRefusedInWords(): void
    {
        foreach (
            [
                static fn() => new LifeModel(10.0, 4.0),
                static fn() => FailureInterval::of(5.0, 4.0),
                static fn() => FailureInterval::of(NAN),
                static fn() => (new LifeModel(4.0, 10.0))->forecast([], [], -1.0),
            ]
            as $impossible
        ) {
            try {
                $impossible();
                self::fail('Nonsense was accepted.');
            } catch (InvalidInput $e) {
                self::assertNotSame('', $e->field);
                self::assertStringStartsWith('fault.', $e->says->code);
            }
        }
    }

    public function testTheNormalDistributionKeepsItsDigitsInBothTails(): void
    {
        self::assertEqualsWithDelta(0.97500210485178, Normal::below(1.96), 1e-13);
        self::assertEqualsWithDelta(7.61985302416052e-24, Normal::above(10.0), 1e-31);
        self::assertEqualsWithDelta(Normal::above(8.0) - Normal::above(8.1), Normal::between(8.0, 8.1), 1e-28);
        self::assertEqualsWithDelta(-1.2815515655446004, Normal::quantile(0.1), 1e-8);
    }

    private function some(): LifeForecast
    {
        return (new LifeModel(4.0, 10.0))->forecast([], [FailureInterval::of(3.0, 5.0), FailureInterval::of(6.0)], 1.0);
    }

    /** By bisection on the distribution itself, so that the quantile code is not tested with its own help. */
    private function z(float $p): float
    {
        [$low, $high] = [-9.0, 9.0];
        for ($i = 0; $i < 100; $i++) {
            $middle = 0.5 * ($low + $high);
            Normal::below($middle) < $p ? ($low = $middle) : ($high = $middle);
        }

        return $low;
    }
}
