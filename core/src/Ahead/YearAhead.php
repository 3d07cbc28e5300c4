<?php

declare(strict_types=1);

namespace Vicissa\Core\Ahead;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Turn\MatchRules;
use Vicissa\Core\Protection\Life\Normal;
use Vicissa\Core\Protection\WearFactors;

/**
 * A year of one vehicle under one regime, many times over (seeded Monte Carlo). In each trial product and vehicle draw once how long toppers live on
 * it, each layer draws again (ln life, normal, as in 14.9); weather stretches a gap now and then and makes a week dirtier or cleaner.
 * Trials with the same seed meet the same luck under every regime, so that regimes are compared and not draws (common random numbers).
 */
final readonly class YearAhead
{
    public const DAYS = 365;

    /** One visit in so many is put off by weather, by up to so many days; while roads are salted, twice as many. */
    private const PUT_OFF = 0.12;

    private const PUT_OFF_DAYS = 5;

    /** A week's weather: soil times a factor drawn evenly from this span. */
    private const WEATHER = [0.5, 1.5];

    /**
     * @param array<string, Spread> $figures  weeks_below (weeks with the layer below "good"), hours, litres, minor, risk, washes, toppers, refused
     * @param list<array{day: int, low: float, mid: float, high: float}> $band  share of the topper left, once a week: a tenth, half, nine tenths of the trials lie below
     * @param list<array{day: int, left: float, topped: bool}> $typical         one trial whose weeks below lie in the middle
     */
    private function __construct(
        public array $figures,
        public array $band,
        public array $typical,
        public int $trials,
    ) {}

    /** @throws InvalidInput */
    public static function of(
        Subject $subject,
        Regime $regime,
        int $seed = 1,
        int $trials = 400,
        WearFactors $factors = new WearFactors(),
        MatchRules $rules = new MatchRules(),
    ): self {
        InvalidInput::unlessBetween('trials', $trials, 10, 20000);
        $cumulative = [0.0];
        foreach ($subject->idle as $day => $wear) {
            $cumulative[] = $cumulative[$day] + $wear;
        }
        $values = [];
        $weekly = [];
        $stories = [];
        for ($trial = 0; $trial < $trials; $trial++) {
            $random = new Randomizer(new Xoshiro256StarStar($seed * 100003 + $trial));
            [$sums, $left, $events] = self::trial($subject, $regime, $cumulative, $random, $factors, $rules);
            foreach ($sums as $name => $value) {
                $values[$name][] = $value;
            }
            foreach ($left as $week => $share) {
                $weekly[$week][] = $share;
            }
            $stories[] = $events;
        }
        $band = [];
        foreach ($weekly as $week => $shares) {
            sort($shares);
            $at = static fn(float $share): float => $shares[(int) round($share * (count($shares) - 1))];
            $band[] = ['day' => 7 * $week, 'low' => $at(0.1), 'mid' => $at(0.5), 'high' => $at(0.9)];
        }
        $below = $values['weeks_below'] ?? [0.0];
        asort($below);
        $middle = array_keys($below)[intdiv(count($below), 2)];

        return new self(
            array_map(static fn(array $some): Spread => Spread::of($some), $values),
            $band,
            $stories[$middle],
            $trials,
        );
    }

    /**
     * @param list<float> $cumulative  wear by itself up to the start of each day
     * @return array{array<string, float>, list<float>, list<array{day: int, left: float, topped: bool}>}
     */
    private static function trial(
        Subject $subject,
        Regime $regime,
        array $cumulative,
        Randomizer $random,
        WearFactors $factors,
        MatchRules $rules,
    ): array {
        $even = static fn(): float => $random->getInt(0, 2147483647) / 2147483648.0;
        // Box & Muller 1958.
        $normal = static fn(): float => sqrt(-2.0 * log(1.0 - $even())) * cos(2.0 * M_PI * $even());
        $common = $subject->medianLife * exp($subject->between * $normal());
        // Luck is drawn for the whole year at once, so that every regime meets the same.
        $lives = [];
        for ($i = 0; $i < 120; $i++) {
            $lives[] = $common * exp($subject->each * $normal());
        }
        $weather = [];
        for ($week = 0; $week < 54; $week++) {
            $weather[] = self::WEATHER[0] + (self::WEATHER[1] - self::WEATHER[0]) * $even();
        }
        $luck = [];
        for ($i = 0; $i < 370; $i++) {
            $luck[] = [$even(), $random->getInt(1, self::PUT_OFF_DAYS)];
        }
        $sums = array_fill_keys(
            ['weeks_below', 'hours', 'litres', 'minor', 'risk', 'washes', 'toppers', 'refused'],
            0.0,
        );
        $layer = 0;
        $life = $lives[0];
        $isOn = is_finite($subject->wornNow);
        // The layer on now has held until now: its life is above what it has worn.
        $worn = $isOn ? $subject->wornNow : 0.0;
        for ($tries = 1; $isOn && $life <= $worn && $tries < 120; $tries++) {
            $life = $lives[$tries];
        }
        if ($isOn && $life <= $worn) {
            $life = $worn * 1.05;
        }
        $lowest = $regime->topper === TopperRule::Forecast ? self::quantile($subject, $regime->caution) : 0.0;
        $day = -$subject->sinceWash;
        $topped = -$subject->sinceTopper;
        $soil = 0.0;
        $below = 0.0;
        $left = $events = [];
        $from = 0;
        for ($visit = 0; $visit < 370; $visit++) {
            $salted = $subject->salted[max(0, min(self::DAYS - 1, $day))];
            $gap = $salted && $regime->saltEveryDays !== null ? $regime->saltEveryDays : $regime->everyDays;
            $day = max($from, $day + $gap);
            if ($luck[$visit][0] < self::PUT_OFF * ($salted ? 2.0 : 1.0)) {
                $day += $luck[$visit][1];
            }
            $until = min(self::DAYS, $day);
            // The days before the visit.
            for ($d = $from; $d < $until; $d++) {
                $worn += $cumulative[$d + 1] - $cumulative[$d];
                $soil += $subject->soilPerDay * $weather[intdiv($d, 7)] * ($subject->salted[$d] ? 1.5 : 1.0);
                $share = $isOn ? max(0.0, 1.0 - $worn / $life) : 0.0;
                $below += $share <= 0.0 ? 1.0 : 0.0;
                if ($d % 7 === 0) {
                    $left[] = $share;
                }
            }
            if ($day >= self::DAYS) {
                break;
            }
            $level = (int) round(min(5.0, $soil));
            $refused = $level > $regime->ceiling;
            $stays =
                $level *
                ($isOn && $worn < $life ? $rules->rinseLeavesRepelling : $rules->rinseLeaves) *
                ($level >= $rules->preWashFromSoil || $refused ? $rules->preWashLeaves * $rules->foamLeaves : 1.0);
            $sums['risk'] +=
                $stays * ($refused ? $rules->medium(Method::MultiTowel) : $regime->medium) * $subject->softness;
            $sums['refused'] += $refused ? 1.0 : 0.0;
            $sums['washes'] += 1.0;
            $sums['hours'] += $regime->minutes['wash'] / 60.0;
            $sums['litres'] += $regime->litres['wash'];
            $sums['minor'] += $regime->minor['wash'];
            $soil = 0.0;
            $before = $isOn ? max(0.0, 1.0 - $worn / $life) : 0.0;
            $events[] = ['day' => $day, 'left' => $before, 'topped' => false];
            $worn += $factors->washing * $regime->washFactor;
            if ($regime->givesBack) {
                $worn = max(0.0, $worn - $factors->dryingAidGivesBack);
            }
            $renew = match ($regime->topper) {
                TopperRule::Never => false,
                TopperRule::EveryWash => true,
                TopperRule::Weeks => $day - $topped >= 7.0 * $regime->topperWeeks - 0.5 * $gap,
                // Whoever waits for the next wash is too late: what is likely by then counts.
                TopperRule::Forecast => !$isOn ||
                    $worn + $gap * ($cumulative[self::DAYS] / self::DAYS) + $factors->washing * $regime->washFactor >
                        $lowest,
                TopperRule::Reading => !$isOn || $worn >= $life,
            };
            if ($renew) {
                $isOn = true;
                $worn = 0.0;
                $topped = $day;
                $life = $lives[min(119, ++$layer)];
                $sums['toppers'] += 1.0;
                $sums['hours'] += $regime->minutes['topper'] / 60.0;
                $sums['litres'] += $regime->litres['topper'];
                $sums['minor'] += $regime->minor['topper'];
                $events[] = ['day' => $day, 'left' => 1.0, 'topped' => true];
            }
            $from = $day;
            if ($day === $until && $from >= self::DAYS) {
                break;
            }
        }
        $sums['weeks_below'] = $below / 7.0;

        return [$sums, $left, $events];
    }

    /** The life that a share of layers falls short of, by what is known before any of them is on. */
    private static function quantile(Subject $subject, float $share): float
    {
        return $subject->medianLife *
            exp(Normal::quantile($share) * sqrt($subject->between ** 2 + $subject->each ** 2));
    }
}
