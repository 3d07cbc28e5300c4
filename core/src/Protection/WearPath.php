<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection;

/**
 * Wear of one layer along its days: accrues daily by the habits, each logged wash adds its own share on its day, a
 * drying aid gives a little back (never below zero).
 */
final readonly class WearPath
{
    /**
     * @param list<array{day: float, before: float, washed: float, after: float}> $steps  wear before each wash, after it, and after its drying aid; in order
     */
    private function __construct(
        private array $steps,
        private float $idlePerDay,
    ) {}

    /**
     * @param list<Wash> $washes  in any order
     */
    public static function of(Habits $habits, array $washes, WearFactors $factors = new WearFactors): self
    {
        usort($washes, static fn(Wash $a, Wash $b): int => $a->day <=> $b->day);
        $idle = $factors->idle($habits) / 7.0;
        $steps = [];
        [$day, $worn] = [0.0, 0.0];
        foreach ($washes as $wash) {
            $before = $worn + $idle * ($wash->day - $day);
            $worn = $washed = $before + $factors->washing * $factors->washFactor($wash->traits);
            if ($wash->dryingAid) {
                $worn = max(0.0, $worn - $factors->dryingAidGivesBack);
            }
            $day = $wash->day;
            $steps[] = ['day' => $day, 'before' => $before, 'washed' => $washed, 'after' => $worn];
        }

        return new self($steps, $idle);
    }

    /** Wear-weeks on a day; on the day of a wash, after it. */
    public function at(float $day): float
    {
        [$from, $worn] = [0.0, 0.0];
        foreach ($this->steps as $step) {
            if ($step['day'] > $day) {
                break;
            }
            [$from, $worn] = [$step['day'], $step['after']];
        }

        return $worn + $this->idlePerDay * max(0.0, $day - $from);
    }

    /** @return list<array{day: float, before: float, washed: float, after: float}> */
    public function steps(): array
    {
        return $this->steps;
    }

    /**
     * The day on which the wear expected from now on reaches a level; null when, by these habits, it never does.
     *
     * @param float $today    days since the layer went on
     * @param float $level    wear-weeks
     * @param float $perWeek  wear-weeks per week expected from now on
     */
    public function reaches(float $level, float $today, float $perWeek): ?float
    {
        $worn = $this->at($today);
        if ($worn >= $level) {
            return $this->passed($level, $today);
        }

        return $perWeek <= 0.0 ? null : $today + 7.0 * ($level - $worn) / $perWeek;
    }

    /** The day from which wear has stood at or above the level until today. */
    private function passed(float $level, float $today): float
    {
        $since = $today;
        [$from, $start] = [0.0, 0.0];
        $spans = [];
        foreach ($this->steps as $step) {
            if ($step['day'] > $today) {
                break;
            }
            $spans[] = [$from, $start, $step['day'], $step['before']];
            [$from, $start] = [$step['day'], $step['after']];
        }
        $spans[] = [$from, $start, $today, $this->at($today)];

        // Walk back from today until a stretch begins below the level.
        foreach (array_reverse($spans) as [$a, $wearA, $b, $wearB]) {
            if ($wearB < $level) {
                break;
            }
            $since = $a;
            if ($wearA < $level) {
                return $this->idlePerDay > 0.0 ? $a + ($level - $wearA) / $this->idlePerDay : $b;
            }
        }

        return $since;
    }
}
