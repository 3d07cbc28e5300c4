<?php

declare(strict_types=1);

namespace Vicissa\Core\Money;

/** A year of a programme for one vehicle: how often it is visited, what that costs, what is asked for it. */
final readonly class YearQuote
{
    private function __construct(
        /** @var array<string, int> how often, by kind: wash, topper, decon, inspection, base */
        public array $times,
        public float $hours,
        public TurnCost $cost,
        /** @var array<string, array{times: int, each_minor: int, minor: int}> */
        public array $lines,
        public int $priceMinor,
        public int $marginMinor,
        /** @var list<string> kinds that have no price; they are asked for at cost and the wished margin */
        public array $priceless,
    ) {}

    /**
     * @param array<string, TurnCost> $costs     one of each kind, travel with the wash
     * @param array<string, float> $minutes      people's minutes of one of each kind
     * @param array<string, int|null> $prices    of one of each kind; null: not in the price list
     */
    public static function of(YearRhythm $rhythm, array $costs, array $minutes, array $prices, Rates $rates): self
    {
        $times = $rhythm->times();
        $cost = new TurnCost();
        $hours = 0.0;
        $lines = $priceless = [];
        foreach ($times as $kind => $n) {
            $one = $costs[$kind] ?? new TurnCost();
            $cost = $cost->plus($one->times($n));
            $hours += ($n * ($minutes[$kind] ?? 0.0)) / 60.0;
            $price = $prices[$kind] ?? null;
            if ($price === null) {
                $priceless[] = $kind;
                $price = (int) (ceil(($one->total * (1.0 + $rates->marginPercent / 100.0)) / 50.0) * 50.0);
            }
            $lines[$kind] = ['times' => $n, 'each_minor' => $price, 'minor' => $n * $price];
        }
        $total = array_sum(array_column($lines, 'minor'));

        return new self($times, $hours, $cost, $lines, $total, $total - (int) round($cost->total), $priceless);
    }
}
