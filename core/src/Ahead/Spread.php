<?php

declare(strict_types=1);

namespace Vicissa\Core\Ahead;

/** A figure over all trials: its mean, and where nine in ten of them lie. */
final readonly class Spread
{
    private function __construct(public float $mean, public float $low, public float $high) {}

    /**
     * @param non-empty-list<float> $values one of each trial; low and high are the fifth and the ninety-fifth of a
     *     hundred
     */
    public static function of(array $values): self
    {
        sort($values);
        $n = count($values);
        $at = static fn(float $share): float => $values[(int) min($n - 1, max(0, round($share * ($n - 1))))];

        return new self(array_sum($values) / $n, $at(0.05), $at(0.95));
    }
}
