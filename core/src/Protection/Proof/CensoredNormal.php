<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection\Proof;

use Vicissa\Core\Protection\Life\Normal;

/**
 * Place and spread of normal deviates of which only an interval is known each, by maximum likelihood, with standard errors that
 * respect that some come from one source (sandwich by cluster, Huber 1967; Liang & Zeger 1986).
 */
final readonly class CensoredNormal
{
    private const STEP = 1e-3;

    private function __construct(
        public float $place,
        public float $placeError,
        /** ln of the standard deviation. */
        public float $spread,
        public float $spreadError,
        /** ln likelihood there. */
        public float $likelihood,
        /** How much more the places of one source agree than those of strangers would: variance beside the model's, at least one. */
        public float $clustered,
    ) {}

    /**
     * @param list<array{float, float, string}> $all  deviate above which, deviate up to which, source
     * @param list<int> $free  what is found: 0 the place, 1 the spread; what is not stays as it starts
     * @param array{float, float} $start  place and ln of the spread
     */
    public static function of(array $all, array $free = [0, 1], array $start = [0.0, 0.0]): self
    {
        [$place, $log] = $start;
        for ($round = 0; $free !== [] && $round < 40; $round++) {
            [$score, $bend] = self::slopes($all, $place, $log);
            $step = self::solved($score, $bend, $free);
            // Never so far that nothing is likely any more.
            $place += max(-0.5, min(0.5, $step[0]));
            $log = max(-2.0, min(2.0, $log + max(-0.3, min(0.3, $step[1]))));
            if (abs($step[0]) + abs($step[1]) < 1e-6) {
                break;
            }
        }
        [, $bend, $byCluster] = self::slopes($all, $place, $log);
        $inverse = self::inverse($bend, $free);
        $meat = [[0.0, 0.0], [0.0, 0.0]];
        foreach ($byCluster as [$a, $b]) {
            $meat[0][0] += $a * $a;
            $meat[0][1] += $a * $b;
            $meat[1][1] += $b * $b;
        }
        $meat[1][0] = $meat[0][1];
        $clusters = count($byCluster);
        $few = $clusters > 1 ? $clusters / ($clusters - 1) : 1.0;
        $robust = self::times(self::times($inverse, $meat), $inverse);

        $least = 0.0;
        foreach ($all as [$low, $high]) {
            $least += self::likelihood($low, $high, $place, $log);
        }

        return new self(
            $place,
            sqrt(max($inverse[0][0], $few * $robust[0][0])),
            $log,
            sqrt(max($inverse[1][1], $few * $robust[1][1])),
            $least,
            max(
                1.0,
                $inverse[0][0] > 0.0 ? ($few * $robust[0][0]) / $inverse[0][0] : 1.0,
                $inverse[1][1] > 0.0 ? ($few * $robust[1][1]) / $inverse[1][1] : 1.0,
            ),
        );
    }

    /**
     * @param list<array{float, float, string}> $all
     * @return array{array{float, float}, array{array{float, float}, array{float, float}}, array<string, array{float, float}>} slope
     *     of ln likelihood, how it bends (below nought), slope by cluster
     */
    private static function slopes(array $all, float $place, float $log): array
    {
        $h = self::STEP;
        $score = [0.0, 0.0];
        $bend = [[0.0, 0.0], [0.0, 0.0]];
        $clusters = [];
        foreach ($all as [$low, $high, $cluster]) {
            $f = static fn(float $dp, float $ds): float => self::likelihood($low, $high, $place + $dp, $log + $ds);
            [$middle, $right, $left, $up, $down] = [$f(0.0, 0.0), $f($h, 0.0), $f(-$h, 0.0), $f(0.0, $h), $f(0.0, -$h)];
            $a = ($right - $left) / (2.0 * $h);
            $b = ($up - $down) / (2.0 * $h);
            $score[0] += $a;
            $score[1] += $b;
            $bend[0][0] += ($right - 2.0 * $middle + $left) / ($h * $h);
            $bend[1][1] += ($up - 2.0 * $middle + $down) / ($h * $h);
            $bend[0][1] += ($f($h, $h) - $f($h, -$h) - $f(-$h, $h) + $f(-$h, -$h)) / (4.0 * $h * $h);
            $clusters[$cluster] = [($clusters[$cluster][0] ?? 0.0) + $a, ($clusters[$cluster][1] ?? 0.0) + $b];
        }
        $bend[1][0] = $bend[0][1];

        return [$score, $bend, $clusters];
    }

    private static function likelihood(float $low, float $high, float $place, float $log): float
    {
        $spread = exp($log);

        return log(max(1e-300, Normal::between(($low - $place) / $spread, ($high - $place) / $spread)));
    }

    /**
     * @param array{float, float} $score
     * @param array{array{float, float}, array{float, float}} $bend
     * @param list<int> $free
     * @return array{float, float}
     */
    private static function solved(array $score, array $bend, array $free): array
    {
        $inverse = self::inverse($bend, $free);

        return [
            $inverse[0][0] * $score[0] + $inverse[0][1] * $score[1],
            $inverse[1][0] * $score[0] + $inverse[1][1] * $score[1],
        ];
    }

    /**
     * Of what bends down, turned round.
     *
     * @param array{array{float, float}, array{float, float}} $bend
     * @param list<int> $free
     * @return array{array{float, float}, array{float, float}}
     */
    private static function inverse(array $bend, array $free): array
    {
        $a = max(1e-6, -$bend[0][0]);
        if ($free !== [0, 1]) {
            return [
                [in_array(0, $free, true) ? 1.0 / $a : 0.0, 0.0],
                [0.0, in_array(1, $free, true) ? 1.0 / max(1e-6, -$bend[1][1]) : 0.0],
            ];
        }
        [$b, $c] = [-$bend[0][1], max(1e-6, -$bend[1][1])];
        $determinant = $a * $c - $b * $b;
        if ($determinant < 1e-6 * $a * $c) {
            $determinant = 1e-6 * $a * $c;
        }

        return [[$c / $determinant, -$b / $determinant], [-$b / $determinant, $a / $determinant]];
    }

    /**
     * @param array{array{float, float}, array{float, float}} $one
     * @param array{array{float, float}, array{float, float}} $other
     * @return array{array{float, float}, array{float, float}}
     */
    private static function times(array $one, array $other): array
    {
        return [
            [
                $one[0][0] * $other[0][0] + $one[0][1] * $other[1][0],
                $one[0][0] * $other[0][1] + $one[0][1] * $other[1][1],
            ],
            [
                $one[1][0] * $other[0][0] + $one[1][1] * $other[1][0],
                $one[1][0] * $other[0][1] + $one[1][1] * $other[1][1],
            ],
        ];
    }
}
