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
        $salts = in_array((int) gmdate('n', $onAt), $habits->saltMonths, true);
        $stretches = [[0.0, 0.0, ($perDay = $salts ? $salted : $usual)]];
        [$from, $total] = [0.0, 0.0];
        $year = (int) gmdate('Y', $onAt);
        while ($from < $until) {
            foreach (self::turns($habits->saltMonths, $year++) as [$at, $salts]) {
                if ($at <= $onAt || $from >= $until) {
                    continue;
                }
                $day = ($at - $onAt) / self::DAY;
                $total += $perDay * ($day - $from);
                [$from, $perDay] = [$day, $salts ? $salted : $usual];
                $stretches[] = [$from, $total, $perDay];
            }
        }

        return new self($stretches);
    }

    /**
     * When roads begin to be salted within a year, and when that ends. Asked for each layer anew, the same for all.
     *
     * @param list<int> $months
     * @return list<array{int, bool}> seconds since 1970, and whether they are salted from then on; in order
     */
    private static function turns(array $months, int $year): array
    {
        /** @var array<string, array<int, list<array{int, bool}>>> $known */
        static $known = [];
        $key = implode(' ', $months);
        if (!isset($known[$key][$year])) {
            $known[$key][$year] = [];
            for ($month = 1; $month <= 12; $month++) {
                $salts = in_array($month, $months, true);
                // All year or never, it still turns with each month: no stretch is then without an end.
                if ($salts !== in_array($month === 1 ? 12 : $month - 1, $months, true) || count($months) === 12) {
                    $known[$key][$year][] = [(int) gmmktime(0, 0, 0, $month, 1, $year), $salts];
                }
            }
        }

        return $known[$key][$year];
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
