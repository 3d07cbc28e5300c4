<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection\Life\Learnt;

/** What several vehicles' layers say together. */
final readonly class PooledSeen
{
    /** @param array<int, list<array<int, float>>> $alongMu  by way and spread of v: ln likelihood */
    private function __construct(public int $layers, public array $alongMu) {}

    /** @param list<VehicleSeen> $vehicles */
    public static function of(array $vehicles): ?self
    {
        if ($vehicles === []) {
            return null;
        }
        $sum = $vehicles[0]->alongMu;
        foreach (array_slice($vehicles, 1) as $one) {
            $sum = self::added($sum, $one->alongMu, 1.0);
        }

        return new self(array_sum(array_map(static fn(VehicleSeen $one): int => $one->layers, $vehicles)), $sum);
    }

    public function without(VehicleSeen $one): self
    {
        return new self($this->layers - $one->layers, self::added($this->alongMu, $one->alongMu, -1.0));
    }

    public function with(VehicleSeen $one): self
    {
        return new self($this->layers + $one->layers, self::added($this->alongMu, $one->alongMu, 1.0));
    }

    /** In few bytes, for whoever keeps it: single precision, {@see kept}. */
    public function packed(): string
    {
        $numbers = [];
        foreach ($this->alongMu as $spreads) {
            foreach ($spreads as $values) {
                array_push($numbers, ...array_values($values));
            }
        }

        return pack('g*', ...$numbers);
    }

    /**
     * What was packed, of a model that weighs these ways.
     *
     * @param list<int> $ways
     */
    public static function kept(int $layers, array $ways, string $packed): ?self
    {
        $each = LearntLife::SPREADS * LearntLife::SIZE;
        if ($ways === [] || strlen($packed) !== 4 * $each * count($ways)) {
            return null;
        }
        $numbers = unpack('g*', $packed);
        $numbers = $numbers === false ? [] : array_values(array_map(floatval(...), $numbers));
        $alongMu = [];
        foreach ($ways as $n => $way) {
            for ($v = 0; $v < LearntLife::SPREADS; $v++) {
                $alongMu[$way][] = array_slice($numbers, $n * $each + $v * LearntLife::SIZE, LearntLife::SIZE);
            }
        }

        return new self($layers, $alongMu);
    }

    /**
     * @param array<int, list<array<int, float>>> $sum
     * @param array<int, list<array<int, float>>> $one
     * @return array<int, list<array<int, float>>>
     */
    private static function added(array $sum, array $one, float $sign): array
    {
        foreach ($one as $way => $spreads) {
            foreach ($spreads as $v => $values) {
                foreach ($values as $i => $value) {
                    $sum[$way][$v][$i] += $sign * $value;
                }
            }
        }

        return $sum;
    }
}
