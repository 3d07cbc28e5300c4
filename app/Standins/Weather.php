<?php

declare(strict_types=1);

namespace App\Standins;

use DateTimeImmutable;

/** The weather at a place, hour by hour. */
interface Weather
{
    /**
     * @param DateTimeImmutable $from  the first full hour
     * @return list<WeatherHour>
     */
    public function hours(float $latitude, float $longitude, DateTimeImmutable $from, int $count): array;
}
