<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

use Vicissa\Core\Matching\Water;
use Vicissa\Core\Sheet\Schedule\Schedule;

/**
 * What a visit comes to: minutes, water, towels, products. The one source of these figures, for whoever plans, packs,
 * prices or records.
 */
final readonly class Totals
{
    /** Of the drying a dryer blows about half; the rest is towels. */
    private const BLOWS = 0.5;

    /**
     * @param int|null $minutes              of the clock, the middle; null when it can't be worked
     * @param int|null $nineInTen            minutes that nine such visits in ten stay within
     * @param float $tapL                    litres from the hose
     * @param float $treatedL                litres of the last rinses from the tank
     * @param float $mixL                    litres that are mixed
     * @param array<string, int> $textiles   as the steps count them: towels by size, sides, mitts
     * @param array<string, int> $pools      pieces by pool of textiles
     * @param array<string, float> $productMl  by product; grams of a paste
     * @param array<string, float> $maybeMl  what only a reading will ask for
     * @param float $blowsMin                minutes an air dryer runs
     */
    private function __construct(
        public ?int $minutes,
        public ?int $nineInTen,
        public int $people,
        public float $tapL,
        public float $treatedL,
        public float $mixL,
        public array $textiles,
        public array $pools,
        public array $productMl,
        public array $maybeMl,
        public float $blowsMin,
    ) {}

    public static function of(Laying $laying, Outfit $outfit, ?Schedule $schedule): self
    {
        $tap = $treated = $mix = $blows = 0.0;
        $textiles = $product = $maybe = [];
        $last = $laying->match->finalRinse->water === Water::Treated;
        foreach ($laying->steps as $step) {
            match (true) {
                $step->kind === 'mix' => ($mix += $step->waterL),
                $last && self::isLast($step->kind) => ($treated += $step->waterL),
                default => ($tap += $step->waterL),
            };
            foreach ($step->textiles as $use => $count) {
                // Mitts are rinsed and go on to the next go; everything else is used up.
                $textiles[$use] =
                    $use === 'mitts' ? max($textiles[$use] ?? 0, $count) : ($textiles[$use] ?? 0) + $count;
            }
            foreach ($step->portions as $portion) {
                if ($step->onlyIf === null) {
                    $product[$portion->productId] = ($product[$portion->productId] ?? 0.0) + ($portion->ml ?? 0.0);
                } else {
                    $maybe[$portion->productId] = ($maybe[$portion->productId] ?? 0.0) + ($portion->ml ?? 0.0);
                }
            }
            $blows +=
                $step->kind === 'dry' && $laying->match->drying->way->blows()
                    ? self::BLOWS * $step->minutes * $step->people
                    : 0.0;
        }
        ksort($textiles);

        return new self(
            $schedule?->finish,
            $schedule === null ? null : $outfit->pace->nineInTen($schedule->finish),
            $outfit->crew,
            $tap,
            $treated,
            $mix,
            $textiles,
            self::pools($textiles, $laying->situation->rules->sidesPerTowel),
            $product,
            $maybe,
            $blows,
        );
    }

    /** Which water comes last, and so from the tank where there is one. */
    public static function isLast(string $kind): bool
    {
        return $kind === 'rinse';
    }

    /**
     * Pieces out of each pool of textiles.
     *
     * @param array<string, int> $textiles  towels by size, sides, mitts
     * @return array<string, int>
     */
    public static function pools(array $textiles, int $sidesPerTowel): array
    {
        $pools = [];
        foreach ($textiles as $use => $count) {
            foreach (
                match ($use) {
                    'sides' => ['wash' => (int) ceil($count / $sidesPerTowel)],
                    'mitts' => ['upper-mitt' => (int) ceil($count / 2)] +
                        ($count > 1 ? ['lower-mitt' => intdiv($count, 2)] : []),
                    default => [$use => $count],
                }
                as $pool => $pieces
            ) {
                $pools[$pool] = ($pools[$pool] ?? 0) + $pieces;
            }
        }
        ksort($pools);

        return $pools;
    }
}
