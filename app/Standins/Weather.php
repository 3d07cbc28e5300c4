<?php

declare(strict_types=1);

namespace App\Standins;

use DateTimeImmutable;

/** The weather at a place, hour by hour. */
interface Weather
{
    /** Where the weather is taken when a site doesn't say where it is: the middle of the isles of the demo. */
    public const SOMEWHERE = [57.2, -7.1];

    /**
     * @param DateTimeImmutable $from  the first full hour
     * @return list<WeatherHour>
     */
    public function hours(float $latitude, float $longitude, DateTimeImmutable $from, int $count): array;
}
