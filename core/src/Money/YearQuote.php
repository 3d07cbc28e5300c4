<?php

declare(strict_types=1);

namespace Vicissa\Core\Money;

use Vicissa\Core\InvalidInput;

/** A year of a programme for one vehicle: how often it is visited, what that costs, what is asked for it. */
final readonly class YearQuote
{
    private const YEAR = 365.25;

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
     * @param int $everyDays           between visits
     * @param int|null $saltEveryDays  in the salted months; null: the same
     * @param int $saltMonths          how many they are
     * @param float|null $topperWeeks  weeks a topper lasts; null: none goes on
     * @param int|null $deconDays      null: never
     * @param int|null $baseDays       days a short-lived base lasts; null: it lasts, or there is none
     * @param array<string, TurnCost> $costs     one of each kind, travel with the wash
     * @param array<string, float> $minutes      people's minutes of one of each kind
     * @param array<string, int|null> $prices    of one of each kind; null: not in the price list
     *
     * @throws InvalidInput
     */
    public static function of(
        int $everyDays,
        ?int $saltEveryDays,
        int $saltMonths,
        ?float $topperWeeks,
        ?int $deconDays,
        bool $inspection,
        ?int $baseDays,
        array $costs,
        array $minutes,
        array $prices,
        Rates $rates,
    ): self {
        InvalidInput::unlessBetween('every_days', $everyDays, 1, 366, 'days');
        InvalidInput::unlessBetween('salt_months', $saltMonths, 0, 12);
        $salted = $saltEveryDays === null ? 0.0 : (self::YEAR * $saltMonths) / 12.0;
        $washes = (int) round(
            (self::YEAR - $salted) / $everyDays + ($saltEveryDays === null ? 0.0 : $salted / max(1, $saltEveryDays)),
        );
        $rides = static fn(?float $days): int => $days === null
            ? 0
            : min($washes, (int) round(self::YEAR / max(1.0, $days)));
        $times = array_filter([
            'wash' => max(1, $washes),
            'topper' => $rides($topperWeeks === null ? null : 7.0 * $topperWeeks),
            'decon' => $rides($deconDays === null ? null : (float) $deconDays),
            'inspection' => $inspection ? 1 : 0,
            'base' => $rides($baseDays === null ? null : (float) $baseDays),
        ]);
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
