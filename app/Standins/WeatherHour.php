<?php

declare(strict_types=1);

namespace App\Standins;

use DateTimeImmutable;
use Vicissa\Core\Drying\Air;

/** One hour of weather, and how far off a forecast of it may be. */
final readonly class WeatherHour
{
    /**
     * @param Air $air          with the sun on level ground
     * @param float $cloud      cover, 0 to 1
     * @param float $rainMm     in that hour
     * @param float $airOffK    one standard deviation of the air temperature as forecast, K
     * @param float $sureness   1 now, falling with distance
     */
    public function __construct(
        public DateTimeImmutable $at,
        public Air $air,
        public float $cloud,
        public float $rainMm,
        public float $airOffK,
        public float $sureness,
    ) {}
}
