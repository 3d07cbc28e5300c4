<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection\Life\Learnt;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Protection\Life\FailureInterval;

/**
 * What one layer showed, as a likelihood of its life: what was read has one chance for each stretch of wear in which it may
 * have ended. A reading may be wrong: fallout lies over a sound layer, most often after a wash alone.
 */
final readonly class Seen
{
    /** A spent layer that is read as sound. */
    private const OVERLOOKED = 0.02;

    /** What decontamination leaves of the chance that fallout is in the way. */
    private const AFTER_DECON = 0.2;

    /** An interval that somebody has judged already: its failure is seldom none. */
    private const JUDGED = 0.02;

    /** Stretches less likely than the best by this much are left out. */
    private const NEGLIGIBLE = 1e-5;

    /**
     * @param list<float> $bounds  ln wear-weeks at which something was read, ascending
     * @param list<array{holds: int, fails: int, holdsDecon: int, failsDecon: int, judged: int}> $read  at each bound
     */
    private function __construct(private array $bounds, private array $read) {}

    public static function interval(FailureInterval $interval): self
    {
        $bounds = $read = [];
        if ($interval->held > 0.0) {
            $bounds[] = log($interval->held);
            $read[] = ['holds' => 0, 'fails' => 0, 'holdsDecon' => 0, 'failsDecon' => 0, 'judged' => 1];
        }
        if ($interval->failed !== null) {
            $bounds[] = log($interval->failed);
            $read[] = ['holds' => 0, 'fails' => 0, 'holdsDecon' => 0, 'failsDecon' => 0, 'judged' => -1];
        }

        return new self($bounds, $read);
    }

    /**
     * @param list<array{wear: float, holds: bool, after: ReadAfter}> $readings  in any order; those after a topper tell
     *     nothing about what lies beneath it
     *
     * @throws InvalidInput
     */
    public static function readings(array $readings): self
    {
        $by = [];
        foreach ($readings as $one) {
            InvalidInput::unlessBetween('wear', $one['wear'], 0, 10000, 'wear-weeks');
            if ($one['wear'] > 0.0 && $one['after'] !== ReadAfter::Topper) {
                $by[(string) $one['wear']][] = $one;
            }
        }
        ksort($by, SORT_NUMERIC);
        $bounds = $read = [];
        foreach ($by as $wear => $some) {
            $many = static fn(bool $holds, ReadAfter $after): int => count(
                array_filter(
                    $some,
                    static fn(array $one): bool => $one['holds'] === $holds && $one['after'] === $after,
                ),
            );
            $bounds[] = log((float) $wear);
            $read[] = [
                'holds' => $many(true, ReadAfter::Wash),
                'fails' => $many(false, ReadAfter::Wash),
                'holdsDecon' => $many(true, ReadAfter::Decon),
                'failsDecon' => $many(false, ReadAfter::Decon),
                'judged' => 0,
            ];
        }

        return new self($bounds, $read);
    }

    public function saysNothing(): bool
    {
        return $this->bounds === [];
    }

    /**
     * The likelihood as exp(scale) × (constant + Σ factor × P(ln life ≤ bound)).
     *
     * @param float $wrong  the chance that a sound layer fails a reading after a wash
     * @return array{float, float, list<array{float, float}>} scale; constant; bound and factor
     */
    public function likelihood(float $wrong): array
    {
        [$scale, $cells] = $this->cells($wrong);
        $terms = [];
        $last = count($cells) - 1;
        // Σ cell × (F(upper) − F(lower)), gathered by bound; F above the last is one.
        foreach ($this->bounds as $i => $bound) {
            $factor = $cells[$i] - $cells[$i + 1];
            if ($factor !== 0.0) {
                $terms[] = [$bound, $factor];
            }
        }

        return [$scale, $cells[$last], $terms];
    }

    /**
     * @return array{float, non-empty-list<float>} ln of the best; the chance, beside it, of what was read had the layer
     *     ended before the first bound, before the second, …, after the last
     */
    private function cells(float $wrong): array
    {
        $decon = self::AFTER_DECON * $wrong;
        // All had already failed: the layer ended before the first bound.
        $logs = [0.0];
        foreach ($this->read as $one) {
            $logs[0] +=
                ($one['holds'] + $one['holdsDecon']) * log(self::OVERLOOKED) +
                ($one['fails'] + $one['failsDecon']) * log(1.0 - self::OVERLOOKED) +
                ($one['judged'] > 0 ? log(self::OVERLOOKED) : 0.0) +
                ($one['judged'] < 0 ? log(1.0 - self::JUDGED) : 0.0);
        }
        foreach ($this->read as $i => $one) {
            $logs[] =
                $logs[$i] +
                $one['holds'] * (log(1.0 - $wrong) - log(self::OVERLOOKED)) +
                $one['fails'] * (log($wrong) - log(1.0 - self::OVERLOOKED)) +
                $one['holdsDecon'] * (log(1.0 - $decon) - log(self::OVERLOOKED)) +
                $one['failsDecon'] * (log($decon) - log(1.0 - self::OVERLOOKED)) +
                match ($one['judged']) {
                    1 => -log(self::OVERLOOKED),
                    -1 => log(self::JUDGED) - log(1.0 - self::JUDGED),
                    default => 0.0,
                };
        }
        $top = max($logs);

        return [
            $top,
            array_map(
                static fn(float $log): float => $log - $top < log(self::NEGLIGIBLE) ? 0.0 : exp($log - $top),
                $logs,
            ),
        ];
    }
}
