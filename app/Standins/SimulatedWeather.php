<?php

declare(strict_types=1);

namespace App\Standins;

use Closure;
use DateInterval;
use DateTimeImmutable;
use DateTimeZone;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Drying\Air;
use Vicissa\Core\Sky\Sun;

/**
 * Weather of islands in a cool sea, from place, date and seed alone: the same question gets the same answer. Season,
 * sun and sea give the frame; fronts of a day or two and showers of some hours move over it. What lies ahead is seen
 * less and less surely: the forecast leans towards the season's usual weather the farther it looks.
 */
final readonly class SimulatedWeather implements Weather
{
    private const SEED = 41;

    /** Days after which a forecast knows hardly more than the season. */
    private const FADES_IN_DAYS = 6.0;

    public function __construct(private ClockInterface $clock) {}

    public function hours(float $latitude, float $longitude, DateTimeImmutable $from, int $count): array
    {
        return $this->each(
            $from,
            $count,
            fn(DateTimeImmutable $at): WeatherHour => $this->hour($latitude, $longitude, $at),
        );
    }

    /**
     * What the season usually brings, for when nobody knows better.
     *
     * @return list<WeatherHour>
     */
    public function season(float $latitude, float $longitude, DateTimeImmutable $from, int $count): array
    {
        return $this->each(
            $from,
            $count,
            fn(DateTimeImmutable $at): WeatherHour => $this->hour($latitude, $longitude, $at, 0.0),
        );
    }

    /**
     * @param Closure(DateTimeImmutable): WeatherHour $hour
     * @return list<WeatherHour>
     */
    private function each(DateTimeImmutable $from, int $count, Closure $hour): array
    {
        $hours = [];
        $at = $from
            ->setTimezone(new DateTimeZone('UTC'))
            ->setTime((int) $from->setTimezone(new DateTimeZone('UTC'))->format('G'), 0);
        for ($i = 0; $i < $count; $i++) {
            $hours[] = $hour($at);
            $at = $at->add(new DateInterval('PT1H'));
        }

        return $hours;
    }

    private function hour(float $latitude, float $longitude, DateTimeImmutable $at, ?float $sure = null): WeatherHour
    {
        $t = $at->getTimestamp() / 3600.0;
        $here = sprintf('%.1f %.1f', $latitude, $longitude);
        $days = max(0.0, ($at->getTimestamp() - $this->clock->now()->getTimestamp()) / 86400.0);
        $sureness = $sure ?? self::sureness($days);
        // Fronts pass over all the islands, showers over one.
        $front = $sureness * $this->drift('front', $t / 38.0);
        $shower = $sureness * $this->drift('shower ' . $here, $t / 5.0);
        $cloud = min(1.0, max(0.0, 0.62 + 0.45 * $front + 0.28 * $shower));
        $sun = Sun::at($latitude, $longitude, $at)->under($cloud);
        $season = cos((2.0 * M_PI * ((int) $at->format('z') - 212)) / 365.25);
        // Mild winters, cool summers; the sea follows the sun by weeks and lets days swing little.
        $hour = (int) $at->format('G') + $longitude / 15.0;
        $air =
            (70.0 - $latitude) * 0.35 +
            4.6 +
            5.2 * $season +
            (1.2 + 2.6 * (1.0 - $cloud)) * cos((2.0 * M_PI * ($hour - 14.5)) / 24.0) +
            3.0 * $sureness * $this->drift('air', $t / 60.0);
        $rain = $cloud > 0.78 ? max(0.0, 6.0 * ($cloud - 0.78) * (0.5 + $shower + $front)) : 0.0;
        $rh = min(
            0.99,
            max(
                0.45,
                0.8 +
                    0.1 * $front +
                    0.06 * $shower -
                    0.00018 * $sun -
                    0.012 * ($air - 9.0) +
                    ($rain > 0.0 ? 0.08 : 0.0),
            ),
        );
        $wind = max(
            0.3,
            5.2 - 1.4 * $season + 3.4 * $front + 2.0 * $sureness * $this->drift('wind ' . $here, $t / 7.0),
        );

        return new WeatherHour(
            $at,
            new Air(round($air, 1), round($rh, 2), round($wind, 1), round($sun), round($cloud, 2)),
            round($cloud, 2),
            round($rain, 1),
            round(0.4 + 2.6 * (1.0 - $sureness), 1),
            round($sureness, 2),
        );
    }

    /** How much a forecast of so many days knows. */
    public static function sureness(float $days): float
    {
        return exp(-max(0.0, $days) / self::FADES_IN_DAYS);
    }

    /** A smooth wandering between -1 and 1: fixed values at whole numbers, joined by a cosine. */
    private function drift(string $what, float $at): float
    {
        $low = (int) floor($at);
        $share = 0.5 - 0.5 * cos(M_PI * ($at - $low));

        return $this->fixed($what, $low) * (1.0 - $share) + $this->fixed($what, $low + 1) * $share;
    }

    private function fixed(string $what, int $at): float
    {
        return Noise::of(self::SEED . ' ' . $what . ' ' . $at);
    }
}
