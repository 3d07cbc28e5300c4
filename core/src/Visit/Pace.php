<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

/**
 * How the minutes of a visit compare with the rules', for whoever works it at this vehicle: kind by kind, and how far
 * it may be off.
 */
final readonly class Pace
{
    /** z of nine in ten. */
    private const NINE_IN_TEN = 1.2815515655446004;

    /**
     * Spread of ln minutes before anything was measured: common, person, vehicle, kinds evened out, the visit itself
     * (domain §15.2).
     */
    private const UNKNOWN = 0.42;

    /**
     * @param array<string, float> $factors  by kind of step
     * @param array<string, int> $from       measured steps behind each
     * @param float $others                  for kinds nobody has measured
     * @param float $spread                  of ln minutes of a whole visit
     * @param float $common                  the part of that spread which all visits of a day share
     * @param int $visits                    whole visits that were measured, steps or not
     */
    public function __construct(
        public array $factors = [],
        public array $from = [],
        public float $others = 1.0,
        public float $spread = self::UNKNOWN,
        public float $common = 0.3,
        public int $visits = 0,
    ) {}

    public function factor(string $kind): float
    {
        return $this->factors[$kind] ?? $this->others;
    }

    /** Minutes that nine visits in ten stay within, where the middle is so many. */
    public function nineInTen(float $minutes): int
    {
        return (int) round($minutes * exp(self::NINE_IN_TEN * $this->spread));
    }

    /**
     * Minutes that nine days in ten stay within, when visits with these middles follow each other.
     *
     * @param list<array{minutes: float, pace: self}> $visits
     */
    public static function dayNineInTen(array $visits): float
    {
        $sum = $shared = $own = 0.0;
        foreach ($visits as ['minutes' => $minutes, 'pace' => $pace]) {
            $sum += $minutes;
            $shared += $minutes * $pace->common;
            $own += $minutes ** 2 * max(0.0, $pace->spread ** 2 - $pace->common ** 2);
        }

        return $sum + self::NINE_IN_TEN * sqrt($shared ** 2 + $own);
    }
}
