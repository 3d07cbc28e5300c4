<?php

declare(strict_types=1);

namespace Vicissa\Core\Sheet\Schedule;

/**
 * Longest paths between starts: at(i, j) = w says that j begins at least w minutes after i. Closed under transitivity
 * (an incremental Floyd–Warshall, at most n² for a lag).
 */
final readonly class Lags
{
    /** No path. Half the range, so that sums stay integers. */
    private const NEVER = PHP_INT_MIN >> 1;

    /** @param list<list<int>> $w */
    private function __construct(private array $w) {}

    public static function none(int $n): self
    {
        $w = [];
        for ($i = 0; $i < $n; $i++) {
            $row = array_fill(0, $n, self::NEVER);
            $row[$i] = 0;
            $w[] = array_values($row);
        }

        return new self($w);
    }

    public function at(int $i, int $j): int
    {
        return $this->w[$i][$j];
    }

    /** @return list<int> the lags from $i to each */
    public function from(int $i): array
    {
        return $this->w[$i];
    }

    /** Null when it contradicts the others. */
    public function with(int $i, int $j, int $lag): ?self
    {
        $w = $this->w;
        if ($w[$i][$j] >= $lag) {
            return $this;
        }
        if ($w[$j][$i] + $lag > 0) {
            return null;
        }
        // Only what the new lag brings further than before can bring anything further still.
        $tails = [];
        foreach ($w[$j] as $b => $to) {
            if ($to > self::NEVER && $lag + $to > $w[$i][$b]) {
                $tails[$b] = $lag + $to;
            }
        }
        foreach ($w as $a => $row) {
            $head = $row[$i];
            if ($head === self::NEVER || $head + $lag <= $row[$j]) {
                continue;
            }
            foreach ($tails as $b => $to) {
                if ($head + $to > $row[$b]) {
                    $row[$b] = $head + $to;
                }
            }
            /** @var list<int> $row */
            $w[$a] = $row;
        }

        /** @var list<list<int>> $w */
        return new self($w);
    }
}
