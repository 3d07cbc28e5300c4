<?php

declare(strict_types=1);

namespace App\Standins;

use Closure;
use DateTimeImmutable;
use DateTimeZone;
use GuzzleHttp\ClientInterface;
use GuzzleHttp\RequestOptions;
use Illuminate\Contracts\Cache\LockProvider;
use Illuminate\Contracts\Cache\Repository;
use Psr\Clock\ClockInterface;
use Psr\Log\LoggerInterface;
use RuntimeException;
use Throwable;
use Vicissa\Core\Drying\Air;
use Vicissa\Core\Sky\Sun;

/**
 * Weather as an address answers it (docs/schemas/weather.schema.json): asked for some days around today at once, kept for
 * half an hour, and for half a day when nobody answers. What it doesn't know is what the season usually brings, with no
 * sureness at all. Places are rounded: nobody is told where a client lives.
 */
final class AskedWeather implements Weather
{
    private const DAYS = [-1, 15];

    /** Tenths of a degree, some ten kilometres. */
    private const PLACES = 1;

    private const FRESH_S = 1800;

    private const KEPT_S = 43_200;

    /** Whoever did not answer is left in peace for so long. */
    private const PAUSE_S = 60;

    /** Nobody waits longer: a page is worth more than a forecast. */
    private const CONNECT_S = 1.0;

    private const ANSWER_S = 2.5;

    private const MOST_BYTES = 1_000_000;

    /** What an hour may say, from and to; what lies outside is a fault of whoever says it. */
    private const POSSIBLE = [
        'air_c' => [-60.0, 60.0],
        'rh' => [0.0, 1.0],
        'wind_m_s' => [0.0, 80.0],
        'sun_w_m2' => [0.0, 1400.0],
        'cloud' => [0.0, 1.0],
        'rain_mm' => [0.0, 200.0],
        'air_off_k' => [0.0, 20.0],
        'sureness' => [0.0, 1.0],
    ];

    private const NEEDED = ['air_c', 'rh', 'wind_m_s', 'rain_mm'];

    private const USUAL_CLOUD = 0.6;

    /** @var array<string, array<int, array<string, float>>>  what is known of places, by hours of the epoch */
    private array $known = [];

    public function __construct(
        private readonly ClientInterface $http,
        private readonly Repository $cache,
        private readonly ClockInterface $clock,
        private readonly LoggerInterface $log,
        private readonly SimulatedWeather $season,
    ) {}

    public function hours(float $latitude, float $longitude, DateTimeImmutable $from, int $count): array
    {
        [$latitude, $longitude] = [round($latitude, self::PLACES), round($longitude, self::PLACES)];
        $known = $this->at($latitude, $longitude);

        return array_map(
            fn(WeatherHour $usual): WeatherHour => isset($known[intdiv($usual->at->getTimestamp(), 3600)])
                ? $this->told($usual->at, $known[intdiv($usual->at->getTimestamp(), 3600)], $latitude, $longitude)
                : $usual,
            $this->season->season($latitude, $longitude, $from, $count),
        );
    }

    /** @param array<string, float> $hour */
    private function told(DateTimeImmutable $at, array $hour, float $latitude, float $longitude): WeatherHour
    {
        $days = ($at->getTimestamp() - $this->clock->now()->getTimestamp()) / 86400.0;
        $sureness = $hour['sureness'] ?? SimulatedWeather::sureness($days);
        $cloud = $hour['cloud'] ?? self::USUAL_CLOUD;

        return new WeatherHour(
            $at,
            new Air(
                $hour['air_c'],
                $hour['rh'],
                $hour['wind_m_s'],
                $hour['sun_w_m2'] ?? round(Sun::at($latitude, $longitude, $at)->under($cloud)),
                $cloud,
            ),
            $cloud,
            $hour['rain_mm'],
            $hour['air_off_k'] ?? round(0.4 + 2.6 * (1.0 - $sureness), 1),
            round($sureness, 2),
        );
    }

    /** @return array<int, array<string, float>> */
    private function at(float $latitude, float $longitude): array
    {
        $place = "{$latitude} {$longitude}";
        if (isset($this->known[$place])) {
            return $this->known[$place];
        }
        $name = "weather {$place}";
        /** @var array{at: int, hours: array<int, array<string, float>>}|null $kept */
        $kept = $this->cache->get($name);
        $now = $this->clock->now()->getTimestamp();
        if (($kept === null || $now - $kept['at'] > self::FRESH_S) && !$this->cache->has("{$name} silent")) {
            $this->alone($name, function () use (&$kept, $name, $now, $latitude, $longitude): void {
                try {
                    $kept = ['at' => $now, 'hours' => $this->ask($latitude, $longitude)];
                    $this->cache->put($name, $kept, self::KEPT_S);
                } catch (Throwable $e) {
                    $this->cache->put("{$name} silent", true, self::PAUSE_S);
                    $this->log->warning('weather-silent', ['why' => $e->getMessage()]);
                }
            });
        }

        return $this->known[$place] = $kept['hours'] ?? [];
    }

    /** Unless somebody else asks already. */
    private function alone(string $name, Closure $ask): void
    {
        $store = $this->cache->getStore();
        $store instanceof LockProvider
            ? $store->lock("{$name} asked", (int) ceil(self::ANSWER_S) + 1)->get($ask)
            : $ask();
    }

    /** @return array<int, array<string, float>> */
    private function ask(float $latitude, float $longitude): array
    {
        $today = $this->clock->now()->setTimezone(new DateTimeZone('UTC'))->setTime(0, 0);
        $key = config('vicissa.weather_at.key');
        $answer = $this->http->request('GET', config()->string('vicissa.weather_at.url'), [
            RequestOptions::QUERY => [
                'latitude' => $latitude,
                'longitude' => $longitude,
                'from' => $today->modify(self::DAYS[0] . ' days')->format('Y-m-d\TH:i:s\Z'),
                'hours' => 24 * (self::DAYS[1] - self::DAYS[0]),
            ],
            RequestOptions::HEADERS => [
                'Accept' => 'application/json',
                ...is_string($key) && $key !== '' ? ['Authorization' => "Bearer {$key}"] : [],
            ],
            RequestOptions::CONNECT_TIMEOUT => self::CONNECT_S,
            RequestOptions::TIMEOUT => self::ANSWER_S,
            RequestOptions::ALLOW_REDIRECTS => false,
            RequestOptions::HTTP_ERRORS => false,
            RequestOptions::STREAM => false,
        ]);
        $body = $answer->getBody()->read(self::MOST_BYTES + 1);
        if ($answer->getStatusCode() !== 200 || strlen($body) > self::MOST_BYTES) {
            throw new RuntimeException("It said {$answer->getStatusCode()}.");
        }
        $said = json_decode($body, true, 8, JSON_THROW_ON_ERROR);
        $hours = [];
        foreach (is_array($said) && is_array($said['hours'] ?? null) ? $said['hours'] : [] as $hour) {
            $read = is_array($hour) ? self::read($hour) : null;
            if ($read !== null) {
                $hours[$read['at']] = $read['says'];
            }
        }

        return $hours === [] ? throw new RuntimeException('It said nothing that can be read.') : $hours;
    }

    /**
     * @param array<mixed> $hour
     * @return array{at: int, says: array<string, float>}|null  null where it can't be so
     */
    private static function read(array $hour): ?array
    {
        $at = is_string($hour['at'] ?? null) ? date_create_immutable($hour['at']) : false;
        $says = [];
        foreach (self::POSSIBLE as $name => [$least, $most]) {
            $value = $hour[$name] ?? null;
            if ($value === null && !in_array($name, self::NEEDED, true)) {
                continue;
            }
            if ((!is_int($value) && !is_float($value)) || $value < $least || $value > $most) {
                return null;
            }
            $says[$name] = (float) $value;
        }

        return $at === false || $at->getTimestamp() % 3600 !== 0
            ? null
            : ['at' => intdiv($at->getTimestamp(), 3600), 'says' => $says];
    }
}
