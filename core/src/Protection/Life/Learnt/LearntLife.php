<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection\Life\Learnt;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Protection\Life\Normal;
use Vicissa\Core\Says\Said;

/**
 * How long a layer lasts when nothing about its spread is taken for granted: ln life = μ(product) + v(vehicle) + e(layer), where
 * the distribution of e ({@see Scatter}), the spread of v and the share of wrong readings are learnt with everything else
 * (docs/forecast.md). The integrals over μ and v are trapezoid sums over one lattice in ln wear-weeks; over ways to scatter and
 * spreads of v they are sums over a catalogue.
 */
final readonly class LearntLife
{
    /** Lattice of μ and t. */
    public const STEP = Scatter::STEP * Scatter::PARTS;

    /** How far below and above the label's middle μ may lie, in steps. */
    private const BELOW = 44;

    private const ABOVE = 28;

    /** Points of μ, and how many spreads between vehicles are weighed. */
    public const SIZE = self::BELOW + self::ABOVE + 1;

    public const SPREADS = 3;

    /** How far v reaches, in standard deviations. */
    private const REACH = 3.0;

    /** Ways less likely than this beside the best are left out of a forecast. */
    private const NEGLIGIBLE = 2e-3;

    /** What a vehicle may add to all lives of a product on it: standard deviation and prior weight. */
    private const VEHICLES = [[0.1, 0.3], [0.2, 0.45], [0.35, 0.25]];

    /** The usual one of these. */
    private const USUAL_VEHICLES = 1;

    /** So many vehicles tell which ways to scatter are ruled out: less likely than this beside the best. */
    private const SAMPLE = 24;

    private const RULED_OUT = 3e-3;

    /** Of readings after a wash that fail a sound layer, where nobody asks. */
    private const USUALLY_WRONG = 0.02;

    /** Shares of wrong readings after a wash, with prior weights. */
    private const WRONG = [[0.005, 0.7], [0.02, 0.2], [0.06, 0.06], [0.12, 0.03], [0.2, 0.01]];

    /** What part of a label's middle is believed; and how far off it may be if it is none of its product's. */
    private const OPTIMISM = 0.8;

    private const OFF = [0.4, -0.4, 0.7];

    /** Where the label is its product’s, it lies closer than its own span says: what is off besides has a share of its own. */
    private const NARROWER = 0.8;

    public float $priorMean;

    public float $priorSpread;

    /** @var list<array{int, int, list<float>}> half width, stride and weights of v, for each of VEHICLES */
    private array $offsets;

    /** @var list<float> ln prior of μ */
    private array $prior;

    /** Lattice points that v reaches beyond μ on either side. */
    private int $margin;

    /** @var array{float, float} */
    private array $label;

    /** @var list<int>  of the catalogue, those that are weighed */
    public array $ways;

    /**
     * @param float $labelLow        weeks
     * @param float $labelHigh       weeks
     * @param list<int>|null $ways   of the catalogue, those that are weighed; all when left out
     *
     * @throws InvalidInput
     */
    public function __construct(float $labelLow, float $labelHigh, ?array $ways = null)
    {
        $this->label = [$labelLow, $labelHigh];
        InvalidInput::unlessBetween('label_weeks', $labelLow, 0.1, 2000, 'weeks');
        InvalidInput::unlessBetween('label_weeks', $labelHigh, 0.1, 2000, 'weeks');
        if ($labelHigh < $labelLow) {
            throw InvalidInput::at('label_weeks', Said::of('fault.label-weeks'));
        }
        $this->ways = $ways ?? array_keys(Catalogue::all());
        $this->priorMean = log(self::OPTIMISM * sqrt($labelLow * $labelHigh));
        $this->priorSpread = max(0.25, log($labelHigh / $labelLow) / 2.0);
        $offsets = [];
        foreach (self::VEHICLES as [$spread]) {
            // Wide ones need no more points than narrow ones.
            $stride = max(1, (int) floor((0.5 * $spread) / self::STEP));
            $half = $stride * (int) ceil((self::REACH * $spread) / (self::STEP * $stride));
            $weights = [];
            for ($j = -$half; $j <= $half; $j += $stride) {
                $weights[] = Normal::density(($j * self::STEP) / $spread);
            }
            $sum = array_sum($weights);
            $offsets[] = [$half, $stride, array_map(static fn(float $weight): float => $weight / $sum, $weights)];
        }
        $this->offsets = $offsets;
        $this->margin = max(array_column($offsets, 0));
        $prior = [];
        [$share, $lower, $wider] = self::OFF;
        $wider = sqrt($wider ** 2 + $this->priorSpread ** 2);
        $narrow = self::NARROWER * $this->priorSpread;
        for ($i = 0; $i < self::SIZE; $i++) {
            $x = ($i - self::BELOW) * self::STEP;
            $prior[] = log(
                ((1.0 - $share) * Normal::density($x / $narrow)) / $narrow +
                    ($share * Normal::density(($x - $lower) / $wider)) / $wider,
            );
        }
        $this->prior = $prior;
    }

    /**
     * The same without the ways to scatter that a sample of these vehicles rules out already: of many vehicles a sample tells which
     * few are worth weighing for all.
     *
     * @param list<list<Seen>> $vehicles
     */
    public function fittedTo(array $vehicles, float $wrong = self::USUALLY_WRONG): self
    {
        $count = count($vehicles);
        if ($count <= self::SAMPLE) {
            return $this;
        }
        $sample = [];
        for ($i = 0; $i < self::SAMPLE; $i++) {
            $sample[] = $this->vehicle($vehicles[intdiv($i * $count, self::SAMPLE)], $wrong);
        }
        $along = PooledSeen::of($sample)->alongMu ?? [];
        $logs = [];
        foreach ($this->ways as $way) {
            $of = [];
            foreach (self::VEHICLES as $v => [, $weight]) {
                $of[] = log($weight) + self::total(self::plus($this->prior, $along[$way][$v] ?? []));
            }
            $logs[$way] = log(Catalogue::all()[$way]->prior) + self::total($of);
        }
        $least = max([-INF, ...$logs]) + log(self::RULED_OUT);

        return new self(
            $this->label[0],
            $this->label[1],
            array_keys(array_filter($logs, static fn(float $log): bool => $log >= $least)),
        );
    }

    /**
     * What one vehicle's layers say: for each way to scatter along t = μ + v, and along μ with v integrated out.
     *
     * @param list<Seen> $layers
     */
    public function vehicle(array $layers, float $wrong = self::USUALLY_WRONG): VehicleSeen
    {
        $count = self::SIZE + 2 * $this->margin;
        $said = $this->placed($layers, $wrong);
        $alongT = $alongMu = [];
        foreach ($this->ways as $way) {
            [$values, $scale] = self::alongT(Catalogue::all()[$way]->below, $said, $count);
            $alongT[$way] = $values;
            $alongMu[$way] = [];
            foreach ($this->offsets as [$half, $stride, $weights]) {
                $alongMu[$way][] = self::alongMu($values, $scale, $weights, $stride, $this->margin - $half);
            }
        }

        return new VehicleSeen(count($said), $alongT, $alongMu);
    }

    /**
     * @param list<Seen> $layers
     * @return list<array{float, float, list<array{int, float}>}> scale, constant, and where in a table each bound lies,
     *     seen from the first point of t, with its factor
     */
    private function placed(array $layers, float $wrong): array
    {
        $first = $this->priorMean - (self::BELOW + $this->margin) * self::STEP;
        $said = [];
        foreach ($layers as $layer) {
            if ($layer->saysNothing()) {
                continue;
            }
            [$scale, $constant, $terms] = $layer->likelihood($wrong);
            $said[] = [
                $scale,
                $constant,
                array_map(
                    // Where in a table the bound lies, seen from the first point of t.
                    static fn(array $term): array => [
                        (int) round(($term[0] - $first) / Scatter::STEP) + Scatter::REACH,
                        $term[1],
                    ],
                    $terms,
                ),
            ];
        }

        return $said;
    }

    /**
     * @param list<float> $below
     * @param list<array{float, float, list<array{int, float}>}> $said
     * @return array{array<int, float>, float} likelihood, the best taken as one; its ln
     */
    private static function alongT(array $below, array $said, int $count): array
    {
        $values = array_fill(0, $count, 1.0);
        $scale = 0.0;
        $end = 2 * Scatter::REACH;
        foreach ($said as $n => [$shift, $constant, $terms]) {
            $scale += $shift;
            for ($k = 0; $k < $count; $k++) {
                $sum = $constant;
                foreach ($terms as [$at, $factor]) {
                    $i = $at - $k * Scatter::PARTS;
                    if ($i >= $end) {
                        $sum += $factor;
                    } elseif ($i > 0) {
                        $sum += $factor * $below[$i];
                    }
                }
                $values[$k] *= $sum > 1e-12 ? $sum : 1e-12;
            }
            if ($n % 8 === 7) {
                $top = max([0.0, ...$values]);
                $scale += log($top);
                foreach ($values as $k => $value) {
                    $values[$k] = max(1e-280, $value / $top);
                }
            }
        }
        $top = max([0.0, ...$values]);

        return [array_map(static fn(float $value): float => $value / $top, $values), $scale + log($top)];
    }

    /**
     * @param array<int, float> $values
     * @param list<float> $weights
     * @return list<float> ln likelihood along μ
     */
    private static function alongMu(array $values, float $scale, array $weights, int $stride, int $skip): array
    {
        $logs = [];
        $size = self::SIZE;
        for ($i = 0; $i < $size; $i++) {
            $sum = 0.0;
            $at = $i + $skip;
            foreach ($weights as $weight) {
                $sum += $weight * $values[$at];
                $at += $stride;
            }
            $logs[] = $scale + ($sum > 1e-300 ? log($sum) : -690.0);
        }

        return $logs;
    }

    /**
     * The share of wrong readings that fits best, in the mean over what is possible; by layers that scatter normally.
     *
     * @param list<list<Seen>> $vehicles
     */
    public function wrongShare(array $vehicles): float
    {
        $logs = [];
        [$half, $stride, $weights] = $this->offsets[self::USUAL_VEHICLES];
        foreach (self::WRONG as [$wrong, $prior]) {
            $along = array_fill(0, Catalogue::PLAINLY, $this->prior);
            foreach ($vehicles as $layers) {
                $said = $this->placed($layers, $wrong);
                for ($way = 0; $way < Catalogue::PLAINLY; $way++) {
                    [$values, $scale] = self::alongT(
                        Catalogue::all()[$way]->below,
                        $said,
                        self::SIZE + 2 * $this->margin,
                    );
                    $along[$way] = self::plus(
                        $along[$way],
                        self::alongMu($values, $scale, $weights, $stride, $this->margin - $half),
                    );
                }
            }
            $ways = [];
            foreach ($along as $way => $mu) {
                $ways[] = log(Catalogue::all()[$way]->prior) + self::total($mu);
            }
            $logs[] = log($prior) + self::total($ways);
        }
        $top = max([-1e300, ...$logs]);
        $chances = array_map(static fn(float $log): float => exp($log - $top), $logs);

        return array_sum(
            array_map(static fn(array $wrong, float $chance): float => $wrong[0] * $chance, self::WRONG, $chances),
        ) / array_sum($chances);
    }

    /**
     * @param PooledSeen|null $others  other vehicles, by this model and with the same share of wrong readings
     * @param VehicleSeen|null $own    this vehicle's earlier layers
     * @param float $wrong             share of wrong readings, {@see wrongShare}
     */
    public function forecast(?PooledSeen $others, ?VehicleSeen $own, float $wrong = self::USUALLY_WRONG): LearntForecast
    {
        $size = self::SIZE;
        $catalogue = Catalogue::all();
        // ln posterior of way, spread of v and μ by the label and other vehicles; and how likely each pair is with this one too.
        $joint = $logs = [];
        foreach ($this->ways as $way) {
            foreach (self::VEHICLES as $v => [, $weight]) {
                $along = $this->prior;
                $base = log($catalogue[$way]->prior * $weight);
                $sum = $others->alongMu[$way][$v] ?? null;
                $mine = $own?->alongMu[$way][$v];
                for ($i = 0; $i < $size; $i++) {
                    $along[$i] += $base + ($sum === null ? 0.0 : $sum[$i]);
                }
                $joint["{$way} {$v}"] = $along;
                $logs["{$way} {$v}"] = $mine === null ? self::total($along) : self::total(self::plus($along, $mine));
            }
        }
        $top = max([-1e300, ...array_values($logs)]);
        $mixture = $alone = [];
        $total = $life = $spreadLayer = $spreadVehicle = 0.0;
        $before = $after = [0.0, 0.0, 0.0];
        foreach ($logs as $key => $log) {
            if ($log - $top < log(self::NEGLIGIBLE)) {
                continue;
            }
            [$way, $v] = array_map(intval(...), explode(' ', $key));
            $chance = exp($log - $top);
            $likelihood = $own?->alongT[$way];
            // By the label alone every way has the same μ.
            [$of, $points] =
                $others === null ? ($alone[$v] ??= $this->spread($joint[$key], $v)) : $this->spread($joint[$key], $v);
            $weights = [];
            foreach ($points as $k => $weight) {
                $weights[$k] = $likelihood === null ? $weight : $weight * $likelihood[$k];
            }
            $sum = array_sum($weights);
            if ($sum <= 0.0) {
                continue;
            }
            foreach ($weights as $k => $weight) {
                $mixture[$way][$k] = ($mixture[$way][$k] ?? 0.0) + ($chance * $weight) / $sum;
            }
            self::moments($before, $points, $chance);
            self::moments($after, $weights, $chance);
            $mu = [];
            foreach (
                $own === null ? $of : self::refined(self::plus($joint[$key], $own->alongMu[$way][$v]))
                as [$at, $weight]
            ) {
                $mu[] = [$at, $weight];
            }
            $weight = array_sum(array_column($mu, 1));
            $life += ($chance * array_sum(array_map(static fn(array $one): float => $one[0] * $one[1], $mu))) / $weight;
            $total += $chance;
            $spreadLayer += $chance * $catalogue[$way]->spread;
            $spreadVehicle += $chance * self::VEHICLES[$v][0];
        }
        foreach ($mixture as $way => $weights) {
            ksort($weights);
            $mixture[$way] = array_map(
                static fn(float $weight): float => $weight / $total,
                array_filter($weights, static fn(float $weight): bool => $weight > 1e-6 * $total),
            );
        }

        return LearntForecast::of(
            array_filter($mixture),
            $this->priorMean - (self::BELOW + $this->margin) * self::STEP,
            exp($this->priorMean + ($life / $total - self::BELOW) * self::STEP),
            $spreadLayer / $total,
            $spreadVehicle / $total,
            $wrong,
            $this->restsOn($others !== null, self::variance($before), self::variance($after), $spreadVehicle / $total),
        );
    }

    /**
     * @param array<int, float> $logs
     * @return array{list<array{float, float}>, array<int, float>} weights of μ, and of t
     */
    private function spread(array $logs, int $v): array
    {
        $of = self::refined($logs);

        return [$of, $this->mixture($of, $v)];
    }

    /**
     * What part of what is known comes from where, by how much each narrows it.
     *
     * @return array{label: float, product: float, vehicle: float}
     */
    private function restsOn(bool $others, float $before, float $after, float $vehicle): array
    {
        $own = max(0.0, min(1.0, 1.0 - $after / $before));
        $of = [0.0, 0.0, 0.0];
        self::moments($of, array_map(exp(...), $this->prior), 1.0);
        $known = max(0.0, $before * self::STEP ** 2 - $vehicle ** 2);
        $label = $others ? max(0.0, min(1.0, $known / (self::variance($of) * self::STEP ** 2))) : 1.0;

        return [
            'label' => (1.0 - $own) * $label,
            'product' => (1.0 - $own) * (1.0 - $label),
            'vehicle' => $own,
        ];
    }

    /**
     * @param array{float, float, float} $moments
     * @param array<int, float> $weights
     */
    private static function moments(array &$moments, array $weights, float $chance): void
    {
        $sum = array_sum($weights);
        foreach ($weights as $k => $weight) {
            $share = ($chance * $weight) / $sum;
            $moments[0] += $share;
            $moments[1] += $share * $k;
            $moments[2] += $share * $k * $k;
        }
    }

    /** @param array{float, float, float} $moments */
    private static function variance(array $moments): float
    {
        return max(1e-9, $moments[2] / $moments[0] - ($moments[1] / $moments[0]) ** 2);
    }

    /**
     * @param array<int, float> $one
     * @param array<int, float> $other
     * @return array<int, float>
     */
    private static function plus(array $one, array $other): array
    {
        foreach ($other as $i => $value) {
            $one[$i] += $value;
        }

        return $one;
    }

    /**
     * Weights of μ where they matter, on a lattice as fine as they need, by cubic convolution of the logarithm.
     *
     * @param array<int, float> $logs
     * @return list<array{float, float}> μ in steps from the first, weight
     */
    private static function refined(array $logs): array
    {
        $top = max([-1e300, ...$logs]);
        $within = array_keys(array_filter($logs, static fn(float $log): bool => $log > $top - 16.0));
        [$from, $to] = [max(0, $within[0] - 1), min(count($logs) - 1, $within[count($within) - 1] + 1)];
        $parts = max(1, (int) ceil(14 / max(1, $to - $from)));
        $points = [];
        for ($i = $from; $i <= $to; $i++) {
            [$b, $c] = [$logs[$i], $logs[$i + 1] ?? $logs[$i]];
            $a = $logs[$i - 1] ?? 2.0 * $b - $c;
            $d = $logs[$i + 2] ?? 2.0 * $c - $b;
            for ($p = 0; $p < ($i === $to ? 1 : $parts); $p++) {
                $u = $p / $parts;
                $log =
                    $p === 0
                        ? $b
                        : $b +
                            0.5 *
                                $u *
                                ($c -
                                    $a +
                                    $u * (2.0 * $a - 5.0 * $b + 4.0 * $c - $d + $u * (3.0 * ($b - $c) + $d - $a)));
                if ($log > $top - 16.0) {
                    $points[] = [$i + $u, exp($log - $top)];
                }
            }
        }

        return $points;
    }

    /**
     * @param list<array{float, float}> $of
     * @return array<int, float> weights of t by lattice point
     */
    private function mixture(array $of, int $v): array
    {
        [$spread] = self::VEHICLES[$v];
        [$half, $stride, $kernel] = $this->offsets[$v];
        $weights = [];
        if (
            $stride === 1 &&
            $of !== [] &&
            array_filter($of, static fn(array $one): bool => floor($one[0]) !== $one[0]) === []
        ) {
            // On the lattice what v adds is known already.
            foreach ($of as [$at, $weight]) {
                $k = (int) $at - $half + $this->margin;
                foreach ($kernel as $share) {
                    $weights[$k] = ($weights[$k] ?? 0.0) + $weight * $share;
                    $k++;
                }
            }
        } else {
            $half = (int) ceil((self::REACH * $spread) / self::STEP);
            $inverse = self::STEP / $spread;
            foreach ($of as [$at, $weight]) {
                $middle = (int) round($at);
                for ($k = $middle - $half; $k <= $middle + $half; $k++) {
                    $z = ($k - $at) * $inverse;
                    $weights[$k + $this->margin] =
                        ($weights[$k + $this->margin] ?? 0.0) + $weight * exp(-0.5 * $z * $z);
                }
            }
        }
        ksort($weights);
        $sum = array_sum($weights);
        $last = self::SIZE + 2 * $this->margin;

        return array_filter(
            $weights,
            static fn(float $weight, int $k): bool => $k >= 0 && $k < $last && $weight > 1e-7 * $sum,
            ARRAY_FILTER_USE_BOTH,
        );
    }

    /** @param array<int, float> $logs */
    private static function total(array $logs): float
    {
        $top = max([-1e300, ...$logs]);
        $sum = 0.0;
        foreach ($logs as $log) {
            $sum += $log > $top - 40.0 ? exp($log - $top) : 0.0;
        }

        return $top + log($sum);
    }
}
