<?php

declare(strict_types=1);

namespace Vicissa\Core\Sheet\Schedule;

use Vicissa\Core\Says\Said;

/** Why a visit can't be worked: a smallest set of steps that can't be kept together. */
final readonly class Clash
{
    /**
     * Leaves out step after step and keeps those without which it would work.
     *
     * @param list<Task> $tasks
     * @param callable(list<Task>): bool $isPossible
     */
    public static function among(int $crew, array $tasks, callable $isPossible): Infeasible
    {
        $needed = $tasks;
        foreach ($tasks as $task) {
            $without = array_values(array_filter($needed, static fn(Task $one): bool => $one !== $task));
            if ($without !== [] && !$isPossible($without)) {
                $needed = $without;
            }
        }
        /** @var non-empty-list<string> $ids */
        $ids = array_map(static fn(Task $task): string => $task->id, $needed);

        return new Infeasible($ids, self::says($crew, $needed));
    }

    /** @param list<Task> $needed */
    private static function says(int $crew, array $needed): Said
    {
        foreach ($needed as $task) {
            if ($task->people > $crew) {
                return Said::of('clash.takes-two-people-and-there', id: $task->id);
            }
        }
        $limits = [];
        $held = [];
        foreach ($needed as $task) {
            if ($task->dwell?->max !== null) {
                $limits[] = Said::of(
                    'clash.has-to-begin-at-most-min',
                    id: $task->id,
                    max: $task->dwell->max,
                    of: $task->dwell->of,
                );
                array_push($held, $task->id, $task->dwell->of);
            }
        }
        $others = array_values(array_filter($needed, static fn(Task $task): bool => !in_array($task->id, $held, true)));

        return Said::of(
            'clash.cant-keep-that',
            limits: Said::list($limits),
            others: $others === []
                ? null
                : Said::of(
                    'clash.lies-between',
                    others: Said::list(
                        array_map(
                            static fn(Task $task): Said => Said::of(
                                'clash.lies',
                                id: $task->id,
                                minutes: $task->minutes,
                            ),
                            $others,
                        ),
                    ),
                ),
            crew: $crew,
        );
    }
}
