<?php

declare(strict_types=1);

namespace Vicissa\Core\Sheet\Schedule;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

/** Whether the steps of a visit make sense before anything is reckoned with them. */
final readonly class Check
{
    /** Longer than this is not a visit. */
    private const DAY = 1440;

    private const MOST = 120;

    /** More than this get in each other’s way. */
    private const PEOPLE = 8;

    /**
     * @param list<Task> $tasks
     *
     * @throws InvalidInput
     */
    public static function all(int $crew, array $tasks): void
    {
        InvalidInput::unlessBetween('crew', $crew, 1, self::PEOPLE, 'people');
        if ($tasks === [] || count($tasks) > self::MOST) {
            throw InvalidInput::at('steps', Said::of('fault.steps', most: self::MOST));
        }
        $ids = [];
        foreach ($tasks as $i => $task) {
            if ($task->id === '' || isset($ids[$task->id])) {
                throw InvalidInput::at(
                    "steps.{$i}.id",
                    $task->id === '' ? Said::of('fault.step-name') : Said::of('fault.step-twice', step: $task->id),
                );
            }
            $ids[$task->id] = $i;
        }
        foreach ($tasks as $i => $task) {
            InvalidInput::unlessBetween("steps.{$i}.minutes", $task->minutes, 0, self::DAY, 'minutes');
            InvalidInput::unlessBetween("steps.{$i}.people", $task->people, 1, self::PEOPLE);
            foreach ($task->after as $k => $before) {
                self::known($ids, "steps.{$i}.after.{$k}", $before, $task);
            }
            if ($task->dwell !== null) {
                self::known($ids, "steps.{$i}.dwell.of", $task->dwell->of, $task);
                InvalidInput::unlessBetween("steps.{$i}.dwell.min", $task->dwell->min, 0, self::DAY, 'minutes');
                if ($task->dwell->max !== null && $task->dwell->max < $task->dwell->min) {
                    throw InvalidInput::at(
                        "steps.{$i}.dwell.max",
                        Said::of('fault.step-too-early', step: $task->id, of: $task->dwell->of),
                    );
                }
            }
        }
        self::noRings($tasks, $ids);
    }

    /** @param array<string, int> $ids */
    private static function known(array $ids, string $field, string $id, Task $task): void
    {
        if (!isset($ids[$id])) {
            throw InvalidInput::at($field, Said::of('fault.step-unknown', step: $task->id, other: $id));
        }
        if ($id === $task->id) {
            throw InvalidInput::at($field, Said::of('fault.step-itself', step: $task->id));
        }
    }

    /**
     * @param list<Task> $tasks
     * @param array<string, int> $ids
     */
    private static function noRings(array $tasks, array $ids): void
    {
        $left = array_map(
            static fn(Task $task): array => [...$task->after, ...$task->dwell === null ? [] : [$task->dwell->of]],
            $tasks,
        );
        do {
            $free = array_keys(
                array_filter(
                    $left,
                    static fn(array $waits): bool => array_filter(
                        $waits,
                        static fn(string $id): bool => isset($left[$ids[$id]]),
                    ) === [],
                ),
            );
            $left = array_diff_key($left, array_flip($free));
        } while ($free !== [] && $left !== []);
        if ($left !== []) {
            $i = array_key_first($left);
            throw InvalidInput::at(
                "steps.{$i}.after",
                Said::of(
                    'fault.step-ring',
                    steps: implode(', ', array_map(static fn(int $k): string => $tasks[$k]->id, array_keys($left))),
                ),
            );
        }
    }
}
