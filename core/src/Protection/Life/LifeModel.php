<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection\Life;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

/**
 * How long a layer lasts (domain, model "due"): ln life = μ(product) + v(vehicle) + e, with a normal prior of μ
 * around the label. The integrals over μ and v are trapezoid sums over lattices in ln wear-weeks. For a Gaussian of
 * width σ the error of that rule falls as exp(−2π²σ²/step²), so the steps are chosen from the narrowest factor:
 * the more layers there are, the finer the lattice.
 *
 * Evidence of a product is gathered once along μ (vehicleEvidence) and used for each of its vehicles.
 */
final readonly class LifeModel
{
    /** Half-width of every grid, in standard deviations. */
    private const REACH = 6.0;

    /** Widest step in ln wear-weeks; evidence along μ, already smoothed by v, is kept at this step. */
    private const STEP = 0.08;

    /** Logarithms this far under the best contribute nothing in double precision sums. */
    private const NEGLIGIBLE = 40.0;

    public float $priorMean;

    public float $priorSpread;

    private int $muHalf;

    /**
     * @param float $labelLow      weeks, by the label
     * @param float $labelHigh     weeks, by the label
     * @param float $optimism      what part of a label's middle is believed before anything is known
     * @param float $layerSpread   standard deviation of e
     * @param float $vehicleSpread standard deviation of v
     *
     * @throws InvalidInput
     */
    public function __construct(
        float $labelLow,
        float $labelHigh,
        float $optimism = 0.8,
        private float $layerSpread = 0.25,
        private float $vehicleSpread = 0.2,
    ) {
        InvalidInput::unlessBetween('label_weeks', $labelLow, 0.1, 2000, 'weeks');
        InvalidInput::unlessBetween('label_weeks', $labelHigh, 0.1, 2000, 'weeks');
        if ($labelHigh < $labelLow) {
            throw InvalidInput::at('label_weeks', Said::of('fault.label-weeks'));
        }
        $this->priorMean = log($optimism * sqrt($labelLow * $labelHigh));
        $this->priorSpread = max(0.25, log($labelHigh / $labelLow) / 2.0);
        $this->muHalf = (int) ceil((self::REACH * $this->priorSpread) / self::STEP);
    }

    /**
     * Ln likelihood of one vehicle's layers along μ, its own v integrated out.
     *
     * @param list<FailureInterval> $intervals
     * @return list<float> one value for each lattice point of μ; add the lists of several vehicles point by point
     */
    public function vehicleEvidence(array $intervals): array
    {
        $parts = $this->partsFor(count($intervals));
        $step = self::STEP / $parts;
        $weights = $this->vehicleWeights($step);
        $half = intdiv(count($weights), 2);
        $first = $this->priorMean - $this->muHalf * self::STEP - $half * $step;
        $alongT = $this->likelihood($intervals, $first, $step, 2 * $this->muHalf * $parts + count($weights));
        [$scaled, $shift] = self::scaled($alongT);

        $evidence = [];
        for ($i = 0; $i <= 2 * $this->muHalf; $i++) {
            $sum = 0.0;
            $at = $i * $parts;
            foreach ($weights as $weight) {
                $sum += $weight * $scaled[$at++];
            }
            $evidence[] = $shift + ($sum > 0.0 ? log($sum) : -1e5);
        }

        return $evidence;
    }

    /**
     * The evidence of several vehicles as one.
     *
     * @param list<list<float>> $curves  from vehicleEvidence, of one model
     * @return list<float> empty for none
     */
    public static function together(array $curves): array
    {
        if ($curves === []) {
            return [];
        }

        return array_map(static fn(float ...$values): float => array_sum($values), ...$curves);
    }

    /**
     * @param list<float> $others     ln likelihood of the other vehicles along μ (sums of vehicleEvidence), [] for none
     * @param list<FailureInterval> $own  this vehicle's earlier layers of the product
     * @param float $worn                 wear-weeks to which the layer asked about is known to have held
     * @param float|null $failed          wear-weeks by which it had failed, where that has been seen
     *
     * @throws InvalidInput
     */
    public function forecast(array $others, array $own, float $worn, ?float $failed = null): LifeForecast
    {
        InvalidInput::unlessBetween('worn', $worn, 0, 10000, 'wear-weeks');
        if ($failed !== null && $failed <= $worn) {
            throw InvalidInput::at('failed', Said::of('fault.failed-after-held'));
        }
        // μ may have to be resolved finely (many other vehicles), t = μ + v only as finely as this vehicle's own layers
        // ask.
        $ownParts = $this->partsFor(count($own));
        [$from, $to, $stride] = $this->region($others, $ownParts);
        $fine = self::STEP / ($ownParts * $stride);
        [$prior] = self::scaled($this->refined($others, $from, $to, $ownParts * $stride));
        $weights = $this->vehicleWeights($fine);
        $firstMu = $this->priorMean + ($from - $this->muHalf) * self::STEP;
        $firstT = $firstMu - intdiv(count($weights), 2) * $fine;
        $count = intdiv(count($prior) + count($weights) - 2, $stride) + 1;
        $coarse = $fine * $stride;
        [$likelihood] = self::scaled($this->likelihood($own, $firstT, $coarse, $count));

        $points = $mixture = [];
        $mass = $moment = 0.0;
        for ($k = 0; $k < $count; $k++) {
            [$weight, $mu] = self::fold($prior, $weights, $k * $stride);
            $weight *= $likelihood[$k];
            $t = $firstT + $k * $coarse;
            $points[] = $t;
            $mixture[] = $weight;
            $alive =
                $weight * $this->chance($worn > 0.0 ? log($worn) : null, $failed === null ? null : log($failed), $t);
            $mass += $alive;
            $moment += $alive * ($firstMu + $mu * $fine);
        }
        if ($mass <= 0.0) {
            throw InvalidInput::at('worn', Said::of('fault.outlived'));
        }
        $floor = 1e-11 * ($mixture === [] ? 0.0 : max($mixture));
        $matters = array_keys(array_filter($mixture, static fn(float $weight): bool => $weight > $floor));

        return new LifeForecast(
            exp($moment / $mass),
            array_map(static fn(int $k): float => $points[$k], $matters),
            array_map(static fn(int $k): float => $mixture[$k], $matters),
            $this->layerSpread,
            $worn,
            $failed,
        );
    }

    /**
     * One point of the convolution of μ and v, and the mean lattice point of μ in it.
     *
     * @param list<float> $prior
     * @param list<float> $weights
     * @return array{float, float}
     */
    private static function fold(array $prior, array $weights, int $at): array
    {
        $sum = $moment = 0.0;
        $last = min($at, count($prior) - 1);
        for ($i = max(0, $at - count($weights) + 1); $i <= $last; $i++) {
            $weight = $prior[$i] * $weights[$at - $i];
            $sum += $weight;
            $moment += $weight * $i;
        }

        return [$sum, $sum > 0.0 ? $moment / $sum : 0.0];
    }

    /**
     * The stretch of μ that matters, and into how many more parts its steps must be cut.
     *
     * @param list<float> $others
     * @return array{int, int, int} first and last lattice point, further parts
     */
    private function region(array $others, int $parts): array
    {
        $logs = $this->posterior($others);
        $floor = max([-INF, ...$logs]) - self::NEGLIGIBLE;
        $within = array_keys(array_filter($logs, static fn(float $log): bool => $log > $floor));
        $from = max(0, ($within[0] ?? 0) - 1);
        $to = min(2 * $this->muHalf, ($within[count($within) - 1] ?? 0) + 1);

        // Within NEGLIGIBLE lie about ±9 standard deviations; forty points across them are ample.
        return [$from, $to, max(1, (int) ceil(40 / (max(1, $to - $from - 2) * $parts)))];
    }

    /**
     * @param list<float> $others
     * @return list<float> ln prior + ln likelihood at the lattice points of μ
     */
    private function posterior(array $others): array
    {
        $logs = [];
        for ($i = 0; $i <= 2 * $this->muHalf; $i++) {
            $z = (($i - $this->muHalf) * self::STEP) / $this->priorSpread;
            $logs[] = -0.5 * $z * $z + ($others[$i] ?? 0.0);
        }

        return $logs;
    }

    /**
     * The same on the finer lattice, by cubic convolution of its slowly bending logarithm (Catmull–Rom).
     *
     * @param list<float> $others
     * @return list<float>
     */
    private function refined(array $others, int $from, int $to, int $parts): array
    {
        $logs = $this->posterior($others);
        if ($parts === 1) {
            return array_slice($logs, $from, $to - $from + 1);
        }
        $fine = [];
        for ($i = $from; $i < $to; $i++) {
            [$b, $c] = [$logs[$i], $logs[$i + 1]];
            $a = $logs[$i - 1] ?? 2.0 * $b - $c;
            $d = $logs[$i + 2] ?? 2.0 * $c - $b;
            for ($p = 0; $p < $parts; $p++) {
                $u = $p / $parts;
                $fine[] =
                    $b +
                    0.5 *
                        $u *
                        ($c - $a + $u * (2.0 * $a - 5.0 * $b + 4.0 * $c - $d + $u * (3.0 * ($b - $c) + $d - $a)));
            }
        }
        $fine[] = $logs[$to];

        return $fine;
    }

    /**
     * Ln likelihood of layers along t = μ + v.
     *
     * @param list<FailureInterval> $intervals
     * @return list<float>
     */
    private function likelihood(array $intervals, float $first, float $step, int $count): array
    {
        $alongT = array_fill(0, $count, 0.0);
        foreach ($intervals as $interval) {
            $held = $interval->held > 0.0 ? log($interval->held) : null;
            $failed = $interval->failed === null ? null : log($interval->failed);
            if ($held === null && $failed === null) {
                continue;
            }
            for ($k = 0; $k < $count; $k++) {
                $t = $first + $k * $step;
                $chance = $this->chance($held, $failed, $t);
                $alongT[$k] += $chance > 0.0 ? log($chance) : -750.0;
            }
        }

        return array_values($alongT);
    }

    /**
     * The chance that a layer of product and vehicle t ends after one and by the other.
     *
     * @param float|null $held    ln wear-weeks; null for none
     * @param float|null $failed  ln wear-weeks; null while it holds
     */
    private function chance(?float $held, ?float $failed, float $t): float
    {
        return match (true) {
            $held === null && $failed === null => 1.0,
            $failed === null => Normal::above(($held - $t) / $this->layerSpread),
            $held === null => Normal::below(($failed - $t) / $this->layerSpread),
            default => Normal::between(($held - $t) / $this->layerSpread, ($failed - $t) / $this->layerSpread),
        };
    }

    /** @return list<float> weights of v, symmetric about its zero */
    private function vehicleWeights(float $step): array
    {
        $half = (int) ceil((self::REACH * $this->vehicleSpread) / $step);
        $weights = [];
        for ($j = -$half; $j <= $half; $j++) {
            $weights[] = (Normal::density(($j * $step) / $this->vehicleSpread) * $step) / $this->vehicleSpread;
        }

        return $weights;
    }

    /** Steps must stay under two thirds of the width that so many layers leave to t. */
    private function partsFor(int $layers): int
    {
        return max(1, (int) ceil((self::STEP * 1.5 * sqrt(max(1, $layers))) / $this->layerSpread));
    }

    /**
     * Exponentials of logarithms, the largest taken as 1 so that nothing underflows.
     *
     * @param list<float> $logs
     * @return array{list<float>, float} the scaled values and the logarithm taken out
     */
    private static function scaled(array $logs): array
    {
        $top = $logs === [] ? 0.0 : max($logs);

        return [array_map(static fn(float $log): float => exp($log - $top), $logs), $top];
    }
}
