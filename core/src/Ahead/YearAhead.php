<?php

declare(strict_types=1);

namespace Vicissa\Core\Ahead;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Matching\Turn\MatchRules;
use Vicissa\Core\Protection\WearFactors;

/**
 * A year of one vehicle under one regime, many times over (seeded Monte Carlo). In each trial product and vehicle draw
 * once how long toppers live on it, each layer draws again (ln life, normal, as in 14.9); weather stretches a gap now
 * and then and makes a week dirtier or cleaner. Trials with the same seed meet the same luck under every regime, so
 * that regimes are compared and not draws (common random numbers).
 */
final readonly class YearAhead
{
    public const DAYS = 365;

    /**
     * @param array<string, Spread> $figures weeks_below (weeks with the layer below "good"), hours, litres, minor,
     *     risk, washes, toppers, refused
     * @param list<array{day: int, low: float, mid: float, high: float}> $band share of the topper left, once a week: a
     *     tenth, half, nine tenths of the trials lie below
     * @param list<array{day: int, left: float, topped: bool}> $typical     one trial whose weeks below lie in the
     *     middle
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
            $year = LivedYear::of($subject, $regime, $cumulative, Luck::drawn($random, $subject), $factors, $rules);
            foreach ($year->sums() as $name => $value) {
                $values[$name][] = $value;
            }
            foreach ($year->left() as $week => $share) {
                $weekly[$week][] = $share;
            }
            $stories[] = $year->events();
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
}
