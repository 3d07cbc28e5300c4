<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Matching\Turn\Situation;
use Vicissa\Core\Matching\Turn\TurnMatch;
use Vicissa\Core\Mix\Doses\DosePlan;
use Vicissa\Core\Says\Said;
use Vicissa\Core\Sheet\Schedule\Infeasible;
use Vicissa\Core\Sheet\Schedule\Schedule;
use Vicissa\Core\Sheet\Schedule\Scheduler;
use Vicissa\Core\Sheet\Schedule\Task;

/**
 * A visit laid out in time, that people can work from: steps, doses, limits, when each begins, and what it all comes
 * to.
 */
final readonly class Visit
{
    /**
     * @param list<VisitStep> $steps         in the order of domain §2; empty when nothing may touch the paint
     * @param Schedule|null $schedule        null when it can't be worked as it stands
     * @param list<string> $clash            ids of steps that can't be kept together
     * @param list<Said> $problems         why it can't be worked, or what will run short
     */
    private function __construct(
        public Laying $laying,
        public TurnMatch $match,
        public DosePlan $doses,
        public array $steps,
        public ?Schedule $schedule,
        public array $clash,
        public array $problems,
        public Totals $totals,
    ) {}

    /** @param list<string> $done  steps behind the crew already: only the rest is scheduled */
    public static function of(Situation $situation, Schools $schools, Outfit $outfit, array $done = []): self
    {
        $laying = Laying::of($situation, $schools, $outfit);
        $made = static fn(?Schedule $schedule, array $clash, array $problems): self => new self(
            $laying,
            $laying->match,
            $laying->doses,
            $laying->steps,
            $schedule,
            $clash,
            $problems,
            Totals::of($laying, $outfit, $schedule),
        );
        if (!$laying->match->possible()) {
            return $made(null, [], [$laying->match->method->why, ...$laying->match->method->instead]);
        }
        $short = (new Refills($laying->match, $laying->situation, $outfit))->shortfall();
        $said = $short === null ? [] : [$short];
        $dry = array_values(
            array_filter($laying->sections, static fn(SectionPlan $plan): bool => $plan->mode === SectionPlan::NONE),
        );
        if ($dry !== []) {
            return $made(null, [], [...array_map(static fn(SectionPlan $plan): Said => $plan->says, $dry), ...$said]);
        }
        try {
            return $made(self::schedule($laying->steps, $outfit->crew, $done), [], $said);
        } catch (Infeasible $e) {
            return $made(null, $e->clash, [self::named($e->says, $laying->steps), ...$said]);
        }
    }

    /**
     * @param list<VisitStep> $steps
     * @param list<string> $done
     */
    private static function schedule(array $steps, int $crew, array $done): Schedule
    {
        $left = array_values(
            array_filter($steps, static fn(VisitStep $step): bool => !in_array($step->id, $done, true)),
        );
        $tasks = array_map(static fn(VisitStep $step): Task => $step->task(), $left);
        // What waits on something done has its timer running; the schedule only keeps the order.
        $tasks = array_map(
            static fn(Task $task): Task => new Task(
                $task->id,
                $task->minutes,
                $task->people,
                array_values(array_diff($task->after, $done)),
                $task->dwell !== null && in_array($task->dwell->of, $done, true) ? null : $task->dwell,
            ),
            $tasks,
        );

        return $tasks === [] ? new Schedule(0, [], [], [], [], 0) : Scheduler::earliest($crew, $tasks);
    }

    public function isWorkable(): bool
    {
        return $this->schedule !== null;
    }

    /**
     * The sentence with the steps' names for their ids.
     *
     * @param list<VisitStep> $steps
     */
    private static function named(Said $sentence, array $steps): Said
    {
        $names = array_combine(
            array_map(static fn(VisitStep $step): string => $step->id, $steps),
            array_map(static fn(VisitStep $step): Said => $step->name, $steps),
        );

        return $sentence->naming($names);
    }
}
