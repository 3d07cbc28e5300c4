<?php

declare(strict_types=1);

namespace Tests\Study;

use Vicissa\Core\Sheet\Schedule\Dwell;
use Vicissa\Core\Sheet\Schedule\Task;

/** Visits of many steps, as no car needs them: chains that dwell, work between, some of it for two. */
final readonly class RandomVisit
{
    /** @return list<Task> */
    public static function of(int $seed, int $steps, int $crew): array
    {
        $luck = new Luck($seed);
        $tasks = [];
        for ($i = 0; $i < $steps; $i++) {
            $after = [];
            for ($k = 0; $k < 2 && $i > 0; $k++) {
                if ($luck->even() < 0.55) {
                    $after['s' . max(0, $i - 1 - $luck->below(7))] = true;
                }
            }
            $dwell = null;
            if ($i > 0 && $luck->even() < 0.35) {
                $of = 's' . max(0, $i - 1 - $luck->below(3));
                $min = $luck->below(8);
                $dwell = new Dwell($of, $min, $luck->even() < 0.7 ? $min + 1 + $luck->below(9) : null);
            }
            $minutes = 1 + (int) floor(14 * $luck->even() ** 2) + ($luck->even() < 0.1 ? 10 : 0);
            $tasks[] = new Task(
                "s{$i}",
                $minutes,
                $crew > 1 && $luck->even() < 0.12 ? 2 : 1,
                array_keys($after),
                $dwell,
            );
        }

        return $tasks;
    }
}
