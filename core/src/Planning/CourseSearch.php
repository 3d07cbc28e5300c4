<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

/**
 * The cheapest path over one vehicle's days. A label is a day it was visited with the dates on which topper,
 * decontamination and base are then worth doing and due; labels lie side by side in lists, since there are thousands of
 * them and each is asked often.
 */
final class CourseSearch
{
    /** State of a cycle that is not due again before the end. */
    private const DONE = 1023;

    private readonly Turnover $topper;

    private readonly Turnover $decon;

    private readonly Turnover $base;

    /** @var list<float> */
    private array $cost = [0.0];

    /** @var list<int> when each is worth doing, and due, next */
    private array $tFrom;

    /** @var list<int> */
    private array $tDue;

    /** @var list<int> */
    private array $dFrom;

    /** @var list<int> */
    private array $dDue;

    /** @var list<int> */
    private array $bFrom;

    /** @var list<int> */
    private array $bDue;

    /** @var list<int> which of the days each was done on last, ten bits each: topper, decontamination, base */
    private array $state = [0];

    /** @var list<int> the label before; the first one has none */
    private array $before = [-1];

    /** @var list<int> what a label is the end of: place in the days, and kind bits in the last five bits */
    private array $visit = [0];

    /** @var array<int, list<int>> labels by how many of the days have gone by, where there are any */
    private array $labels = [[0]];

    /** @var array<int, float> the cheapest of these, where there are any */
    private array $least = [0.0];

    /** Whether what is due after the end won't be done again, so that it is all one when it was done. */
    private readonly bool $tSettles;

    private readonly bool $dSettles;

    private readonly bool $bSettles;

    /**
     * @param int $locked  kind bits that are fixed on some day, and done then whether they are due or not
     * @param array{list<list<float>>, list<list<float>>, list<list<float>>} $owed  what topper, decontamination and
     *     base still cost at least, by how many of the days have gone by and when they were done last
     */
    public function __construct(
        private readonly PlanVehicle $vehicle,
        PlanRules $rules,
        private readonly int $end,
        int $locked,
        private readonly array $owed,
    ) {
        // A new base renews what lies on it.
        $this->tSettles = ($locked & 9) === 0;
        $this->dSettles = ($locked & 2) === 0;
        $this->bSettles = ($locked & 8) === 0;
        $this->topper = Turnover::of($vehicle->topper, $rules->topper, $rules, $end);
        $this->decon = Turnover::of($vehicle->decon, $rules->decon, $rules, $end);
        $this->base = Turnover::of($vehicle->base, $rules->base, $rules, $end);
        [$this->tFrom, $this->tDue] = [[$this->topper->from], [$this->topper->due]];
        [$this->dFrom, $this->dDue] = [[$this->decon->from], [$this->decon->due]];
        [$this->bFrom, $this->bDue] = [[$this->base->from], [$this->base->due]];
    }

    /**
     * Comes to a day, from every day before it from which it may.
     *
     * @param list<float|null> $gaps  what coming costs, by how many of the days had gone by before
     * @param array<int, float> $prices  by kind bits
     * @param float $cheapest  of these
     * @param float $atMost    nothing dearer is followed
     */
    public function visit(int $place, int $day, array $gaps, array $prices, float $cheapest, float $atMost): void
    {
        [$arrive, $via] = $this->arrivals($gaps, $atMost - $cheapest);
        if ($arrive === []) {
            return;
        }
        $kept = $this->kept($place, $day, ...$this->offers($place, $day, $arrive, $via, $prices, $atMost));
        if ($kept !== []) {
            $this->labels[$place + 1] = $kept;
        }
    }

    /**
     * @param list<float> $tails  what it costs to come no more, by how many of the days have gone by
     * @return array{cost: float, visits: list<array{int, int}>} places in the days and kind bits
     */
    public function best(array $tails): array
    {
        [$best, $last] = [INF, 0];
        foreach ($this->labels as $k => $some) {
            foreach ($some as $label) {
                $total = $this->cost[$label] + $tails[$k] + $this->overdue($label);
                if ($total < $best) {
                    [$best, $last] = [$total, $label];
                }
            }
        }
        $visits = [];
        for ($label = $last; $label > 0; $label = $this->before[$label]) {
            $visits[] = [$this->visit[$label] >> 5, $this->visit[$label] & 31];
        }

        return ['cost' => $best, 'visits' => array_reverse($visits)];
    }

    /** What is overdue at the end. */
    private function overdue(int $label): float
    {
        $end = $this->end;

        return ($end > $this->tDue[$label] ? $this->topper->late * ($end - $this->tDue[$label]) : 0.0) +
            ($end > $this->dDue[$label] ? $this->decon->late * ($end - $this->dDue[$label]) : 0.0) +
            ($end > $this->bDue[$label] ? $this->base->late * ($end - $this->bDue[$label]) : 0.0);
    }

    /**
     * The cheapest arrival in each state, and the label it comes from.
     *
     * @param list<float|null> $gaps
     * @param float $atMost  nothing dearer is followed
     * @return array{array<int, float>, array<int, int>}
     */
    private function arrivals(array $gaps, float $atMost): array
    {
        [$labels, $cost, $state, $least] = [$this->labels, $this->cost, $this->state, $this->least];
        $arrive = $via = [];
        // Few of the days before are left: nothing else could still be cheap enough.
        foreach ($least as $k => $cheapest) {
            $step = $gaps[$k];
            if ($step === null || $cheapest + $step > $atMost) {
                continue;
            }
            foreach ($labels[$k] as $label) {
                $total = $cost[$label] + $step;
                $key = $state[$label];
                if ($total <= $atMost && (!isset($arrive[$key]) || $total < $arrive[$key])) {
                    $arrive[$key] = $total;
                    $via[$key] = $label;
                }
            }
        }

        return [$arrive, $via];
    }

    /**
     * What may be done there, the cheapest in each state it leads to.
     *
     * @param array<int, float> $arrive
     * @param array<int, int> $via
     * @param array<int, float> $prices
     * @return array{array<int, float>, array<int, float>, array<int, int>, array<int, int>} least cost in all, cost, label before
     *     and kind bits, by state
     */
    private function offers(int $place, int $day, array $arrive, array $via, array $prices, float $atMost): array
    {
        [$end, $now] = [$this->end, $place + 1];
        [$tSettles, $dSettles, $bSettles] = [$this->tSettles, $this->dSettles, $this->bSettles];
        [$tOwed, $dOwed, $bOwed] = [$this->owed[0][$now] ?? [], $this->owed[1][$now] ?? [], $this->owed[2][$now] ?? []];
        [$tDues, $dDues, $bDues] = [$this->tDue, $this->dDue, $this->bDue];
        [$topper, $decon, $base] = [$this->topper, $this->decon, $this->base];
        $tAgain = $tSettles && $day + $topper->repeat >= $end ? self::DONE : $now;
        $dAgain = $dSettles && $day + $decon->repeat >= $end ? self::DONE : $now;
        $bAgain = $bSettles && $day + $base->repeat >= $end ? self::DONE : $now;
        // A new base renews what lies on it.
        $under = $this->vehicle->topper === null ? self::DONE : $tAgain;
        $leasts = $sums = $from = $what = [];
        foreach ($arrive as $key => $total) {
            $label = $via[$key];
            $tDue = $tDues[$label];
            $dDue = $dDues[$label];
            $bDue = $bDues[$label];
            $tDone = $tSettles && $tDue >= $end;
            $dDone = $dSettles && $dDue >= $end;
            $bDone = $bSettles && $bDue >= $end;
            $tState = $tDone ? self::DONE : $key >> 20;
            $dState = $dDone ? self::DONE : ($key >> 10) & 1023;
            $bState = $bDone ? self::DONE : $key & 1023;
            foreach ($prices as $bits => $price) {
                if (($bits & 1 && $tDone) || ($bits & 2 && $dDone) || ($bits & 8 && $bDone)) {
                    continue;
                }
                $sum = $total + $price;
                $t = $tState;
                $d = $dState;
                $b = $bState;
                if ($bits & 1) {
                    $sum += $topper->on($day, $this->tFrom[$label], $tDue);
                    $t = $tAgain;
                }
                if ($bits & 2) {
                    $sum += $decon->on($day, $this->dFrom[$label], $dDue);
                    $d = $dAgain;
                }
                if ($bits & 8) {
                    $sum += $base->on($day, $this->bFrom[$label], $bDue);
                    $b = $bAgain;
                    $t = $under;
                }
                $least = $sum + ($tOwed[$t] ?? 0.0) + ($dOwed[$d] ?? 0.0) + ($bOwed[$b] ?? 0.0);
                if ($least > $atMost) {
                    continue;
                }
                $to = ($t << 20) | ($d << 10) | $b;
                if (!isset($sums[$to]) || $sum < $sums[$to]) {
                    $leasts[$to] = $least;
                    $sums[$to] = $sum;
                    $from[$to] = $label;
                    $what[$to] = $bits;
                }
            }
        }

        return [$leasts, $sums, $from, $what];
    }

    /**
     * Makes labels of the offers; one falls when another of the day is cheaper by more than its later dates could ever
     * cost.
     *
     * @param array<int, float> $leasts  least cost in all, by state
     * @param array<int, float> $sums    cost
     * @param array<int, int> $before    label before
     * @param array<int, int> $what      kind bits
     * @return list<int>
     */
    private function kept(int $place, int $day, array $leasts, array $sums, array $before, array $what): array
    {
        if (count($leasts) > 1) {
            asort($leasts);
        }
        [$topper, $decon, $base] = [$this->topper, $this->decon, $this->base];
        [$tLate, $tEarly] = [$topper->late, $topper->early];
        [$dLate, $dEarly] = [$decon->late, $decon->early];
        [$bLate, $bEarly] = [$base->late, $base->early];
        // What is due after the end is done with where nothing is locked, and its dates cost nothing any more.
        $tMatters = $this->tSettles ? $this->end : PHP_INT_MAX;
        $dMatters = $this->dSettles ? $this->end : PHP_INT_MAX;
        $bMatters = $this->bSettles ? $this->end : PHP_INT_MAX;
        $least = INF;
        $kept = [];
        foreach (array_keys($leasts) as $to) {
            [$sum, $label, $bits] = [$sums[$to], $before[$to], $what[$to]];
            $tops = $bits & 1 || ($bits & 8 && $this->vehicle->topper !== null);
            $tFrom = $tops ? $day + $topper->rests : $this->tFrom[$label];
            $tDue = $tops ? $day + $topper->repeat : $this->tDue[$label];
            $dFrom = $bits & 2 ? $day + $decon->rests : $this->dFrom[$label];
            $dDue = $bits & 2 ? $day + $decon->repeat : $this->dDue[$label];
            $bFrom = $bits & 8 ? $day + $base->rests : $this->bFrom[$label];
            $bDue = $bits & 8 ? $day + $base->repeat : $this->bDue[$label];
            // The other costs at most this much with its dates in place of these.
            foreach ($kept as $other) {
                $worse = $this->cost[$other];
                if ($worse > $sum) {
                    continue;
                }
                $due = $this->tDue[$other];
                if ($due < $tMatters) {
                    $from = $this->tFrom[$other];
                    $worse +=
                        ($from > $tFrom ? $tEarly * ($from - $tFrom) : 0.0) +
                        ($tDue > $due ? $tLate * ($tDue - $due) : 0.0);
                }
                $due = $this->dDue[$other];
                if ($due < $dMatters) {
                    $from = $this->dFrom[$other];
                    $worse +=
                        ($from > $dFrom ? $dEarly * ($from - $dFrom) : 0.0) +
                        ($dDue > $due ? $dLate * ($dDue - $due) : 0.0);
                }
                $due = $this->bDue[$other];
                if ($due < $bMatters) {
                    $from = $this->bFrom[$other];
                    $worse +=
                        ($from > $bFrom ? $bEarly * ($from - $bFrom) : 0.0) +
                        ($bDue > $due ? $bLate * ($bDue - $due) : 0.0);
                }
                if ($worse <= $sum) {
                    continue 2;
                }
            }
            $least = $sum < $least ? $sum : $least;
            $kept[] = count($this->cost);
            $this->cost[] = $sum;
            $this->tFrom[] = $tFrom;
            $this->tDue[] = $tDue;
            $this->dFrom[] = $dFrom;
            $this->dDue[] = $dDue;
            $this->bFrom[] = $bFrom;
            $this->bDue[] = $bDue;
            $this->state[] = $to;
            $this->before[] = $label;
            $this->visit[] = ($place << 5) | $bits;
        }
        if ($kept !== []) {
            $this->least[$place + 1] = $least;
        }

        return $kept;
    }
}
