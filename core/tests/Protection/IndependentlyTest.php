<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Protection;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Vicissa\Core\Protection\Habits;
use Vicissa\Core\Protection\Life\FailureInterval;
use Vicissa\Core\Protection\Life\LifeModel;
use Vicissa\Core\Protection\Road;
use Vicissa\Core\Protection\Storage;
use Vicissa\Core\Protection\Wash;
use Vicissa\Core\Protection\WashTrait;
use Vicissa\Core\Protection\WearAccount;
use Vicissa\Core\Protection\WearPath;

/**
 * The models against the plainest way of reckoning the same thing: slow, without lattices, shared code or cleverness.
 */
final class IndependentlyTest extends TestCase
{
    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        foreach (range(1, 8) as $seed) {
            yield "case {$seed}" => [$seed];
        }
    }

    #[DataProvider('seeds')]
    public function testLifeAgainstADoubleSum(int $seed): void
    {
        $chance = new Randomizer(new Mt19937($seed));
        $label = [$chance->getInt(20, 60) / 10, $chance->getInt(70, 160) / 10];
        $interval = static function () use ($chance): array {
            $held = $chance->getInt(0, 80) / 10;

            return [$held, $chance->getInt(0, 2) === 0 ? null : $held + $chance->getInt(5, 30) / 10];
        };
        $own = array_map($interval, range(1, $chance->getInt(1, 4)));
        $others = array_map(
            static fn(): array => array_map($interval, range(1, $chance->getInt(1, 3))),
            range(1, $chance->getInt(1, 5)),
        );
        $worn = $chance->getInt(0, 3) === 0 ? 0.0 : $chance->getInt(1, 60) / 10;

        $model = new LifeModel(...$label);
        $as = static fn(array $pairs): array => array_values(
            array_map(static fn(array $pair): FailureInterval => FailureInterval::of($pair[0], $pair[1]), $pairs),
        );
        $curves = array_values(
            array_map(static fn(array $pairs): array => $model->vehicleEvidence($as($pairs)), $others),
        );
        $life = $model->forecast(LifeModel::together($curves), $as($own), $worn);
        $plain = $this->doubleSum($label, $own, $others, $worn);

        self::assertEqualsWithDelta($plain['product_life'], $life->productLife, 2e-3 * $plain['product_life']);
        foreach ([0.1, 0.5, 0.9] as $risk) {
            self::assertEqualsWithDelta($risk, $this->chanceBy($life->quantile($risk), $plain, $worn), 2e-3);
        }
    }

    #[DataProvider('seeds')]
    public function testWearAgainstADiary(int $seed): void
    {
        $chance = new Randomizer(new Mt19937(100 + $seed));
        $storage = Storage::cases()[$chance->getInt(0, 4)];
        $road = Road::cases()[$chance->getInt(0, 2)];
        $km = $chance->getInt(0, 900);
        $washes = [];
        for ($day = $chance->getInt(0, 9); $day < 120; $day += $chance->getInt(3, 20)) {
            $traits = array_values(array_filter(WashTrait::cases(), static fn(): bool => $chance->getInt(0, 6) === 0));
            $washes[$day] = new Wash((float) $day, $traits, $chance->getInt(0, 1) === 1);
        }
        $path = WearPath::of(Habits::of($storage, $road, (float) $km), array_values($washes));
        $account = WearAccount::of(Habits::of($storage, $road, (float) $km), array_values($washes), 40.0);
        self::assertEqualsWithDelta($path->at(40.0), $account->worn, 1e-9, 'the account adds up to the path');

        $factor = ['heated-garage' => 0.5, 'garage' => 0.6, 'carport' => 0.8, 'outdoors' => 1.0, 'harsh' => 1.3];
        $roads = ['normal' => 1.0, 'unpaved' => 1.3, 'salted' => 1.6];
        $hard = [
            'touchless' => 0.8,
            'rinseless' => 0.9,
            'contact' => 1.0,
            'waterless' => 1.0,
            'alkaline-prewash' => 1.8,
            'iron-remover' => 2.5,
            'machine-brush' => 4.0,
            'clay' => 4.0,
            'stripping-cleaner' => 12.0,
        ];
        $worn = 0.0;
        for ($day = 0; $day < 120; $day++) {
            if (isset($washes[$day])) {
                $of = array_map(static fn(WashTrait $trait): float => $hard[$trait->value], $washes[$day]->traits);
                $worn += 0.25 * ($of === [] ? 1.0 : max($of));
                $worn = $washes[$day]->dryingAid ? max(0.0, $worn - 0.35) : $worn;
            }
            self::assertEqualsWithDelta($worn, $path->at((float) $day), 1e-9, "day {$day}");
            $worn += (0.5 * $factor[$storage->value] + ((0.25 * $km) / 200) * $roads[$road->value]) / 7;
        }
    }

    /**
     * Posterior weights over a plain grid of μ and v, everything evaluated anew at each point.
     *
     * @param array{float, float} $label
     * @param list<array{float, float|null}> $own
     * @param list<list<array{float, float|null}>> $others
     * @return array{product_life: float, grid: list<array{float, float}>}  ln life's centre and weight
     */
    private function doubleSum(array $label, array $own, array $others, float $worn): array
    {
        $centre = log(0.8 * sqrt($label[0] * $label[1]));
        $spread = max(0.25, log($label[1] / $label[0]) / 2);
        $vs = range(-1.0, 1.0, 0.05);
        $mass = $moment = 0.0;
        $grid = [];
        for ($mu = $centre - 5 * $spread; $mu <= $centre + 5 * $spread; $mu += $spread / 20) {
            $atMu = exp(-0.5 * (($mu - $centre) / $spread) ** 2);
            foreach ($others as $layers) {
                $atMu *= array_sum(
                    array_map(
                        fn(float $v): float => exp(-0.5 * ($v / 0.2) ** 2) * $this->likely($layers, $mu + $v),
                        $vs,
                    ),
                );
            }
            foreach ($vs as $v) {
                $weight = $atMu * exp(-0.5 * ($v / 0.2) ** 2) * $this->likely($own, $mu + $v);
                $grid[] = [$mu + $v, $weight];
                $alive = $weight * ($worn > 0.0 ? 1 - $this->normal((log($worn) - $mu - $v) / 0.25) : 1.0);
                $mass += $alive;
                $moment += $alive * $mu;
            }
        }

        return ['product_life' => exp($moment / $mass), 'grid' => $grid];
    }

    /**
     * The chance that a layer that has held to $worn has failed by $wear.
     *
     * @param array{product_life: float, grid: list<array{float, float}>} $plain
     */
    private function chanceBy(float $wear, array $plain, float $worn): float
    {
        $failed = $alive = 0.0;
        foreach ($plain['grid'] as [$t, $weight]) {
            $start = $worn > 0.0 ? $this->normal((log($worn) - $t) / 0.25) : 0.0;
            $failed += $weight * ($this->normal((log($wear) - $t) / 0.25) - $start);
            $alive += $weight * (1 - $start);
        }

        return $failed / $alive;
    }

    /** @param list<array{float, float|null}> $layers */
    private function likely(array $layers, float $t): float
    {
        $product = 1.0;
        foreach ($layers as [$held, $failed]) {
            $product *=
                ($failed === null ? 1.0 : $this->normal((log($failed) - $t) / 0.25)) -
                ($held > 0.0 ? $this->normal((log($held) - $t) / 0.25) : 0.0);
        }

        return $product;
    }

    /** Abramowitz & Stegun 7.1.26: another approximation than the model's own, good to 1.5e-7. */
    private function normal(float $z): float
    {
        $x = abs($z) / M_SQRT2;
        $t = 1 / (1 + 0.3275911 * $x);
        $erf =
            1 -
            ((((1.061405429 * $t - 1.453152027) * $t + 1.421413741) * $t - 0.284496736) * $t + 0.254829592) *
                $t *
                exp(-$x * $x);

        return 0.5 * (1 + ($z < 0 ? -$erf : $erf));
    }
}
