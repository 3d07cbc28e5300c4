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
     * @param list<array{day: float, before: float, washed: float, after: float}> $steps wear before each wash, after
     *     it, and after its drying aid; in order
     */
    private function __construct(private array $steps, private IdleWear $idle) {}

    /**
     * @param list<Wash> $washes  in any order
     * @param int|null $onAt      seconds since 1970 when the layer went on; without it the salt months are left out
     */
    public static function of(
        Habits $habits,
        array $washes,
        WearFactors $factors = new WearFactors(),
        ?int $onAt = null,
    ): self {
        usort($washes, static fn(Wash $a, Wash $b): int => $a->day <=> $b->day);
        $idle = IdleWear::of($habits, $onAt, factors: $factors);
        $steps = [];
        [$day, $worn] = [0.0, 0.0];
        foreach ($washes as $wash) {
            $before = $worn + $idle->at($wash->day) - $idle->at($day);
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

        return $worn + $this->idle->at(max($from, $day)) - $this->idle->at($from);
    }

    /** Wear-weeks between two days, washes left out. */
    public function idle(float $from, float $to): float
    {
        return $this->idle->at($to) - $this->idle->at($from);
    }

    /** Wear-weeks per week on a day, washes left out. */
    public function idlePerWeek(float $day): float
    {
        return 7.0 * $this->idle->perDay($day);
    }

    /** @return list<array{day: float, before: float, washed: float, after: float}> */
    public function steps(): array
    {
        return $this->steps;
    }

    /**
     * The day on which the wear expected from now on reaches a level; null when, by these habits, it never does.
     *
     * @param float $today          days since the layer went on
     * @param float $level          wear-weeks
     * @param float $washesPerWeek  wear-weeks per week that washing is expected to add from now on
     * @param float $leastPerWeek   wear-weeks per week that are reckoned at least, all together
     */
    public function reaches(float $level, float $today, float $washesPerWeek, float $leastPerWeek = 0.0): ?float
    {
        $worn = $this->at($today);

        return $worn >= $level
            ? $this->passed($level, $today)
            : $this->idle->reaches($level - $worn, $today, $washesPerWeek / 7.0, $leastPerWeek / 7.0);
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
            $spans[] = [$from, $start, $step['before']];
            [$from, $start] = [$step['day'], $step['after']];
        }
        $spans[] = [$from, $start, $this->at($today)];

        // Walk back from today until a stretch begins below the level.
        foreach (array_reverse($spans) as [$a, $wearA, $wearB]) {
            if ($wearB < $level) {
                break;
            }
            $since = $a;
            if ($wearA < $level) {
                return $this->idle->reaches($level - $wearA, $a, 0.0, 0.0) ?? $today;
            }
        }

        return $since;
    }
}
