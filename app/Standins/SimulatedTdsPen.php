<?php

declare(strict_types=1);

namespace App\Standins;

use Psr\Clock\ClockInterface;

/**
 * Reads the simulated water of a site: what its notes say, with the season in it and a pen's noise on it. Within a
 * minute it shows the same, as a pen held still does.
 */
final readonly class SimulatedTdsPen implements TdsPen
{
    private const UNKNOWN_TAP = 180.0;

    /** What a membrane and a good bed let through. */
    private const THROUGH = ['tap' => 1.0, 'ro' => 0.06, 'treated' => 0.012, 'tank' => 0.016];

    public function __construct(private ClockInterface $clock) {}

    public function read(?Whereabouts $place, string $point): float
    {
        $now = $this->clock->now();
        $season = 1.0 + 0.06 * cos((2.0 * M_PI * ((int) $now->format('z') - 240)) / 365.25);
        $tap = ($place->tdsMgL ?? self::UNKNOWN_TAP) * $season;
        $true =
            $point === 'treated' && $place?->treatedTdsMgL !== null
                ? $place->treatedTdsMgL
                : $tap * self::THROUGH[$point];

        return round(
            max(0.0, $true * (1.0 + 0.015 * Noise::of('pen', $place?->id, $point, $now->format('Y-m-d H:i')))),
            $true < 20.0 ? 1 : 0,
        );
    }
}
