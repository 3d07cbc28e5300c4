<?php

declare(strict_types=1);

namespace App\Reckon;

use Vicissa\Core\Says\Said;
use Vicissa\Core\Sheet\Schedule\Dwell;
use Vicissa\Core\Sheet\Schedule\Infeasible;
use Vicissa\Core\Sheet\Schedule\Schedule;
use Vicissa\Core\Sheet\Schedule\Scheduler;
use Vicissa\Core\Sheet\Schedule\Task;

/** `sheet`: the visit as a schedule for one or two people (domain §14.13). */
final readonly class SheetModel implements Model
{
    public function name(): string
    {
        return 'sheet';
    }

    /** @return Told<'ReckonSheet'>|Told<'ReckonFault'> */
    public function reckon(Input $input): array
    {
        $tasks = array_map(self::task(...), $input->objects('steps'));
        try {
            return self::answer(Scheduler::earliest($input->whole('crew'), $tasks));
        } catch (Infeasible $e) {
            return ['error' => 'infeasible', 'clash' => $e->clash, 'message' => $e->says];
        }
    }

    private static function task(Input $step): Task
    {
        $after = $step->has('after') ? $step->items('after') : [];
        foreach ($after as $i => $id) {
            if (!is_string($id)) {
                throw $step->wrong("after.{$i}", Said::of('input.step'));
            }
        }
        $dwell = $step->has('dwell') ? $step->object('dwell') : null;

        /** @var list<string> $after */
        return new Task(
            $step->text('id'),
            $step->whole('minutes'),
            $step->has('people') ? $step->whole('people') : 1,
            $after,
            $dwell === null
                ? null
                : new Dwell(
                    $dwell->text('of'),
                    $dwell->has('min') ? $dwell->whole('min') : 0,
                    $dwell->has('max') ? $dwell->whole('max') : null,
                ),
        );
    }

    /** @return Told<'ReckonSheet'> */
    private static function answer(Schedule $schedule): array
    {
        $steps = [];
        foreach ($schedule->start as $id => $start) {
            $steps[] = [
                'id' => (string) $id,
                'start' => $start,
                'end' => $schedule->end[$id],
                'who' => $schedule->who[$id],
            ];
        }

        return [
            'finish' => $schedule->finish,
            'steps' => $steps,
            'slack' => $schedule->slack,
            'bound' => $schedule->bound,
        ];
    }
}
