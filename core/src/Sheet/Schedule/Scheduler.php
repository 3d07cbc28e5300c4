<?php

declare(strict_types=1);

namespace Vicissa\Core\Sheet\Schedule;

use Vicissa\Core\InvalidInput;

/**
 * The earliest finish of a visit with every dwell kept (domain, model "sheet"): a resource-constrained project with
 * minimal and maximal time lags and a crew. Exact branch and bound: every step starts as early as its lags
 * allow; where people are short, the search decides who goes before whom, each decision being one more lag (after
 * Bartusch, Möhring & Radermacher 1988; De Reyck & Herroelen 1998). Equal inputs give equal schedules.
 */
final readonly class Scheduler
{
    /**
     * Decisions looked at before the best found so far has to do; visits of twenty steps need a few hundred. What one costs
     * grows with the square of the steps.
     */
    private const PATIENCE = 900_000;

    private const MOST_LOOKED = 4000;

    /** So many are looked at before lists are searched, for something to begin with. */
    private const FIRST_LOOKED = 120;

    private int $n;

    private int $source;

    private int $sink;

    /** @var list<int> */
    private array $minutes;

    /** @var list<array{int, int}> pairs that can't go on at once, whoever is there */
    private array $pairs;

    /** @param list<Task> $tasks */
    private function __construct(
        private int $crew,
        private array $tasks,
        /** Any schedule will do: the question is only whether there is one. */
        private bool $anyWillDo = false,
    ) {
        $this->n = count($tasks);
        $this->source = $this->n;
        $this->sink = $this->n + 1;
        $this->minutes = array_map(static fn(Task $task): int => $task->minutes, $tasks);
        $pairs = [];
        foreach ($tasks as $i => $one) {
            for ($j = $i + 1; $j < $this->n; $j++) {
                if ($one->people + $tasks[$j]->people > $crew && $one->minutes > 0 && $tasks[$j]->minutes > 0) {
                    $pairs[] = [$i, $j];
                }
            }
        }
        $this->pairs = $pairs;
    }

    /**
     * @param list<Task> $tasks
     *
     * @throws InvalidInput when the steps make no sense
     * @throws Infeasible when they can't all be kept
     */
    public static function earliest(int $crew, array $tasks): Schedule
    {
        Check::all($crew, $tasks);
        $scheduler = new self($crew, $tasks);
        $found = $scheduler->solve();
        if ($found === null) {
            throw Clash::among(
                $crew,
                $tasks,
                // Some of them of which it can't be told in time are taken to be possible: then they are not named.
                static fn(array $some): bool => (new self($crew, $some, true))->solve() !== null,
            );
        }

        return $scheduler->laidOut($found['starts'], $found['finish'], $found['bound']);
    }

    /** @return array{starts: list<int>, finish: int, bound: int}|null null when nothing is kept */
    private function solve(): ?array
    {
        $root = $this->lags();
        if ($root === null || array_filter($this->tasks, fn(Task $task): bool => $task->people > $this->crew) !== []) {
            return null;
        }
        $state = [
            'starts' => null,
            'finish' => PHP_INT_MAX,
            'looked' => 0,
            'most' => self::FIRST_LOOKED,
            'bound' => $this->handsOn($root, $root->from($this->source)),
        ];
        $this->search($root, $this->pairs, $state);
        if ($state['looked'] >= $state['most'] && ($state['starts'] === null || !$this->anyWillDo)) {
            $this->goOn($root, $state);
        }
        if ($state['starts'] === null) {
            return null;
        }

        return [
            'starts' => $state['starts'],
            'finish' => $state['finish'],
            'bound' => $state['looked'] < $state['most'] ? $state['finish'] : $state['bound'],
        ];
    }

    /**
     * What a few decisions have not settled: lists are searched for a better order, or for any, and then decisions go on.
     *
     * @param array{starts: list<int>|null, finish: int, looked: int, most: int, bound: int} $state
     */
    private function goOn(Lags $root, array &$state): void
    {
        if ($state['starts'] === null || $state['finish'] > $state['bound']) {
            $found = $this->lists()->best(
                $this->orders($root, $state['starts'] ?? $root->from($this->source)),
                $state['bound'],
                $this->anyWillDo,
            );
            if ($found !== null && $found[1] < $state['finish']) {
                [$state['starts'], $state['finish']] = $found;
            }
        }
        if ($this->anyWillDo) {
            return;
        }
        $state['looked'] = 0;
        $state['most'] = min(self::MOST_LOOKED, intdiv(self::PATIENCE, ($this->n + 2) ** 2));
        $this->search($root, $this->pairs, $state);
    }

    /**
     * Orders to begin with: as found, and by how much has to come after each.
     *
     * @param list<int> $starts
     * @return list<list<int>>
     */
    private function orders(Lags $root, array $starts): array
    {
        $found = $long = range(0, $this->n - 1);
        usort($found, static fn(int $a, int $b): int => [$starts[$a], $a] <=> [$starts[$b], $b]);
        $earliest = $root->from($this->source);
        $finish = $earliest[$this->sink];
        usort(
            $long,
            fn(int $a, int $b): int => [$finish - $root->at($a, $this->sink), $earliest[$a], $a] <=> [
                $finish - $root->at($b, $this->sink),
                $earliest[$b],
                $b,
            ],
        );

        return [$found, $long];
    }

    private function lists(): ListSearch
    {
        $number = array_flip(array_map(static fn(Task $task): string => $task->id, $this->tasks));
        $least = $most = [];
        foreach ($this->tasks as $i => $task) {
            foreach ($task->after as $before) {
                if (isset($number[$before])) {
                    $least[] = [$number[$before], $i, $this->minutes[$number[$before]]];
                }
            }
            $of = $task->dwell === null ? null : $number[$task->dwell->of] ?? null;
            if ($task->dwell !== null && $of !== null) {
                $least[] = [$of, $i, $this->minutes[$of] + $task->dwell->min];
                if ($task->dwell->max !== null) {
                    $most[$i] = [$of, $this->minutes[$of] + $task->dwell->max];
                }
            }
        }

        return new ListSearch(
            $this->crew,
            $this->minutes,
            array_map(static fn(Task $task): int => $task->people, $this->tasks),
            $least,
            $most,
        );
    }

    /** What the steps themselves ask for; null when that alone can't be kept. */
    private function lags(): ?Lags
    {
        $number = array_flip(array_map(static fn(Task $task): string => $task->id, $this->tasks));
        $wanted = [[$this->source, $this->sink, 0]];
        foreach ($this->tasks as $i => $task) {
            $wanted[] = [$this->source, $i, 0];
            $wanted[] = [$i, $this->sink, $task->minutes];
            foreach ($task->after as $before) {
                if (isset($number[$before])) {
                    $wanted[] = [$number[$before], $i, $this->minutes[$number[$before]]];
                }
            }
            $of = $task->dwell === null ? null : $number[$task->dwell->of] ?? null;
            if ($task->dwell !== null && $of !== null) {
                $wanted[] = [$of, $i, $this->minutes[$of] + $task->dwell->min];
                if ($task->dwell->max !== null) {
                    $wanted[] = [$i, $of, -$this->minutes[$of] - $task->dwell->max];
                }
            }
        }

        return array_reduce(
            $wanted,
            static fn(?Lags $lags, array $one): ?Lags => $lags?->with(...$one),
            Lags::none($this->n + 2),
        );
    }

    /**
     * @param array<int, array{int, int}> $open  pairs not in order yet
     * @param array{starts: list<int>|null, finish: int, looked: int, most: int, bound: int} $state  the best so far
     */
    private function search(Lags $lags, array $open, array &$state): void
    {
        if (
            $state['looked'] >= $state['most'] ||
            ($state['starts'] !== null && ($this->anyWillDo || $state['finish'] <= $state['bound']))
        ) {
            return;
        }
        $state['looked']++;
        $limit = $state['finish'];
        $lags = $limit < PHP_INT_MAX ? $lags->with($this->sink, $this->source, 1 - $limit) : $lags;
        $lags = $lags === null ? null : $this->settlePairs($lags, $open);
        if ($lags === null) {
            return;
        }
        $starts = $lags->from($this->source);
        if ($limit < PHP_INT_MAX && $this->handsOn($lags, $starts) >= $limit) {
            return;
        }
        $conflict = $this->firstConflict($starts);
        if ($conflict === []) {
            $state['starts'] = array_slice($starts, 0, $this->n);
            $state['finish'] = $starts[$this->sink];

            return;
        }
        foreach ($this->children($lags, $conflict, $state['bound']) as $child) {
            $this->search($child, $open, $state);
        }
    }

    /**
     * Pairs of which only one order is left are put in it, until nothing more follows.
     *
     * @param array<int, array{int, int}> $open  pairs not in order yet; those that are by now are taken out
     */
    private function settlePairs(Lags $lags, array &$open): ?Lags
    {
        do {
            $more = false;
            foreach ($open as $number => [$i, $j]) {
                [$mi, $mj] = [$this->minutes[$i], $this->minutes[$j]];
                [$ij, $ji] = [$lags->at($i, $j), $lags->at($j, $i)];
                if ($ij > -$mj) {
                    $lags = $lags->with($i, $j, $mi);
                } elseif ($ji > -$mi) {
                    $lags = $lags->with($j, $i, $mj);
                } else {
                    continue;
                }
                if ($lags === null) {
                    return null;
                }
                $more = $more || (max($ij, 0) < $mi && max($ji, 0) < $mj);
                unset($open[$number]);
            }
        } while ($more);

        return $lags;
    }

    /**
     * No schedule ends before the work that can't begin earlier is shared out among the crew, and the shortest of what
     * has to follow it is done.
     *
     * @param list<int> $starts
     */
    private function handsOn(Lags $lags, array $starts): int
    {
        $order = range(0, $this->n - 1);
        usort($order, static fn(int $a, int $b): int => $starts[$b] <=> $starts[$a]);
        $tails = [];
        foreach ($order as $i) {
            $tails[$i] = $lags->at($i, $this->sink) - $this->minutes[$i];
        }
        // For each tail, those with no shorter one: of them, the work that begins no earlier than each.
        $bound = $starts[$this->sink];
        foreach (array_unique($tails) as $tail) {
            $work = 0;
            foreach ($order as $i) {
                if ($tails[$i] >= $tail) {
                    $work += $this->minutes[$i] * $this->tasks[$i]->people;
                    $ends = $starts[$i] + intdiv($work + $this->crew - 1, $this->crew) + $tail;
                    if ($ends > $bound) {
                        $bound = $ends;
                    }
                }
            }
        }

        return $bound;
    }

    /**
     * The steps going on at the first moment at which people are short.
     *
     * @param list<int> $starts
     * @return list<int>
     */
    private function firstConflict(array $starts): array
    {
        $order = array_filter(range(0, $this->n - 1), fn(int $i): bool => $this->minutes[$i] > 0);
        usort($order, static fn(int $a, int $b): int => [$starts[$a], $a] <=> [$starts[$b], $b]);
        $going = [];
        $first = null;
        foreach ($order as $i) {
            $now = $starts[$i];
            if ($first !== null && $now > $first) {
                break;
            }
            $going = array_values(array_filter($going, fn(int $j): bool => $starts[$j] + $this->minutes[$j] > $now));
            $going[] = $i;
            if (
                $first === null &&
                array_sum(array_map(fn(int $j): int => $this->tasks[$j]->people, $going)) > $this->crew
            ) {
                $first = $now;
            }
        }

        return $first === null ? [] : $going;
    }

    /**
     * The ways out of a conflict, the most promising first: two of those going on are put one after the other. Each way
     * excludes the ones before it, so that nothing is looked at twice.
     *
     * @param list<int> $conflict
     * @return list<Lags>
     */
    private function children(Lags $lags, array $conflict, int $bound): array
    {
        $ways = [];
        foreach ($conflict as $x => $i) {
            foreach (array_slice($conflict, $x + 1) as $j) {
                $ways[] = [$i, $j];
                $ways[] = [$j, $i];
                if ($this->tasks[$i]->people + $this->tasks[$j]->people > $this->crew) {
                    // These two alone decide it.
                    $ways = [[$i, $j], [$j, $i]];
                    break 2;
                }
            }
        }
        $rated = [];
        foreach ($ways as $number => [$i, $j]) {
            $child = $lags->with($i, $j, $this->minutes[$i]);
            if ($child !== null) {
                // As early as any can be, the order given is the order worked.
                $rated[] = [max($bound, $child->at($this->source, $this->sink)), $i > $j, $number];
            }
        }
        sort($rated);
        $children = [];
        $rest = $lags;
        foreach ($rated as [, , $number]) {
            [$i, $j] = $ways[$number];
            $children[] = $rest->with($i, $j, $this->minutes[$i]);
            // From here on i does not end before j begins.
            $rest = $rest->with($j, $i, 1 - $this->minutes[$i]);
            if ($rest === null) {
                break;
            }
        }

        return array_values(array_filter($children));
    }

    /** @param list<int> $starts */
    private function laidOut(array $starts, int $finish, int $bound): Schedule
    {
        $order = range(0, $this->n - 1);
        usort($order, static fn(int $a, int $b): int => [$starts[$a], $a] <=> [$starts[$b], $b]);
        [$who, $chains] = $this->hands($order, $starts);
        $lags = $this->lags()?->with($this->sink, $this->source, -$finish);
        foreach ($chains as [$i, $j]) {
            $lags = $lags?->with($i, $j, $this->minutes[$i]);
        }
        $schedule = ['start' => [], 'end' => [], 'slack' => [], 'who' => []];
        foreach ($this->tasks as $i => $task) {
            $schedule['start'][$task->id] = $starts[$i];
            $schedule['end'][$task->id] = $starts[$i] + $task->minutes;
            $schedule['slack'][$task->id] = $lags === null ? 0 : -$lags->at($i, $this->source) - $starts[$i];
            $schedule['who'][$task->id] = $who[$i];
        }

        return new Schedule(
            $finish,
            $schedule['start'],
            $schedule['end'],
            $schedule['slack'],
            $schedule['who'],
            $bound,
        );
    }

    /**
     * Who does what: whoever began a thing goes on with it where that is possible.
     *
     * @param list<int> $order   by start
     * @param list<int> $starts
     * @return array{array<int, list<int>>, list<array{int, int}>} people by step, and which step each hands over to
     *     which
     */
    private function hands(array $order, array $starts): array
    {
        $last = array_fill(1, $this->crew, null);
        $who = $chains = [];
        foreach ($order as $i) {
            $task = $this->tasks[$i];
            $free = array_values(
                array_filter(
                    array_keys($last),
                    fn(int $person): bool => $last[$person] === null ||
                        $starts[$last[$person]] + $this->minutes[$last[$person]] <= $starts[$i],
                ),
            );
            $before = [...$task->after, ...$task->dwell === null ? [] : [$task->dwell->of]];
            usort(
                $free,
                fn(int $a, int $b): int => [!$this->follows($last[$a], $before), $a] <=> [
                    !$this->follows($last[$b], $before),
                    $b,
                ],
            );
            $who[$i] = array_slice($free, 0, $task->people);
            sort($who[$i]);
            foreach ($who[$i] as $person) {
                if ($last[$person] !== null) {
                    $chains[] = [$last[$person], $i];
                }
                $last[$person] = $i;
            }
        }

        return [$who, $chains];
    }

    /** @param list<string> $before */
    private function follows(?int $last, array $before): bool
    {
        return $last !== null && in_array($this->tasks[$last]->id, $before, true);
    }
}
