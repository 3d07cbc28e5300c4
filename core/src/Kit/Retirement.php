<?php

declare(strict_types=1);

namespace Vicissa\Core\Kit;

/**
 * Which way a towel goes with age (domain §9): from the paint to sills, to wheels and jambs, then away. Never back:
 * grit from a wheel does not wash out.
 */
final readonly class Retirement
{
    /** What each use steps down to; null: thrown away. */
    private const DOWN = [
        'wash' => 'sills',
        'upper-mitt' => 'lower-mitt',
        'lower-mitt' => 'wheels',
        'large' => 'sills',
        'medium' => 'sills',
        'catch' => 'sills',
        'topper' => 'jambs',
        'glass' => 'jambs',
        'sills' => 'wheels',
        'jambs' => 'wheels',
        'wheels' => null,
    ];

    /** Launderings a towel does its job for, by use. */
    public const CYCLES = [
        'wash' => 80,
        'upper-mitt' => 40,
        'lower-mitt' => 40,
        'large' => 100,
        'medium' => 100,
        'catch' => 80,
        'topper' => 60,
        'glass' => 80,
        'sills' => 60,
        'jambs' => 60,
        'wheels' => 60,
    ];

    public static function after(string $use): ?string
    {
        return self::DOWN[$use] ?? null;
    }

    /** Whether pieces may be moved from one use to another: only down. */
    public static function allows(string $from, ?string $to): bool
    {
        if ($to === null) {
            return true;
        }
        for ($use = self::after($from), $steps = 0; $use !== null && $steps < 9; $use = self::after($use), $steps++) {
            if ($use === $to) {
                return true;
            }
        }

        // The jambs come as late as the wheels do, and are cleaner.
        return $to === 'jambs' && !in_array($from, ['wheels', 'jambs'], true);
    }

    /**
     * How worn a pool is: launderings of its pieces in the mean, against those its use allows.
     *
     * @param int $laundered  pieces washed in all, each time counted
     * @return array{cycles: float, of: int, due: bool}
     */
    public static function of(string $use, int $pieces, int $laundered, ?int $allowed = null): array
    {
        $of = $allowed ?? (self::CYCLES[$use] ?? 80);
        $cycles = $pieces > 0 ? $laundered / $pieces : 0.0;

        return ['cycles' => round($cycles, 1), 'of' => $of, 'due' => $pieces > 0 && $cycles >= $of];
    }
}
