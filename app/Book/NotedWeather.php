<?php

declare(strict_types=1);

namespace App\Book;

use App\Standins\Weather;
use App\Standins\WeatherHour;
use App\Tenancy\Tenancy;
use DateTimeImmutable;
use DateTimeZone;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Drying\Air;
use Vicissa\Core\Sky\Sun;

/**
 * The weather as forecast, but for days of which somebody in the workspace says how they are: their air lies between the
 * said ends in the forecast's own course, their rain falls in the said hours and in no others.
 */
final class NotedWeather implements Weather
{
    /** Rain that somebody speaks of counts as rain, by any workspace's numbers. */
    private const RAIN_MM = 1.0;

    /** What it is at least while it rains, unless it is said otherwise. */
    private const WET_RH = 0.92;

    private const WET_CLOUD = 0.95;

    /** As far as anybody may look back on a day. */
    private const LOOKED_BACK = '-400 days';

    /** Somebody who looks out of the window is right, within a degree. */
    private const OFF_K = 0.5;

    /** @var array<string, array<string, WeatherNote>>  by workspace and day */
    private array $notes = [];

    public function __construct(
        private readonly Weather $forecast,
        private readonly Tenancy $tenancy,
        private readonly ClockInterface $clock,
    ) {}

    public function hours(float $latitude, float $longitude, DateTimeImmutable $from, int $count): array
    {
        $hours = $this->forecast->hours($latitude, $longitude, $from, $count);
        $notes = $this->tenancy->entered() ? $this->notes() : [];
        if ($notes === []) {
            return $hours;
        }
        $zone = new DateTimeZone($this->tenancy->workspace()->time_zone);
        $ends = [];

        return array_map(function (WeatherHour $hour) use ($notes, $zone, $latitude, $longitude, &$ends): WeatherHour {
            $there = $hour->at->setTimezone($zone);
            $on = $there->format('Y-m-d');
            if (!isset($notes[$on])) {
                return $hour;
            }
            $note = $notes[$on];
            if ($note->low_c !== null && !isset($ends[$on])) {
                $day = [
                    $hour->air->airC,
                    ...array_map(
                        static fn(WeatherHour $one): float => $one->air->airC,
                        $this->forecast->hours($latitude, $longitude, $there->setTime(0, 0), 24),
                    ),
                ];
                $ends[$on] = [min($day), max($day)];
            }

            return self::said($note, $hour, (int) $there->format('G'), $ends[$on] ?? null, $latitude, $longitude);
        }, $hours);
    }

    /** Something was said, or taken back. */
    public function forget(): void
    {
        $this->notes = [];
    }

    /** @param array{float, float}|null $ends  the day's coldest and warmest hour as forecast */
    private static function said(
        WeatherNote $note,
        WeatherHour $hour,
        int $local,
        ?array $ends,
        float $latitude,
        float $longitude,
    ): WeatherHour {
        $air = $hour->air->airC;
        if ($ends !== null && $note->low_c !== null && $note->high_c !== null) {
            [$low, $high] = $ends;
            $share = $high > $low ? min(1.0, max(0.0, ($air - $low) / ($high - $low))) : 0.5;
            $air = $note->low_c + $share * ($note->high_c - $note->low_c);
        }
        $told = $note->rain_from !== null;
        $wet = $told && $local >= $note->rain_from && $local < $note->rain_until;
        $cloud = $note->cloud ?? ($wet ? max(self::WET_CLOUD, $hour->cloud) : $hour->cloud);
        $rh = $note->rh ?? ($wet ? max(self::WET_RH, $hour->air->rh) : $hour->air->rh);

        return new WeatherHour(
            $hour->at,
            new Air(
                round($air, 1),
                $rh,
                $note->wind_m_s ?? $hour->air->windMS,
                $cloud === $hour->cloud
                    ? $hour->air->sunWM2
                    : round(Sun::at($latitude, $longitude, $hour->at)->under($cloud)),
                $cloud,
            ),
            $cloud,
            $told ? ($wet ? max(self::RAIN_MM, $hour->rainMm) : 0.0) : $hour->rainMm,
            $note->low_c === null ? $hour->airOffK : self::OFF_K,
            1.0,
        );
    }

    /** @return array<string, WeatherNote> */
    private function notes(): array
    {
        return $this->notes[$this->tenancy->workspace()->id] ??= WeatherNote::query()
            ->where('on', '>=', $this->clock->now()->modify(self::LOOKED_BACK)->format('Y-m-d'))
            ->get()
            ->mapWithKeys(static fn(WeatherNote $note): array => [$note->on->format('Y-m-d') => $note])
            ->all();
    }
}
