<?php

declare(strict_types=1);

namespace Vicissa\Core\Ahead;

use Random\Randomizer;
use Vicissa\Core\Protection\Life\Normal;

/** What a year may bring, drawn at once for all of it, so that every regime meets the same. */
final readonly class Luck
{
    public const LAYERS = 120;

    public const VISITS = 370;

    private const WEEKS = 54;

    /** One visit in so many is put off by weather, by up to so many days; while roads are salted, twice as many. */
    private const PUT_OFF = 0.12;

    private const PUT_OFF_DAYS = 5;

    /** A week's weather: soil times a factor drawn evenly from this span. */
    private const WEATHER = [0.5, 1.5];

    /**
     * @param float $now          how long the one that is on lives, all told
     * @param list<float> $lives  how long one topper after the other would live, wear-weeks
     * @param list<float> $weather  factor of the soil, by week
     * @param list<array{float, int}> $putOff  a number in [0, 1) and the days it would be put off by, by visit
     */
    private function __construct(
        public float $now,
        public array $lives,
        private array $weather,
        private array $putOff,
    ) {}

    /** Lives: product and vehicle together draw once, as the layer that is on lets them be, each layer again (ln life, normal). */
    public static function drawn(Randomizer $random, Subject $subject): self
    {
        $even = static fn(): float => $random->getInt(0, 2147483647) / 2147483648.0;
        // Box & Muller 1958.
        $normal = static fn(): float => sqrt(-2.0 * log(1.0 - $even())) * cos(2.0 * M_PI * $even());
        [$now, $common] = is_finite($subject->wornNow)
            ? self::given($subject, $even(), $normal())
            : [INF, $subject->medianLife * exp($subject->between * $normal())];
        $lives = $weather = $putOff = [];
        for ($i = 0; $i < self::LAYERS; $i++) {
            $lives[] = $common * exp($subject->each * $normal());
        }
        for ($week = 0; $week < self::WEEKS; $week++) {
            $weather[] = self::WEATHER[0] + (self::WEATHER[1] - self::WEATHER[0]) * $even();
        }
        for ($i = 0; $i < self::VISITS; $i++) {
            $putOff[] = [$even(), $random->getInt(1, self::PUT_OFF_DAYS)];
        }

        return new self($now, $lives, $weather, $putOff);
    }

    /**
     * The layer that is on has held until now: its life is drawn above what it has worn (normal, cut off, by its inverse), and
     * what product and vehicle give to all others with it, given that life (both normal together).
     *
     * @return array{float, float} its life, and the middle life of those to come; wear-weeks
     */
    private static function given(Subject $subject, float $even, float $normal): array
    {
        $middle = log($subject->medianLife);
        $all = sqrt($subject->between ** 2 + $subject->each ** 2);
        if ($all <= 0.0) {
            return [max($subject->medianLife, $subject->wornNow), $subject->medianLife];
        }
        $from = $subject->wornNow > 0.0 ? (log($subject->wornNow) - $middle) / $all : -8.0;
        $above = (1.0 - $even) * Normal::above($from);
        // What has outlived all that was thought possible has a little left, by its own scatter.
        $life = $above > 1e-300 ? max($from, -Normal::quantile($above)) : $from + 0.1;
        $share = $subject->between ** 2 / $all ** 2;

        return [
            max($subject->wornNow, exp($middle + $all * $life)),
            exp($middle + $share * $all * $life + sqrt($share) * $subject->each * $normal),
        ];
    }

    /** How much dirtier or cleaner the day's week is than usual. */
    public function soilOn(int $day): float
    {
        return $this->weather[intdiv($day, 7)];
    }

    /** Days by which a visit is put off. */
    public function putOff(int $visit, bool $salted): int
    {
        [$drawn, $days] = $this->putOff[$visit];

        return $drawn < self::PUT_OFF * ($salted ? 2.0 : 1.0) ? $days : 0;
    }
}
