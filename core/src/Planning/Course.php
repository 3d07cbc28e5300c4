<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

/**
 * One vehicle alone: its best visits for given prices of days, exactly. A visit's cost depends on the gap since the
 * visit before and on when topper, decontamination and base were last done; a label is (day, last of each), and a label
 * falls when another on the same day is cheaper by more than its later dates could ever cost.
 */
final readonly class Course
{
    /** A deadline or a lock that is not met. More than any plan costs, so that as few as possible are left. */
    public const MISSED = 1.0e6;

    /** More vehicles than this. */
    private const MANY = 500;

    /** Points above the least that are followed at first. */
    private const SLACK = 4.0;

    /** @var list<int> days on which it may be visited, ascending */
    public array $days;

    /** @var list<int|null> kind bits that are locked on those days */
    private array $locked;

    /** @var list<int> how many locked days lie at or before each */
    private array $locksBefore;

    private int $locks;

    /** Kind bits of all that is locked. */
    private int $lockedBits;

    private bool $tops;

    private bool $decons;

    private bool $bases;

    /** @var list<list<int>> kind bits that may be asked of each of $days */
    public array $kinds;

    /** @var array<int, float> what the weather of days of $days costs, where it is poor */
    public array $poor;

    /**
     * @var list<list<float|null>> for each of $days, what the gap since the last wash (at 0) or since each earlier day
     *     costs; null where it may not be
     */
    private array $gaps;

    /**
     * @var array{list<list<float>>, list<list<float>>, list<list<float>>}|null as from allOwed; of very many vehicles it is found
     *     again each time, since it takes more memory than all the rest
     */
    private ?array $owed;

    /** @var list<float> what it costs to come no more after the last wash (at 0), after each of $days */
    private array $tails;

    public function __construct(private Instance $instance, public PlanVehicle $vehicle)
    {
        $days = $locked = $before = [];
        $count = 0;
        for ($day = $instance->start; $day < $instance->end; $day++) {
            $lock = $vehicle->locks[$day] ?? null;
            if ($lock !== null || $instance->isOpen($vehicle, $day)) {
                $days[] = $day;
                $locked[] = $lock;
                $before[] = $count += $lock === null ? 0 : 1;
            }
        }
        [$this->days, $this->locked, $this->locksBefore, $this->locks] = [$days, $locked, $before, $count];
        // What is not due before the end is never worth doing: leaving it costs nothing.
        $this->lockedBits = $lockedBits = array_reduce(
            $vehicle->locks,
            static fn(int $all, int $bits): int => $all | $bits,
            0,
        );
        $this->tops = $vehicle->topper !== null && ($vehicle->topper->due < $instance->end || ($lockedBits & 1) !== 0);
        $this->decons = $vehicle->decon !== null && ($vehicle->decon->due < $instance->end || ($lockedBits & 2) !== 0);
        $this->bases = $vehicle->base !== null && ($vehicle->base->due < $instance->end || ($lockedBits & 8) !== 0);
        // A new base renews what lies on it: no topper goes on beside it.
        $choices = [0, ...$this->tops ? [1] : [], ...$this->bases ? [8] : []];
        if ($this->decons) {
            $choices = [...$choices, ...array_map(static fn(int $bits): int => $bits | 2, $choices)];
        }
        $this->poor = array_map(
            static fn(): float => $instance->rules->poorWeather,
            array_filter($days, static fn(int $day): bool => $instance->skyOver($vehicle, $day)->poor),
        );
        $this->kinds = $this->kindsOf($choices);
        $this->gaps = $this->gaps();
        $this->tails = $this->tails();
        $this->owed = count($instance->vehicles) > self::MANY ? null : $this->allOwed();
    }

    /**
     * @param list<int> $choices  kind bits it may be asked for where all may go on
     * @return list<list<int>>
     */
    private function kindsOf(array $choices): array
    {
        $all = $of = [];
        foreach ($this->days as $i => $day) {
            $lock = $this->locked[$i];
            if ($lock !== null) {
                $all[] = [$lock];

                continue;
            }
            // Days on which the same may go on share one list: a large book has very many.
            $may = $this->instance->kindsOn($this->vehicle, $day);
            $all[] = $of[$may] ??= array_values(
                array_filter($choices, static fn(int $bits): bool => ($bits & ~$may) === 0),
            );
        }

        return $all;
    }

    public function isLocked(int $i): bool
    {
        return $this->locked[$i] !== null;
    }

    /**
     * @param list<array<int, float>> $prices for each of $days, what a visit with these kind bits costs there beside
     *     gaps and dates; a kind that is missing can't be had
     * @param float $known  what visits that are known cost at these prices: nothing dearer is looked for
     * @return array{cost: float, visits: list<array{int, int}>} total, with what is missed; places in $days and kind
     *     bits
     */
    public function best(array $prices, float $known = INF): array
    {
        // What the cheapest visit costs, where one is to be had.
        $cheapest = array_map(static fn(array $of): float => $of === [] ? INF : min($of), $prices);
        $rest = $this->rest($cheapest);
        $owed = $this->owed ?? $this->allOwed();
        $least = $rest[0] + ($owed[0][0][0] ?? 0.0) + ($owed[1][0][0] ?? 0.0) + ($owed[2][0][0] ?? 0.0);
        // Little is followed while little is allowed above what it costs at least; most often that is enough.
        for ($slack = self::SLACK; ; $slack *= 4.0) {
            $limit = min($known, $slack < self::MISSED ? $least + $slack : INF);
            $best = $this->search($prices, $cheapest, $rest, $owed, $limit);
            if ($best['cost'] <= $limit || $limit === INF) {
                return $best;
            }
            $known = $limit === $known ? INF : $known;
        }
    }

    /**
     * What is still to come costs at least this much, after the last wash (at 0) and after each of $days: gaps and
     * prices without the dates.
     *
     * @param list<float> $cheapest  visit of each of $days
     * @return list<float>
     */
    private function rest(array $cheapest): array
    {
        $rest = $this->tails;
        for ($k = count($this->days); $k > 0; $k--) {
            $on = $rest[$k] + $cheapest[$k - 1];
            if ($on === INF) {
                continue;
            }
            foreach ($this->gaps[$k - 1] as $before => $gap) {
                if ($gap !== null && $gap + $on < $rest[$before]) {
                    $rest[$before] = $gap + $on;
                }
            }
        }

        return $rest;
    }

    /** @return list<list<float|null>> */
    private function gaps(): array
    {
        $v = $this->vehicle;
        $rules = $this->instance->rules;
        $all = [];
        foreach ($this->days as $i => $day) {
            $isLock = $this->locked[$i] !== null;
            $row = [];
            for ($k = 0; $k <= $i; $k++) {
                $gap = $day - ($k === 0 ? $v->lastWash : $this->days[$k - 1]);
                if ($gap < $v->min && !$isLock && ($k === 0 || $this->locked[$k - 1] === null)) {
                    $row[] = null;

                    continue;
                }
                $missed =
                    $this->locksBefore[$i] -
                    ($isLock ? 1 : 0) -
                    ($k === 0 ? 0 : $this->locksBefore[$k - 1]) +
                    ($v->deadlines === [] ? 0 : $this->missedBetween($k === 0 ? null : $this->days[$k - 1], $day));
                $row[] =
                    $rules->offTarget * abs($gap - $v->target) +
                    ($gap > $v->max ? $rules->beyondMax * ($gap - $v->max) : 0.0) +
                    self::MISSED * $missed;
            }
            $all[] = $row;
        }

        return $all;
    }

    /** @return list<float> */
    private function tails(): array
    {
        $v = $this->vehicle;
        $end = $this->instance->end;
        $tails = [];
        foreach ([$v->lastWash, ...$this->days] as $k => $at) {
            $missed =
                $this->locks -
                ($k === 0 ? 0 : $this->locksBefore[$k - 1]) +
                ($v->deadlines === [] ? 0 : $this->missedBetween($k === 0 ? null : $at, $end));
            $tails[] = $this->instance->rules->beyondMax * max(0, $end - $at - $v->max) + self::MISSED * $missed;
        }

        return $tails;
    }

    /**
     * @return array{list<list<float>>, list<list<float>>, list<list<float>>} what topper, decontamination and base still cost at
     *     least before the days (at 0) and after each of $days, by when they were done last
     */
    private function allOwed(): array
    {
        [$v, $rules] = [$this->vehicle, $this->instance->rules];

        return [
            $this->owed($this->tops && !$this->bases ? $v->topper : null, $rules->topper),
            $this->owed($this->decons ? $v->decon : null, $rules->decon),
            $this->owed($this->bases ? $v->base : null, $rules->base),
        ];
    }

    /**
     * One cycle alone on the days it may go on: the least its dates can still cost. A base renews what lies on it, so a
     * topper on a base that is renewed owes nothing for sure.
     *
     * @param array{float, float} $weights  of a day late, of a day early
     * @return list<list<float>> by the day nothing has been done until, then by when it was done last; empty where
     *     nothing is owed
     */
    private function owed(?Cycle $cycle, array $weights): array
    {
        if ($cycle === null) {
            return [];
        }
        [$late, $early] = $weights;
        $rests = $cycle->restsFor($this->instance->rules);
        $count = count($this->days);
        /** @var list<list<float>> $owed */
        $owed = array_fill(0, $count + 1, []);
        $from = [$cycle->from];
        $due = [$cycle->due];
        foreach ($this->days as $day) {
            $from[] = $day + $rests;
            $due[] = $day + $cycle->repeat;
        }
        // From the last day backwards: what is owed after day j, done there, is known before it is asked for.
        /** @var list<float> $next  as owed after the day after */
        $next = array_map(fn(int $due): float => $late * max(0, $this->instance->end - $due), $due);
        $owed[$count] = $next;
        for ($j = $count - 1; $j >= 0; $j--) {
            $day = $this->days[$j];
            $row = [];
            for ($k = 0; $k <= $j; $k++) {
                $row[] = min(
                    $next[$k],
                    $late * max(0, $day - $due[$k]) + $early * max(0, $from[$k] - $day) + $next[$j + 1],
                );
            }
            $owed[$j] = $next = $row;
        }

        return $owed;
    }

    /**
     * @param list<array<int, float>> $prices
     * @param list<float> $cheapest  of each of $days
     * @param list<float> $rest      least cost of what is still to come
     * @param array{list<list<float>>, list<list<float>>, list<list<float>>} $owed  and of its dates
     * @param float $limit           nothing dearer is followed
     * @return array{cost: float, visits: list<array{int, int}>}
     */
    private function search(array $prices, array $cheapest, array $rest, array $owed, float $limit): array
    {
        $search = new CourseSearch(
            $this->vehicle,
            $this->instance->rules,
            $this->instance->end,
            $this->lockedBits,
            $owed,
        );
        foreach ($this->days as $i => $day) {
            if ($cheapest[$i] !== INF) {
                $search->visit($i, $day, $this->gaps[$i], $prices[$i], $cheapest[$i], $limit - $rest[$i + 1]);
            }
        }

        return $search->best($this->tails);
    }

    /**
     * Deadlines and locks that these visits miss.
     *
     * @param list<int> $visits  days, ascending
     */
    public function missed(array $visits): int
    {
        $missed = count(
            array_diff(array_filter($this->days, fn(int $day): bool => isset($this->vehicle->locks[$day])), $visits),
        );
        $before = null;
        foreach ([...$visits, $this->instance->end] as $day) {
            $missed += $this->missedBetween($before, $day);
            $before = $day;
        }

        return $missed;
    }

    /** Deadlines whose window lies wholly between two visits, within the days planned. */
    private function missedBetween(?int $before, int $after): int
    {
        $missed = 0;
        foreach ($this->vehicle->deadlines as [$first, $last]) {
            if (
                $last >= $this->instance->start &&
                $last < $this->instance->end &&
                $last < $after &&
                ($before === null || $first > $before)
            ) {
                $missed++;
            }
        }

        return $missed;
    }
}
