<?php

declare(strict_types=1);

namespace Vicissa\Core\Ahead;

use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Turn\MatchRules;
use Vicissa\Core\Protection\Life\Normal;
use Vicissa\Core\Protection\WearFactors;

/** One year of one vehicle under one regime, day by day; what a trial of the year ahead has in hand. */
final class LivedYear
{
    /** Days at which salted roads leave more. */
    private const SALTED_SOIL = 1.5;

    /** @var array<string, float> */
    private array $sums;

    /** @var list<float> share of the topper left, once a week */
    private array $left = [];

    /** @var list<array{day: int, left: float, topped: bool}> */
    private array $events = [];

    private bool $isOn;

    private float $worn;

    private float $life;

    private int $layer = 0;

    private float $soil = 0.0;

    private int $topped;

    private int $daysBelow = 0;

    /**
     * @param list<float> $cumulative  wear by itself up to the start of each day
     * @param float $lowest  the life that the accepted share of layers falls short of
     */
    private function __construct(
        private readonly Subject $subject,
        private readonly Regime $regime,
        private readonly array $cumulative,
        private readonly Luck $luck,
        private readonly WearFactors $factors,
        private readonly MatchRules $rules,
        private readonly float $lowest,
    ) {
        $names = ['weeks_below', 'hours', 'litres', 'minor', 'risk', 'washes', 'toppers', 'refused'];
        $this->sums = array_fill_keys($names, 0.0);
        $this->isOn = is_finite($subject->wornNow);
        $this->worn = $this->isOn ? $subject->wornNow : 0.0;
        $this->life = $this->isOn ? $luck->now : $luck->lives[0];
        $this->topped = -$subject->sinceTopper;
    }

    /** @param list<float> $cumulative  wear by itself up to the start of each day */
    public static function of(
        Subject $subject,
        Regime $regime,
        array $cumulative,
        Luck $luck,
        WearFactors $factors,
        MatchRules $rules,
    ): self {
        $lowest = $regime->topper === TopperRule::Forecast ? self::quantile($subject, $regime->caution) : 0.0;
        $year = new self($subject, $regime, $cumulative, $luck, $factors, $rules, $lowest);
        $year->live();

        return $year;
    }

    /** @return array<string, float> */
    public function sums(): array
    {
        return [...$this->sums, 'weeks_below' => $this->daysBelow / 7.0];
    }

    /** @return list<float> share of the topper left, once a week */
    public function left(): array
    {
        return $this->left;
    }

    /** @return list<array{day: int, left: float, topped: bool}> */
    public function events(): array
    {
        return $this->events;
    }

    private function live(): void
    {
        $day = -$this->subject->sinceWash;
        $from = 0;
        for ($visit = 0; $visit < Luck::VISITS; $visit++) {
            $salted = $this->subject->salted[max(0, min(YearAhead::DAYS - 1, $day))];
            $gap =
                $salted && $this->regime->saltEveryDays !== null
                    ? $this->regime->saltEveryDays
                    : $this->regime->everyDays;
            $day = max($from, $day + $gap) + $this->luck->putOff($visit, $salted);
            $this->wait($from, min(YearAhead::DAYS, $day));
            if ($day >= YearAhead::DAYS) {
                return;
            }
            $this->wash($day);
            if ($this->isRenewed($day, $gap)) {
                $this->top($day);
            }
            $from = $day;
        }
    }

    private function share(): float
    {
        return $this->isOn ? max(0.0, 1.0 - $this->worn / $this->life) : 0.0;
    }

    /** The days before a visit. */
    private function wait(int $from, int $until): void
    {
        for ($day = $from; $day < $until; $day++) {
            $this->worn += $this->cumulative[$day + 1] - $this->cumulative[$day];
            $this->soil +=
                $this->subject->soilPerDay *
                $this->luck->soilOn($day) *
                ($this->subject->salted[$day] ? self::SALTED_SOIL : 1.0);
            $share = $this->share();
            $this->daysBelow += $share <= 0.0 ? 1 : 0;
            if ($day % 7 === 0) {
                $this->left[] = $share;
            }
        }
    }

    private function wash(int $day): void
    {
        $level = (int) round(min(5.0, $this->soil));
        $refused = $level > $this->regime->ceiling;
        $medium = $refused ? $this->rules->medium(Method::MultiTowel) : $this->regime->medium;
        $this->sums['risk'] += $this->stays($level, $refused) * $medium * $this->subject->softness;
        $this->sums['refused'] += $refused ? 1.0 : 0.0;
        $this->sums['washes'] += 1.0;
        $this->spend('wash');
        $this->soil = 0.0;
        $this->events[] = ['day' => $day, 'left' => $this->share(), 'topped' => false];
        $this->worn += $this->factors->washing * $this->regime->washFactor;
        if ($this->regime->givesBack) {
            $this->worn = max(0.0, $this->worn - $this->factors->dryingAidGivesBack);
        }
    }

    /** Soil that is still there when something first touches the paint. */
    private function stays(int $level, bool $refused): float
    {
        $repels = $this->isOn && $this->worn < $this->life;

        return $level *
            ($repels ? $this->rules->rinseLeavesRepelling : $this->rules->rinseLeaves) *
            ($level >= $this->rules->preWashFromSoil || $refused
                ? $this->rules->preWashLeaves * $this->rules->foamLeaves
                : 1.0);
    }

    private function isRenewed(int $day, int $gap): bool
    {
        return match ($this->regime->topper) {
            TopperRule::Never => false,
            TopperRule::EveryWash => true,
            TopperRule::Weeks => $day - $this->topped >= 7.0 * $this->regime->topperWeeks - 0.5 * $gap,
            // Whoever waits for the next wash is too late: what is likely by then counts.
            TopperRule::Forecast => !$this->isOn || $this->worn + $this->untilNext($gap) > $this->lowest,
            TopperRule::Reading => !$this->isOn || $this->worn >= $this->life,
        };
    }

    /** Wear that is likely until the next visit, and by its wash. */
    private function untilNext(int $gap): float
    {
        return $gap * ($this->cumulative[YearAhead::DAYS] / YearAhead::DAYS) +
            $this->factors->washing * $this->regime->washFactor;
    }

    private function top(int $day): void
    {
        $this->isOn = true;
        $this->worn = 0.0;
        $this->topped = $day;
        $this->life = $this->luck->lives[min(Luck::LAYERS - 1, ++$this->layer)];
        $this->sums['toppers'] += 1.0;
        $this->spend('topper');
        $this->events[] = ['day' => $day, 'left' => 1.0, 'topped' => true];
    }

    /** @param 'wash'|'topper' $what */
    private function spend(string $what): void
    {
        $this->sums['hours'] += $this->regime->minutes[$what] / 60.0;
        $this->sums['litres'] += $this->regime->litres[$what];
        $this->sums['minor'] += $this->regime->minor[$what];
    }

    /** The life that a share of layers falls short of, by what is known before any of them is on. */
    private static function quantile(Subject $subject, float $share): float
    {
        return $subject->medianLife *
            exp(Normal::quantile($share) * sqrt($subject->between ** 2 + $subject->each ** 2));
    }
}
