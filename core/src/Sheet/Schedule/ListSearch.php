<?php

declare(strict_types=1);

namespace Vicissa\Core\Sheet\Schedule;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * Better orders for a visit of many steps: a list of them is laid out step by step, each as early as those before it leave room
 * (serial schedule generation, Kelley 1963); where a dwell would last too long, what it began with is put off and the list laid
 * out again. Lists are changed one step at a time and kept by annealing (Kirkpatrick, Gelatt & Vecchi 1983), with a seed:
 * equal visits get equal schedules.
 */
final readonly class ListSearch
{
    /** Lists tried; fewer the more steps there are. */
    private const TRIES = 90_000;

    private const LEAST_TRIES = 1200;

    private const ANY_TRIES = 150;

    /** So often a list is laid out anew for its dwells before it is given up. */
    private const PUT_OFF = 60;

    /** Minutes by which a list may be worse and still be kept, at first and at last. */
    private const WARM = [2.5, 0.15];

    /** A minute of all steps together beside one of the finish. */
    private const COMPACT = 2e-4;

    private const SEED = 5;

    /** @var list<list<array{int, int}>> by step: what it follows, and minutes from its start */
    private array $follows;

    /** @var list<list<int>> by step: what follows it */
    private array $leads;

    private int $horizon;

    /**
     * @param list<int> $minutes
     * @param list<int> $people
     * @param list<array{int, int, int|null}> $least   step, step that follows, minutes between starts at least
     * @param array<int, array{int, int}> $most        by step: what it dwells on, minutes between starts at most
     */
    public function __construct(
        private int $crew,
        private array $minutes,
        private array $people,
        array $least,
        private array $most,
    ) {
        $n = count($minutes);
        $follows = $leads = array_fill(0, $n, []);
        foreach ($least as [$before, $after, $lag]) {
            $follows[$after][] = [$before, (int) $lag];
            $leads[$before][] = $after;
        }
        $this->follows = array_values($follows);
        $this->leads = array_values($leads);
        $this->horizon =
            array_sum($minutes) + array_sum(array_map(static fn(array $one): int => max(0, (int) $one[2]), $least)) + 2;
    }

    /**
     * @param list<list<int>> $lists  orders to begin with
     * @param int $bound              no schedule ends before this: found, it is enough
     * @param bool $any               any that can be kept will do
     * @return array{list<int>, int}|null starts and finish; null when no list could be laid out
     */
    public function best(array $lists, int $bound, bool $any = false): ?array
    {
        $lists = array_map($this->ordered(...), $lists);
        $random = new Randomizer(new Xoshiro256StarStar(self::SEED));
        $even = static fn(): float => $random->getInt(0, 2147483646) / 2147483647.0;
        $n = count($this->minutes);
        $best = $list = null;
        $lowest = $cost = INF;
        foreach ($lists as $one) {
            $laid = $this->laidOut($one);
            if ($laid !== null && ($worth = $this->worth($laid)) < $cost) {
                [$list, $cost, $best, $lowest] = [$one, $worth, $laid, $worth];
            }
        }
        $list ??= $lists[0] ?? [];
        $tries = $any ? self::ANY_TRIES : max(self::LEAST_TRIES, intdiv(self::TRIES, max(1, $n)));
        for ($try = 0; $try < $tries && $n > 1; $try++) {
            if ($best !== null && ($any || $this->finish($best) <= $bound)) {
                break;
            }
            $next = $this->moved($list, $random);
            $laid = $next === null ? null : $this->laidOut($next);
            if ($next === null || $laid === null) {
                // Where nothing has been laid out yet any list is as good as another.
                $list = $best === null && $next !== null ? $next : $list;
                continue;
            }
            $worth = $this->worth($laid);
            $warmth = self::WARM[0] * (self::WARM[1] / self::WARM[0]) ** ($try / $tries);
            if ($worth <= $cost || $even() < exp(($cost - $worth) / $warmth)) {
                [$list, $cost] = [$next, $worth];
            }
            if ($worth < $lowest) {
                [$best, $lowest] = [$laid, $worth];
            }
        }

        return $best === null ? null : [$best, $this->finish($best)];
    }

    /**
     * The same order, but nothing before what it follows.
     *
     * @param list<int> $list
     * @return list<int>
     */
    private function ordered(array $list): array
    {
        $done = $ordered = [];
        while ($list !== []) {
            foreach ($list as $at => $step) {
                if (array_filter($this->follows[$step], static fn(array $one): bool => !isset($done[$one[0]])) === []) {
                    $ordered[] = $step;
                    $done[$step] = true;
                    array_splice($list, $at, 1);
                    continue 2;
                }
            }
            // A ring, which nobody asks about ({@see Check}).
            return [...$ordered, ...$list];
        }

        return $ordered;
    }

    /**
     * One step elsewhere, between what it follows and what follows it.
     *
     * @param list<int> $list
     * @return list<int>|null
     */
    private function moved(array $list, Randomizer $random): ?array
    {
        $n = count($list);
        $at = $random->getInt(0, $n - 1);
        $step = $list[$at];
        $low = $at;
        while ($low > 0 && !in_array($step, $this->leads[$list[$low - 1]], true)) {
            $low--;
        }
        $high = $at;
        while ($high < $n - 1 && !in_array($list[$high + 1], $this->leads[$step], true)) {
            $high++;
        }
        if ($low === $high) {
            return null;
        }
        $to = $random->getInt($low, $high - 1);
        $to = $to >= $at ? $to + 1 : $to;
        array_splice($list, $at, 1);
        array_splice($list, $to, 0, [$step]);

        return $list;
    }

    /**
     * @param list<int> $list
     * @return list<int>|null starts; null when its dwells can't be kept in this order
     */
    private function laidOut(array $list): ?array
    {
        $n = count($this->minutes);
        $release = array_fill(0, $n, 0);
        for ($again = 0; $again < self::PUT_OFF; $again++) {
            $busy = array_fill(0, $this->horizon, 0);
            $starts = array_fill(0, $n, 0);
            $kept = true;
            foreach ($list as $step) {
                $from = $release[$step];
                foreach ($this->follows[$step] as [$before, $lag]) {
                    $from = max($from, $starts[$before] + $lag);
                }
                $start = $this->room($busy, $from, $this->minutes[$step], $this->people[$step]);
                if ($start === null) {
                    return null;
                }
                if (isset($this->most[$step])) {
                    [$of, $most] = $this->most[$step];
                    $late = $start - $starts[$of] - $most;
                    if ($late > 0) {
                        $release[$of] = $starts[$of] + $late;
                        $kept = false;
                        break;
                    }
                }
                $starts[$step] = $start;
                for ($t = $start + $this->minutes[$step] - 1; $t >= $start; $t--) {
                    $busy[$t] += $this->people[$step];
                }
            }
            if ($kept) {
                return array_values($starts);
            }
        }

        return null;
    }

    /**
     * The first moment from which so many are free for so long.
     *
     * @param array<int, int> $busy
     */
    private function room(array $busy, int $from, int $minutes, int $people): ?int
    {
        $free = $this->crew - $people;
        for ($start = $from; $start + $minutes <= $this->horizon; ) {
            $t = $start + $minutes - 1;
            while ($t >= $start && $busy[$t] <= $free) {
                $t--;
            }
            if ($t < $start) {
                return $start;
            }
            $start = $t + 1;
        }

        return null;
    }

    /** @param list<int> $starts */
    private function worth(array $starts): float
    {
        return $this->finish($starts) + self::COMPACT * array_sum($starts);
    }

    /** @param list<int> $starts */
    private function finish(array $starts): int
    {
        $finish = 0;
        foreach ($starts as $i => $start) {
            $finish = max($finish, $start + $this->minutes[$i]);
        }

        return $finish;
    }
}
