<?php

declare(strict_types=1);

namespace Vicissa\Core\Sheet\Visit;

/**
 * How a crew's own minutes compare with the estimate, kind of step by kind of step. The factor is the median of
 * took ÷ estimated (one forgotten stop clock doesn't move it), drawn towards 1 as long as there is little to go by.
 */
final readonly class Pace
{
    /** So many visits of estimate are mixed in: with as many measured, half the difference is believed. */
    private const PRIOR = 4.0;

    /** Beyond these it is a clock that was forgotten, not a pace. */
    private const LEAST = 0.2;

    private const MOST = 5.0;

    /**
     * @param array<string, float> $factors  by kind of step
     * @param array<string, int> $from       measured visits behind each
     */
    public function __construct(
        public array $factors = [],
        public array $from = [],
    ) {}

    /** @param list<array{kind: string, estimated: float, took: float}> $measured  minutes; the estimate without any pace in it */
    public static function measured(array $measured): self
    {
        $logs = [];
        foreach ($measured as ['kind' => $kind, 'estimated' => $estimated, 'took' => $took]) {
            if ($estimated > 0.0 && $took >= self::LEAST * $estimated && $took <= self::MOST * $estimated) {
                $logs[$kind][] = log($took / $estimated);
            }
        }
        $factors = $from = [];
        foreach ($logs as $kind => $all) {
            sort($all);
            $n = count($all);
            $median = ($all[intdiv($n - 1, 2)] + $all[intdiv($n, 2)]) / 2.0;
            $factors[$kind] = exp($median * $n / ($n + self::PRIOR));
            $from[$kind] = $n;
        }
        ksort($factors);
        ksort($from);

        return new self($factors, $from);
    }

    public function factor(string $kind): float
    {
        return $this->factors[$kind] ?? 1.0;
    }
}
