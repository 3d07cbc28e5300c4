<?php

declare(strict_types=1);

namespace Vicissa\Core\Sheet\Schedule;

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
    private static function says(int $crew, array $needed): string
    {
        foreach ($needed as $task) {
            if ($task->people > $crew) {
                return "“{$task->id}” takes two people, and there is one.";
            }
        }
        $limits = [];
        $held = [];
        foreach ($needed as $task) {
            if ($task->dwell?->max !== null) {
                $limits[] = sprintf(
                    '“%s” has to begin at most %d min after “%s”',
                    $task->id,
                    $task->dwell->max,
                    $task->dwell->of,
                );
                array_push($held, $task->id, $task->dwell->of);
            }
        }
        $others = array_values(array_filter($needed, static fn(Task $task): bool => !in_array($task->id, $held, true)));

        return sprintf(
            '%s%s: %s can’t keep that.',
            implode('; ', $limits),
            $others === []
                ? ''
                : sprintf(
                    ', and %s between',
                    implode(
                        ', ',
                        array_map(
                            static fn(Task $task): string => sprintf('“%s” (%d min) lies', $task->id, $task->minutes),
                            $others,
                        ),
                    ),
                ),
            $crew === 1 ? 'one pair of hands' : 'two people',
        );
    }
}
