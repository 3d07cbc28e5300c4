<?php

declare(strict_types=1);

namespace Vicissa\Core\Money;

/** What one turn costs: products, towels, water, resin, time, travel. Hundredths of the currency. */
final readonly class TurnCost
{
    public float $total;

    public function __construct(
        public float $products = 0.0,
        public float $towels = 0.0,
        public float $water = 0.0,
        public float $resin = 0.0,
        public float $time = 0.0,
        public float $travel = 0.0,
    ) {
        $this->total = $products + $towels + $water + $resin + $time + $travel;
    }

    /**
     * Products by what their packs cost; each towel by what a laundering and its share of a new one cost; water by the
     * litre, treated water with what the membrane let go; resin by the solids it takes out (14.4: litres it lasts =
     * resin × capacity × 1000 ÷ TDS); people by the hour, the van by the minute.
     *
     * @param list<array{ml: float, pack_ml: float|null, price_minor: int|null}> $products
     * @param list<array{pieces: int, price_minor: float|null, cycles: int}> $towels
     */
    public static function of(Rates $rates, array $products, array $towels, WaterUsed $water, TimeSpent $time): self
    {
        $spent = 0.0;
        foreach ($products as $one) {
            $spent +=
                $one['price_minor'] === null || $one['pack_ml'] === null || $one['pack_ml'] <= 0.0
                    ? 0.0
                    : ($one['ml'] * $one['price_minor']) / $one['pack_ml'];
        }
        $cloth = 0.0;
        foreach ($towels as $one) {
            $cloth +=
                $one['pieces'] *
                ($rates->launderMinor + ($one['price_minor'] ?? $rates->towelMinor) / max(1, $one['cycles']));
        }

        return new self(
            $spent,
            $cloth,
            ($water->drawn() / 1000.0) * $rates->waterMinorM3,
            $water->resinL() * $rates->resinMinorL,
            (($time->people * $time->minutes) / 60.0) * $rates->labourMinorH,
            $rates->road($time->travelMin, $time->people),
        );
    }

    public function plus(self $other): self
    {
        return new self(
            $this->products + $other->products,
            $this->towels + $other->towels,
            $this->water + $other->water,
            $this->resin + $other->resin,
            $this->time + $other->time,
            $this->travel + $other->travel,
        );
    }

    public function times(float $factor): self
    {
        return new self(
            $factor * $this->products,
            $factor * $this->towels,
            $factor * $this->water,
            $factor * $this->resin,
            $factor * $this->time,
            $factor * $this->travel,
        );
    }

    /**
     * @return array{products: int, towels: int, water: int, resin: int, time: int, travel: int, total: int} whole
     *     hundredths; the total is rounded once
     */
    public function rounded(): array
    {
        return array_map(static fn(float $part): int => (int) round($part), [
            'products' => $this->products,
            'towels' => $this->towels,
            'water' => $this->water,
            'resin' => $this->resin,
            'time' => $this->time,
            'travel' => $this->travel,
            'total' => $this->total,
        ]);
    }
}
