<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection\Proof;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Vicissa\Core\Protection\Life\FailureInterval;

/**
 * What share of a product's layers still held by so much wear, with nothing assumed about the shape: the non-parametric
 * maximum likelihood estimate for interval-censored lives (Turnbull 1976), by self-consistency. Lives known exactly
 * make it the Kaplan–Meier estimate. Its band is a bootstrap over layers (Efron & Tibshirani 1993, percentiles), with a
 * seed, so that equal layers give equal bands.
 */
final readonly class SurvivalCurve
{
    /** Fewer layers than this say nothing about a product. */
    public const TOO_FEW = 5;

    private const ROUNDS = 4000;

    private const SETTLED = 1e-7;

    private const RESAMPLES = 120;

    /** A band is drawn no finer than this. */
    private const BAND_ROUNDS = 40;

    private const BAND_SETTLED = 2e-3;

    /**
     * @param list<array{from: float, to: float|null, mass: float}> $steps wear between which so much of the layers
     *     failed; to null: never seen to
     * @param list<array{wear: float, holds: float, low: float, high: float}> $points the curve at the ends of its
     *     steps, with an 80 % band
     */
    private function __construct(public array $steps, public array $points, public int $layers, public int $failed) {}

    /**
     * @param list<FailureInterval> $lives
     * @param bool $band  without it the band is everything from nought to one
     */
    public static function of(array $lives, int $seed = 1, bool $band = true): self
    {
        $lives = array_values(
            array_filter($lives, static fn(FailureInterval $life): bool => $life->failed !== null || $life->held > 0.0),
        );
        $cells = self::innermost($lives);
        $runs = self::runs($cells, $lives);
        $steps = self::steps(
            $cells,
            self::masses(count($cells), $runs, array_map(static fn(): int => 1, $runs), self::ROUNDS, self::SETTLED),
        );
        $at = array_values(
            array_unique(
                array_merge(
                    [0.0],
                    ...array_map(
                        static fn(array $step): array => $step['to'] === null
                            ? [$step['from']]
                            : [$step['from'], $step['to']],
                        $steps,
                    ),
                ),
            ),
        );
        sort($at);
        $bands = self::bands($cells, $band ? $runs : [], $at, $seed);

        return new self(
            $steps,
            array_map(
                static fn(int $i, float $wear): array => [
                    'wear' => $wear,
                    'holds' => self::holdsAt($steps, $wear),
                    ...$bands[$i],
                ],
                array_keys($at),
                $at,
            ),
            count($lives),
            count(array_filter($lives, static fn(FailureInterval $life): bool => $life->failed !== null)),
        );
    }

    public function isTooFew(): bool
    {
        return $this->layers < self::TOO_FEW || $this->failed < 2;
    }

    /** The share that still held at so much wear; within a step, in a straight line. */
    public function holds(float $wear): float
    {
        return self::holdsAt($this->steps, $wear);
    }

    /** The wear by which half had failed; null when fewer than half were seen to. */
    public function median(): ?float
    {
        $left = 1.0;
        foreach ($this->steps as $step) {
            if ($step['to'] !== null && $left - $step['mass'] <= 0.5 && $step['mass'] > 0.0) {
                return $step['from'] + (($step['to'] - $step['from']) * ($left - 0.5)) / $step['mass'];
            }
            $left -= $step['mass'];
        }

        return null;
    }

    /**
     * Which cells each life may have ended in: a run of them, from first to last.
     *
     * @param list<array{float, float|null}> $cells
     * @param list<FailureInterval> $lives
     * @return list<array{int, int}>
     */
    private static function runs(array $cells, array $lives): array
    {
        $runs = [];
        foreach ($lives as $life) {
            $within = array_keys(
                array_filter(
                    $cells,
                    static fn(array $cell): bool => $cell[0] >= $life->held &&
                        ($life->failed === null || ($cell[1] !== null && $cell[1] <= $life->failed)),
                ),
            );
            if ($within !== []) {
                $runs[] = [$within[0], $within[count($within) - 1]];
            }
        }

        return $runs;
    }

    /**
     * The mass on each cell, by self-consistency.
     *
     * @param list<array{int, int}> $runs
     * @param list<int> $weights  how often each life counts
     * @return list<float>
     */
    private static function masses(int $cells, array $runs, array $weights, int $rounds, float $settled): array
    {
        $total = array_sum($weights);
        $mass = array_fill(0, $cells, 1.0 / max(1, $cells));
        for ($round = 0; $round < $rounds && $total > 0; $round++) {
            // With running sums a round costs as much as there are cells and runs, however long the runs.
            $sums = [0.0];
            foreach ($mass as $k => $one) {
                $sums[$k + 1] = $sums[$k] + $one;
            }
            $rates = array_fill(0, $cells + 1, 0.0);
            foreach ($runs as $i => [$first, $last]) {
                if ($weights[$i] > 0) {
                    $rate = $weights[$i] / max(1e-300, $sums[$last + 1] - $sums[$first]);
                    $rates[$first] += $rate;
                    $rates[$last + 1] -= $rate;
                }
            }
            $moved = $rate = 0.0;
            foreach ($mass as $k => $one) {
                $rate += $rates[$k];
                $next = ($one * $rate) / $total;
                $moved = max($moved, abs($next - $one));
                $mass[$k] = $next;
            }
            if ($moved < $settled) {
                break;
            }
        }

        return array_values($mass);
    }

    /**
     * @param list<array{float, float|null}> $cells
     * @param list<float> $mass
     * @return list<array{from: float, to: float|null, mass: float}>
     */
    private static function steps(array $cells, array $mass): array
    {
        return array_map(
            static fn(array $cell, float $one): array => ['from' => $cell[0], 'to' => $cell[1], 'mass' => $one],
            $cells,
            $mass,
        );
    }

    /**
     * From a lower end to the next upper end with no other lower end between: only there can the estimate put mass.
     *
     * @param list<FailureInterval> $lives
     * @return list<array{float, float|null}>
     */
    private static function innermost(array $lives): array
    {
        $ends = [];
        foreach ($lives as $life) {
            $ends[] = [$life->held, 1];
            $ends[] = [$life->failed ?? INF, 0];
        }
        // At one wear an upper end comes before a lower one: lives are (held, failed].
        usort($ends, static fn(array $a, array $b): int => $a <=> $b);
        $cells = [];
        foreach ($ends as $i => [$wear, $isLower]) {
            $next = $ends[$i + 1] ?? null;
            if ($isLower === 1 && $next !== null && $next[1] === 0) {
                $cells[] = [$wear, is_infinite($next[0]) ? null : $next[0]];
            }
        }

        return $cells;
    }

    /** @param list<array{from: float, to: float|null, mass: float}> $steps */
    private static function holdsAt(array $steps, float $wear): float
    {
        $failed = 0.0;
        foreach ($steps as $step) {
            if ($step['to'] !== null && $wear >= $step['to']) {
                $failed += $step['mass'];
            } elseif ($step['to'] !== null && $wear > $step['from']) {
                $failed += ($step['mass'] * ($wear - $step['from'])) / ($step['to'] - $step['from']);
            }
        }

        return max(0.0, 1.0 - $failed);
    }

    /**
     * Layers drawn again and again, each as often as chance has it.
     *
     * @param list<array{float, float|null}> $cells
     * @param list<array{int, int}> $runs
     * @param list<float> $at
     * @return list<array{low: float, high: float}>
     */
    private static function bands(array $cells, array $runs, array $at, int $seed): array
    {
        $n = count($runs);
        if ($n === 0) {
            return array_map(static fn(): array => ['low' => 0.0, 'high' => 1.0], $at);
        }
        $random = new Randomizer(new Xoshiro256StarStar($seed));
        $drawn = [];
        for ($sample = 0; $sample < self::RESAMPLES; $sample++) {
            $weights = array_fill(0, $n, 0);
            for ($i = 0; $i < $n; $i++) {
                $weights[$random->getInt(0, $n - 1)]++;
            }
            $steps = self::steps(
                $cells,
                self::masses(count($cells), $runs, array_values($weights), self::BAND_ROUNDS, self::BAND_SETTLED),
            );
            foreach ($at as $k => $wear) {
                $drawn[$k][] = self::holdsAt($steps, $wear);
            }
        }

        return array_map(static function (int $k) use ($drawn): array {
            $values = $drawn[$k] ?? [1.0];
            sort($values);

            return [
                'low' => $values[(int) (0.1 * (count($values) - 1))],
                'high' => $values[(int) ceil(0.9 * (count($values) - 1))],
            ];
        }, array_keys($at));
    }
}
