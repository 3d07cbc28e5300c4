<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection\Proof;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Vicissa\Core\Protection\Life\FailureInterval;
use Vicissa\Core\Protection\Life\Normal;

/**
 * What share of a product's layers still held by so much wear, with nothing assumed about the shape: the non-parametric
 * maximum likelihood estimate for interval-censored lives (Turnbull 1976), by self-consistency. Lives known exactly
 * make it the Kaplan–Meier estimate. Its band holds 80 in 100 of the curves; it is drawn with a seed, so that equal layers
 * give equal bands.
 */
final readonly class SurvivalCurve
{
    /** Fewer layers than this say nothing about a product. */
    public const TOO_FEW = 5;

    private const ROUNDS = 4000;

    private const SETTLED = 1e-7;

    private const DRAWS = 20;

    /** So many of them tell the law well enough. */
    private const LAW_OF = 400;

    /** Between which 80 in 100 normal deviates lie. */
    private const Z80 = 1.2816;

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
        // Where nothing was seen, nothing is drawn.
        $seen = max([
            0.0,
            ...array_map(static fn(FailureInterval $life): float => $life->failed ?? $life->held, $lives),
        ]);
        $at = array_values(array_filter($at, static fn(float $wear): bool => $wear <= $seen));
        $bands = self::bands($band ? $lives : [], $at, $seed);

        return new self(
            $steps,
            array_map(
                static fn(int $i, float $wear): array => [
                    'wear' => $wear,
                    'holds' => self::holdsAt($steps, $wear),
                    // The estimate jumps where readings lie; what is drawn of it lies in its band.
                    'low' => min($bands[$i]['low'], self::holdsAt($steps, $wear)),
                    'high' => max($bands[$i]['high'], self::holdsAt($steps, $wear)),
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

    /**
     * The band at so much wear, in straight lines between its points; null where nothing was seen.
     *
     * @return array{float, float}|null
     */
    public function band(float $wear): ?array
    {
        foreach ($this->points as $i => $point) {
            $next = $this->points[$i + 1] ?? null;
            if ($next !== null && $wear >= $point['wear'] && $wear <= $next['wear']) {
                $share = ($wear - $point['wear']) / max(1e-12, $next['wear'] - $point['wear']);

                return [
                    $point['low'] + $share * ($next['low'] - $point['low']),
                    $point['high'] + $share * ($next['high'] - $point['high']),
                ];
            }
        }

        return null;
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
     * Each life is given an end within what is known of it, as a log-normal law of them has it, some times over (multiple
     * imputation, Rubin 1987); the spread of the Kaplan–Meier estimate by Greenwood makes so many layers that tell, and these
     * Wilson's interval (1927), which holds what it says down to ten of them and at both ends. What the draws differ by is not
     * added: the law that draws them knows more than the curve does, and what is added then is too much (Meng 1994).
     *
     * @param list<FailureInterval> $lives
     * @param list<float> $at
     * @return list<array{low: float, high: float}>
     */
    private static function bands(array $lives, array $at, int $seed): array
    {
        $n = count($lives);
        if ($n === 0) {
            return array_map(static fn(): array => ['low' => 0.0, 'high' => 1.0], $at);
        }
        $random = new Randomizer(new Xoshiro256StarStar($seed));
        $law = self::law($lives);
        $holds = $errors = $there = [];
        for ($draw = 0; $draw < self::DRAWS; $draw++) {
            [$days, $failed] = [[], []];
            foreach ($lives as $life) {
                $failed[] = $life->failed !== null;
                $days[] = self::drawn($life, $law, $random);
            }
            array_multisort($days, $failed);
            foreach (self::greenwood($days, $failed, $at) as $k => [$share, $error, $left]) {
                $holds[$k][] = $share;
                $errors[$k][] = $error;
                $there[$k][] = $left;
            }
        }

        return array_map(static function (int $k) use ($holds, $errors, $there, $n): array {
            $mean = array_sum($holds[$k]) / self::DRAWS;
            $error = array_sum($errors[$k]) / self::DRAWS;
            $most = max(1.0, $mean >= 1.0 - 1e-9 ? array_sum($there[$k]) / self::DRAWS : (float) $n);
            $tell = $error > 1e-12 ? min($most, ($mean * (1.0 - $mean)) / $error) : $most;
            $z2 = self::Z80 ** 2;
            $middle = ($mean + $z2 / (2.0 * $tell)) / (1.0 + $z2 / $tell);
            $half =
                (self::Z80 / (1.0 + $z2 / $tell)) * sqrt(($mean * (1.0 - $mean)) / $tell + $z2 / (4.0 * $tell ** 2));

            return ['low' => max(0.0, $middle - $half), 'high' => min(1.0, $middle + $half)];
        }, array_keys($at));
    }

    /**
     * A wear at which a life may have ended, within what is known of it.
     *
     * @param array{float, float} $law  mean and standard deviation of ln life
     */
    private static function drawn(FailureInterval $life, array $law, Randomizer $random): float
    {
        if ($life->failed === null) {
            return $life->held;
        }
        $even = ($random->getInt(0, 2147483646) + 0.5) / 2147483647.0;
        $low = $life->held > 0.0 ? Normal::below((log($life->held) - $law[0]) / $law[1]) : 0.0;
        $high = Normal::below((log($life->failed) - $law[0]) / $law[1]);
        // Where the law has next to nothing, anywhere is as likely.
        return $high - $low < 1e-9
            ? $life->held + $even * ($life->failed - $life->held)
            : min(
                $life->failed,
                max($life->held, exp($law[0] + $law[1] * Normal::quantile($low + $even * ($high - $low)))),
            );
    }

    /**
     * @param list<FailureInterval> $lives
     * @return array{float, float} mean and standard deviation of ln life, as a log-normal would have it
     */
    private static function law(array $lives): array
    {
        $at = array_map(
            static fn(FailureInterval $life): float => log(
                max(0.1, $life->failed === null ? $life->held : 0.5 * ($life->held + $life->failed)),
            ),
            $lives,
        );
        $fit = CensoredNormal::of(
            array_map(
                static fn(FailureInterval $life): array => [
                    $life->held > 0.0 ? log($life->held) : -20.0,
                    $life->failed === null ? 20.0 : log($life->failed),
                    '',
                ],
                array_slice($lives, 0, self::LAW_OF),
            ),
            start: [array_sum($at) / count($at), log(0.4)],
        );

        return [$fit->place, exp(max(-2.0, min(0.7, $fit->spread)))];
    }

    /**
     * Kaplan & Meier 1958 with Greenwood's variance (1926), and how many were left.
     *
     * @param list<float> $days    ascending
     * @param list<bool> $failed
     * @param list<float> $at      ascending
     * @return list<array{float, float, int}>
     */
    private static function greenwood(array $days, array $failed, array $at): array
    {
        $found = [];
        $n = count($days);
        [$i, $holds, $sum] = [0, 1.0, 0.0];
        foreach ($at as $wear) {
            while ($i < $n && $days[$i] <= $wear) {
                $left = $n - $i;
                if ($failed[$i]) {
                    $holds *= 1.0 - 1.0 / $left;
                    $sum += $left > 1 ? 1.0 / ($left * ($left - 1)) : 0.0;
                }
                $i++;
            }
            $found[] = [$holds, $holds * $holds * $sum, max(1, $n - $i)];
        }

        return $found;
    }
}
