<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Sheet;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Tests\Study\RandomVisit;
use Tests\Told;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Sheet\Schedule\Dwell;
use Vicissa\Core\Sheet\Schedule\Infeasible;
use Vicissa\Core\Sheet\Schedule\ListSearch;
use Vicissa\Core\Sheet\Schedule\Schedule;
use Vicissa\Core\Sheet\Schedule\Scheduler;
use Vicissa\Core\Sheet\Schedule\Task;

/** The schedule of a visit against proven optima, and against trying everything. */
final class SchedulerTest extends TestCase
{
    use TestTrait;

    /** @return iterable<string, array{int, list<Task>, int}> */
    public static function visits(): iterable
    {
        /**
         * @var list<array{name: string, input: array{crew: int, steps: list<array<string, mixed>>},
         *     expect: array{best_known: int, proven: bool}}> $vectors
         */
        $vectors = json_decode(
            (string) file_get_contents(dirname(__DIR__) . '/vectors/sheet.json'),
            true,
            512,
            JSON_THROW_ON_ERROR,
        );
        foreach ($vectors as $vector) {
            yield $vector['name'] => [
                $vector['input']['crew'],
                array_map(self::task(...), $vector['input']['steps']),
                $vector['expect']['best_known'],
            ];
        }
    }

    /** @param list<Task> $tasks */
    #[DataProvider('visits')]
    public function testEveryProvenOptimumIsReachedAndProvenAgain(int $crew, array $tasks, int $best): void
    {
        $schedule = Scheduler::earliest($crew, $tasks);
        self::assertSame($best, $schedule->finish);
        self::assertTrue($schedule->isProven());
        self::assertKept($crew, $tasks, $schedule);
        self::assertEquals($schedule, Scheduler::earliest($crew, $tasks));
    }

    public function testSmallVisitsAgreeWithTryingEveryMinute(): void
    {
        $this->limitTo(250)
            ->forAll(Generators::choose(0, 10_000_000))
            ->then(function (int $seed): void {
                [$crew, $tasks] = self::visit($seed);
                $best = self::tryEverything($crew, $tasks);
                try {
                    $schedule = Scheduler::earliest($crew, $tasks);
                } catch (Infeasible $e) {
                    self::assertNull($best, Told::en($e->says));
                    $clash = array_values(
                        array_filter($tasks, static fn(Task $task): bool => in_array($task->id, $e->clash, true)),
                    );
                    self::assertNull(self::tryEverything($crew, self::only($clash)), 'what is named clashes by itself');
                    foreach (array_keys($clash) as $i) {
                        $rest = $clash;
                        unset($rest[$i]);
                        self::assertTrue(
                            $rest === [] || self::tryEverything($crew, self::only(array_values($rest))) !== null,
                            'and nothing too much is named',
                        );
                    }

                    return;
                }
                self::assertSame($best, $schedule->finish);
                self::assertTrue($schedule->isProven());
                self::assertKept($crew, $tasks, $schedule);
            });
    }

    /** Beyond what can be proven the order found is close to what no order can undercut, and the same each time. */
    public function testVisitsOfManyStepsAreLaidOutCloseToTheirBound(): void
    {
        $over = [];
        foreach (
            [[1, 1007, 31], [1, 1014, 38], [2, 2003, 28], [2, 2012, 36], [3, 3005, 40], [3, 3016, 33]]
            as [$crew, $seed, $steps]
        ) {
            $tasks = RandomVisit::of($seed, $steps, $crew);
            try {
                $schedule = Scheduler::earliest($crew, $tasks);
            } catch (Infeasible $e) {
                self::assertLessThan(8, count($e->clash), 'what clashes is named, and not all of it');
                continue;
            }
            self::assertKept($crew, $tasks, $schedule);
            self::assertEquals($schedule, Scheduler::earliest($crew, $tasks));
            $over[] = $schedule->finish / $schedule->bound - 1.0;
        }
        self::assertGreaterThan(3, count($over));
        self::assertLessThan(0.03, array_sum($over) / count($over));
    }

    /** A list of steps can be searched where nothing but lists is left: any order that is given, and any that can be kept. */
    public function testListsAreLaidOutWithTheirDwells(): void
    {
        // Foam for five minutes, rinsed four to six after it; a mix of eight and wheels of three can be done meanwhile or not.
        $lists = new ListSearch(1, [5, 2, 8, 3], [1, 1, 1, 1], [[0, 1, 9]], [1 => [0, 11]]);
        [$starts, $finish] = $lists->best([[0, 2, 3, 1]], 0) ?? self::fail('It can be laid out.');
        self::assertSame(19, $finish, 'the wheels while the foam works, the mix before or after, a minute of waiting');
        self::assertGreaterThanOrEqual($starts[0] + 9, $starts[1]);
        self::assertLessThanOrEqual($starts[0] + 11, $starts[1]);
        self::assertNull(
            (new ListSearch(1, [5, 2], [1, 2], [[0, 1, 5]], []))->best([[0, 1]], 0),
            'two people are wanted, and one is there',
        );
    }

    public function testASecondPairOfHandsNeverFinishesLater(): void
    {
        $this->limitTo(80)
            ->forAll(Generators::choose(0, 10_000_000))
            ->then(function (int $seed): void {
                [, $tasks] = self::visit($seed);
                try {
                    $alone = Scheduler::earliest(1, $tasks);
                } catch (Infeasible) {
                    return;
                }
                self::assertLessThanOrEqual($alone->finish, Scheduler::earliest(2, $tasks)->finish);
            });
    }

    public function testTheDwellIsUsedForOtherWork(): void
    {
        $schedule = Scheduler::earliest(1, [
            new Task('foam', 2),
            new Task('rinse', 3, dwell: new Dwell('foam', 4, 6)),
            new Task('mix', 5),
        ]);
        self::assertSame(10, $schedule->finish);
        self::assertSame(['foam' => 0, 'rinse' => 7, 'mix' => 2], $schedule->start);
        self::assertSame([1], $schedule->who['mix']);
    }

    public function testSlackIsWhatAStepMayWait(): void
    {
        $schedule = Scheduler::earliest(2, [
            new Task('wash', 20),
            new Task('wheels', 6),
            new Task('tyres', 4, after: ['wheels']),
        ]);
        self::assertSame(['wash' => 0, 'wheels' => 10, 'tyres' => 10], $schedule->slack);
        self::assertSame(
            [$schedule->who['wheels']],
            [$schedule->who['tyres']],
            'whoever began the wheels goes on with them',
        );
    }

    public function testWhatCantBeKeptIsNamed(): void
    {
        try {
            Scheduler::earliest(1, [
                new Task('look', 3),
                new Task('spray', 2, after: ['look']),
                new Task('wheels', 9, after: ['spray']),
                new Task('rinse', 3, after: ['wheels'], dwell: new Dwell('spray', 2, 6)),
            ]);
            self::fail();
        } catch (Infeasible $e) {
            self::assertSame(['spray', 'wheels', 'rinse'], $e->clash);
            self::assertStringContainsString('at most 6 min after “spray”', Told::en($e->says));
        }
        try {
            Scheduler::earliest(1, [new Task('look', 3), new Task('roof', 10, people: 2)]);
            self::fail();
        } catch (Infeasible $e) {
            self::assertSame(['roof'], $e->clash);
        }
    }

    /** @return iterable<string, array{int, list<Task>, string}> */
    public static function nonsense(): iterable
    {
        yield 'nine people' => [9, [new Task('a', 1)], 'crew'];
        yield 'nobody' => [0, [new Task('a', 1)], 'crew'];
        yield 'nothing to do' => [1, [], 'steps'];
        yield 'twice the same' => [1, [new Task('a', 1), new Task('a', 2)], 'steps.1.id'];
        yield 'less than no time' => [1, [new Task('a', -1)], 'steps.0.minutes'];
        yield 'after what is not there' => [1, [new Task('a', 1, after: ['b'])], 'steps.0.after.0'];
        yield 'a dwell on itself' => [1, [new Task('a', 1, dwell: new Dwell('a', 0, 1))], 'steps.0.dwell.of'];
        yield 'a backward dwell' => [
            1,
            [new Task('a', 1), new Task('b', 1, dwell: new Dwell('a', 5, 2))],
            'steps.1.dwell.max',
        ];
        yield 'a ring' => [1, [new Task('a', 1, after: ['b']), new Task('b', 1, after: ['a'])], 'steps.0.after'];
    }

    /** @param list<Task> $tasks */
    #[DataProvider('nonsense')]
    public function testNonsenseNamesItsField(int $crew, array $tasks, string $field): void
    {
        try {
            Scheduler::earliest($crew, $tasks);
            self::fail();
        } catch (InvalidInput $e) {
            self::assertSame($field, $e->field);
        }
    }

    /** @param list<Task> $tasks */
    private static function assertKept(int $crew, array $tasks, Schedule $schedule): void
    {
        self::assertSame(max([0, ...array_values($schedule->end)]), $schedule->finish);
        foreach ($tasks as $task) {
            $start = $schedule->start[$task->id];
            self::assertGreaterThanOrEqual(0, $start);
            self::assertGreaterThanOrEqual(0, $schedule->slack[$task->id]);
            self::assertLessThanOrEqual($schedule->finish, $schedule->end[$task->id] + $schedule->slack[$task->id]);
            self::assertCount($task->people, $schedule->who[$task->id]);
            foreach ($task->after as $before) {
                self::assertGreaterThanOrEqual($schedule->end[$before], $start);
            }
            if ($task->dwell !== null) {
                $waited = $start - $schedule->end[$task->dwell->of];
                self::assertGreaterThanOrEqual($task->dwell->min, $waited);
                self::assertLessThanOrEqual($task->dwell->max ?? PHP_INT_MAX, $waited);
            }
        }
        for ($minute = 0; $minute < $schedule->finish; $minute++) {
            $busy = array_merge(
                ...array_map(
                    static fn(Task $task): array => $schedule->start[$task->id] <= $minute &&
                    $minute < $schedule->end[$task->id]
                        ? $schedule->who[$task->id]
                        : [],
                    $tasks,
                ),
            );
            self::assertSame($busy, array_values(array_unique($busy)), 'nobody is in two places');
            self::assertLessThanOrEqual($crew, count($busy));
        }
    }

    /** @return array{int, list<Task>} */
    private static function visit(int $seed): array
    {
        $random = new Randomizer(new Xoshiro256StarStar($seed));
        $tasks = [];
        $n = $random->getInt(3, 6);
        for ($i = 0; $i < $n; $i++) {
            $before =
                $i === 0
                    ? []
                    : array_values(array_filter(range(0, $i - 1), static fn(): bool => $random->getInt(0, 3) === 0));
            $min = $random->getInt(0, 2);
            $tasks[] = new Task(
                "s{$i}",
                $random->getInt(1, 4),
                $random->getInt(0, 7) === 0 ? 2 : 1,
                array_map(static fn(int $b): string => "s{$b}", $before),
                $i > 0 && $random->getInt(0, 1) === 0
                    ? new Dwell('s' . $random->getInt(0, $i - 1), $min, $min + $random->getInt(0, 3))
                    : null,
            );
        }

        return [$random->getInt(1, 2), $tasks];
    }

    /**
     * @param list<Task> $tasks
     * @return list<Task> the same without waiting for what is not among them
     */
    private static function only(array $tasks): array
    {
        $ids = array_map(static fn(Task $task): string => $task->id, $tasks);

        return array_map(
            static fn(Task $task): Task => new Task(
                $task->id,
                $task->minutes,
                $task->people,
                array_values(array_intersect($task->after, $ids)),
                $task->dwell !== null && in_array($task->dwell->of, $ids, true) ? $task->dwell : null,
            ),
            $tasks,
        );
    }

    /**
     * Every start of every step, minute by minute; null when none is kept.
     *
     * @param list<Task> $tasks  each after those it waits for
     */
    private static function tryEverything(int $crew, array $tasks): ?int
    {
        // Enough room for everything one after the other, with every wait.
        $horizon = array_sum(
            array_map(static fn(Task $task): int => $task->minutes + ($task->dwell->min ?? 0), $tasks),
        );
        $best = null;
        $place = static function (int $i, array $ends, array $busy, int $finish) use (
            &$place,
            &$best,
            $tasks,
            $crew,
            $horizon,
        ): void {
            if ($best !== null && $finish >= $best) {
                return;
            }
            if (!isset($tasks[$i])) {
                $best = $finish;

                return;
            }
            $task = $tasks[$i];
            $from = max([
                0,
                ...array_map(static fn(string $id): int => $ends[$id], $task->after),
                ...$task->dwell === null ? [] : [$ends[$task->dwell->of] + $task->dwell->min],
            ]);
            $to = $task->dwell?->max === null ? $horizon : $ends[$task->dwell->of] + $task->dwell->max;
            for ($start = $from; $start <= $to; $start++) {
                $then = $busy;
                $fits = $task->people <= $crew;
                for ($minute = $start; $minute < $start + $task->minutes; $minute++) {
                    $then[$minute] = ($then[$minute] ?? 0) + $task->people;
                    $fits = $fits && $then[$minute] <= $crew;
                }
                if ($fits) {
                    $place(
                        $i + 1,
                        [...$ends, $task->id => $start + $task->minutes],
                        $then,
                        max($finish, $start + $task->minutes),
                    );
                }
            }
        };
        $place(0, [], [], 0);

        return $best;
    }

    /** @param array<string, mixed> $step */
    private static function task(array $step): Task
    {
        /**
         * @var array{id: string, minutes: int, people?: int, after?: list<string>, dwell?: array{of: string, min: int,
         *     max: int}} $step
         */
        return new Task(
            $step['id'],
            $step['minutes'],
            $step['people'] ?? 1,
            $step['after'] ?? [],
            isset($step['dwell'])
                ? new Dwell($step['dwell']['of'], $step['dwell']['min'], $step['dwell']['max'])
                : null,
        );
    }
}
