<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection\Life\Learnt;

use Vicissa\Core\Protection\Life\Normal;

/**
 * One way in which layers of a product may differ on one vehicle: the distribution of ln life around its median, as a table.
 * Normal with tails heavier than normal; skewed towards short lives as under a hazard that grows (Weibull); or of two kinds,
 * of which some end early.
 */
final readonly class Scatter
{
    /** Step of the table in ln wear-weeks; a lattice of t takes every PARTS-th. */
    public const STEP = 0.00875;

    public const PARTS = 8;

    /** Entries to either side of the median. */
    public const REACH = 480;

    private const TAIL = 0.06;

    private const TAIL_WIDTH = 2.5;

    /**
     * @param list<float> $below  P(ln life − median ≤ (i − REACH) × STEP)
     * @param float $spread       standard deviation
     */
    private function __construct(public array $below, public float $spread, public float $prior) {}

    public static function normal(float $spread, float $prior): self
    {
        return self::of(
            static fn(float $u): float => (1.0 - self::TAIL) * Normal::below($u / $spread) +
                self::TAIL * Normal::below($u / (self::TAIL_WIDTH * $spread)),
            $prior,
        );
    }

    /** @param float $shape  of Weibull's distribution */
    public static function ageing(float $shape, float $prior): self
    {
        return self::of(static fn(float $u): float => 1.0 - exp(-M_LN2 * exp($shape * $u)), $prior);
    }

    /**
     * @param float $spread   of each kind
     * @param float $share    of those that end early
     * @param float $earlier  ln
     */
    public static function twoKinds(float $spread, float $share, float $earlier, float $prior): self
    {
        $below = static fn(float $u): float => (1.0 - $share) * Normal::below($u / $spread) +
            $share * Normal::below(($u + $earlier) / $spread);
        [$low, $high] = [-$earlier - 3.0, 3.0];
        for ($i = 0; $i < 60; $i++) {
            $middle = 0.5 * ($low + $high);
            $below($middle) < 0.5 ? ($low = $middle) : ($high = $middle);
        }

        return self::of(static fn(float $u): float => $below($u + $low), $prior);
    }

    /** @param callable(float): float $below */
    private static function of(callable $below, float $prior): self
    {
        $table = [];
        for ($i = -self::REACH; $i <= self::REACH; $i++) {
            $table[] = $below($i * self::STEP);
        }
        $first = $second = 0.0;
        for ($i = 1; $i < count($table); $i++) {
            $mass = $table[$i] - $table[$i - 1];
            $u = ($i - self::REACH - 0.5) * self::STEP;
            $first += $mass * $u;
            $second += $mass * $u * $u;
        }

        return new self($table, sqrt(max(0.0, $second - $first * $first)), $prior);
    }
}
