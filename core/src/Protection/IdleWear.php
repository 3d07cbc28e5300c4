<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection;

/**
 * Wear that accrues while nobody washes, along the days of a layer: a straight line, steeper in the months whose
 * roads are salted. Months begin at midnight UTC; a few hours of a season's edge are nothing to a layer.
 */
final readonly class IdleWear
{
    private const DAY = 86400.0;

    /** How far from the first day the seasons are laid out; beyond it goes on as it was last. */
    private const REACH_DAYS = 36525.0;

    /**
     * @param non-empty-list<array{float, float, float}> $stretches first day, wear accrued by then, wear per day; in
     *     order, the first at day 0
     */
    private function __construct(private array $stretches) {}

    /**
     * @param int|null $onAt  seconds since 1970 at day 0; without it, no season
     * @param float $until    days from day 0 for which the seasons matter
     */
    public static function of(
        Habits $habits,
        ?int $onAt = null,
        float $until = self::REACH_DAYS,
        WearFactors $factors = new WearFactors(),
    ): self {
        $usual = $factors->idle($habits) / 7.0;
        if ($habits->saltMonths === [] || $onAt === null) {
            return new self([[0.0, 0.0, $usual]]);
        }
        $salted = $factors->idle($habits->onSalt()) / 7.0;
        if ($salted === $usual) {
            // On roads that are always salted, or where salt wears nothing, no month differs.
            return new self([[0.0, 0.0, $usual]]);
        }
        $rate = static fn(int $month): float => in_array($month, $habits->saltMonths, true) ? $salted : $usual;
        [$year, $month] = [(int) gmdate('Y', $onAt), (int) gmdate('n', $onAt)];
        $stretches = [[0.0, 0.0, ($perDay = $rate($month))]];
        [$from, $total] = [0.0, 0.0];
        while ($from < $until) {
            [$year, $month] = $month === 12 ? [$year + 1, 1] : [$year, $month + 1];
            if ($rate($month) === $perDay && count($habits->saltMonths) < 12) {
                continue;
            }
            $day = (gmmktime(0, 0, 0, $month, 1, $year) - $onAt) / self::DAY;
            $total += $perDay * ($day - $from);
            [$from, $perDay] = [$day, $rate($month)];
            $stretches[] = [$from, $total, $perDay];
        }

        return new self($stretches);
    }

    /** Wear-weeks accrued since day 0. */
    public function at(float $day): float
    {
        [$from, $total, $perDay] = $this->stretch($day);

        return $total + $perDay * max(0.0, $day - $from);
    }

    /** Wear-weeks per day, on a day. */
    public function perDay(float $day): float
    {
        return $this->stretch($day)[2];
    }

    /**
     * The day on which so much has accrued since another day, washes at a steady rhythm taken along.
     *
     * @param float $amount  wear-weeks, at least 0
     * @param float $since   day
     * @param float $washes wear-weeks per day that washes add (below zero where drying aids give back more than washes
     *     take)
     * @param float $least   wear-weeks per day that are reckoned at least
     */
    public function reaches(float $amount, float $since, float $washes, float $least): ?float
    {
        $left = $amount;
        $last = count($this->stretches) - 1;
        foreach ($this->stretches as $i => [$from, , $perDay]) {
            $to = $i === $last ? INF : $this->stretches[$i + 1][0];
            if ($to <= $since) {
                continue;
            }
            $start = max($from, $since);
            $rate = max($least, $perDay + $washes);
            if ($rate > 0.0 && $left <= $rate * ($to - $start)) {
                return $start + $left / $rate;
            }
            $left -= $rate * ($to - $start);
        }

        return null;
    }

    /** @return array{float, float, float} the stretch a day lies in */
    private function stretch(float $day): array
    {
        $found = $this->stretches[0];
        foreach ($this->stretches as $stretch) {
            if ($stretch[0] > $day) {
                break;
            }
            $found = $stretch;
        }

        return $found;
    }
}
