<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Standins\AskedWeather;
use App\Standins\Weather;
use App\Standins\WeatherHour;
use GuzzleHttp\Client;
use GuzzleHttp\ClientInterface;
use GuzzleHttp\Handler\MockHandler;
use GuzzleHttp\HandlerStack;
use GuzzleHttp\Middleware;
use GuzzleHttp\Psr7\Response;
use Opis\JsonSchema\Validator;
use Psr\Http\Message\RequestInterface;
use Tests\TestCase;

/** Weather from an address: what it says, what it can't mean, and days on which it says nothing. */
final class AskedWeatherTest extends TestCase
{
    /** @var list<RequestInterface> */
    private array $asked = [];

    protected function setUp(): void
    {
        parent::setUp();
        config([
            'vicissa.weather' => AskedWeather::class,
            'vicissa.weather_at' => ['url' => 'https://weather.example/hours?of=ours', 'key' => 'sea-pink-sky'],
        ]);
    }

    public function testItSaysWhatTheAddressSaysAndTheSeasonBeyond(): void
    {
        $hours = [];
        foreach (range(0, 23) as $hour) {
            $hours[] = [
                'at' => sprintf('2026-11-25T%02d:00:00+00:00', $hour),
                'air_c' => 4 + $hour,
                'rh' => 0.7,
                'wind_m_s' => 3,
                'rain_mm' => 0.2,
            ];
        }
        // The same hour in another offset is the same hour.
        $hours[12] = [
            'at' => '2026-11-26T01:00:00+13:00',
            'air_c' => 21.5,
            'rh' => 0.4,
            'wind_m_s' => 1,
            'rain_mm' => 0,
            'cloud' => 0.1,
            'sun_w_m2' => 333,
            'air_off_k' => 0.7,
            'sureness' => 0.9,
        ];
        $answer = ['hours' => $hours];
        self::assertTrue(
            (new Validator())
                ->validate(
                    json_decode((string) json_encode($answer)),
                    (string) file_get_contents(base_path('docs/schemas/weather.schema.json')),
                )
                ->isValid(),
        );
        $this->answers(new Response(200, [], (string) json_encode($answer)));
        [$noon, $later] = $this->hours('2026-11-25 12:00', 2);
        self::assertSame(
            [21.5, 0.4, 1.0, 333.0],
            [$noon->air->airC, $noon->air->rh, $noon->air->windMS, $noon->air->sunWM2],
        );
        self::assertSame([0.1, 0.0, 0.7, 0.9], [$noon->cloud, $noon->rainMm, $noon->airOffK, $noon->sureness]);
        self::assertSame(17.0, $later->air->airC);
        self::assertGreaterThan(20.0, $later->air->sunWM2, 'the sun of that place and hour under usual clouds');
        self::assertSame(0.0, $this->hours('2026-11-26 03:00')[0]->sureness, 'the season');
        self::assertCount(1, $this->asked);
        $request = $this->asked[0];
        parse_str($request->getUri()->getQuery(), $query);
        self::assertSame(
            ['latitude' => '57.2', 'longitude' => '-7.1', 'from' => '2026-11-24T00:00:00Z', 'hours' => '384'],
            array_diff_key($query, ['of' => 1]),
            'rounded',
        );
        self::assertSame(['Bearer sea-pink-sky'], $request->getHeader('Authorization'));

        // Through the door, a day of it at once, and asked anew when half an hour has gone by.
        [$owner] = $this->business();
        $this->actingAs($owner);
        self::assertEquals(
            16,
            $this->getJson('/api/v1/weather?from=2026-11-25T12:00:00Z&hours=2')->assertOk()->json('data.1.air_c') - 1,
        );
        self::assertCount(1, $this->asked);
        $this->clock->modify('+31 minutes');
        $this->answers(
            new Response(
                200,
                [],
                (string) json_encode([
                    'hours' => [
                        ['at' => '2026-11-25T12:00:00Z', 'air_c' => 3, 'rh' => 0.7, 'wind_m_s' => 3, 'rain_mm' => 0],
                    ],
                ]),
            ),
        );
        self::assertSame(3.0, $this->hours('2026-11-25 12:00')[0]->air->airC);
    }

    public function testWhatCantBeIsNotBelieved(): void
    {
        $good = ['at' => '2026-11-25T12:00:00Z', 'air_c' => 6.0, 'rh' => 0.7, 'wind_m_s' => 3.0, 'rain_mm' => 0.0];
        foreach (
            [
                ['air_c' => 400],
                ['air_c' => '6'],
                ['air_c' => null],
                ['rh' => 71],
                ['wind_m_s' => -1],
                ['rain_mm' => 1e9],
                ['sun_w_m2' => 9000],
                ['cloud' => []],
                ['at' => '2026-11-25T12:20:00Z'],
                ['at' => 'noon'],
                ['at' => 7],
            ]
            as $wrong
        ) {
            $this->answers(
                new Response(
                    200,
                    [],
                    (string) json_encode(['hours' => [[...$good, ...$wrong]]], JSON_PARTIAL_OUTPUT_ON_ERROR),
                ),
            );
            self::assertSame(
                0.0,
                $this->hours('2026-11-25 12:00')[0]->sureness,
                (string) json_encode($wrong, JSON_PARTIAL_OUTPUT_ON_ERROR),
            );
        }
        foreach (
            [
                '',
                'null',
                '[]',
                '{"hours":7}',
                '{"hours":[7]}',
                '<html>',
                str_repeat('[', 100),
                '"' . str_repeat('x', 1_000_001) . '"',
            ]
            as $nonsense
        ) {
            $this->answers(new Response(200, [], $nonsense));
            self::assertSame(0.0, $this->hours('2026-11-25 12:00')[0]->sureness);
        }
        foreach (
            [new Response(302, ['Location' => 'http://127.0.0.1/']), new Response(500), new Response(401)]
            as $refusal
        ) {
            $this->answers($refusal, new Response(200, [], (string) json_encode(['hours' => [$good]])));
            self::assertSame(0.0, $this->hours('2026-11-25 12:00')[0]->sureness);
            self::assertCount(1, $this->asked, 'nobody is followed elsewhere');
        }
    }

    /** A real address that takes its time: nobody waits for it twice, and what it said before is good for half a day. */
    public function testWhoeverDoesNotAnswerHoldsNobodyUp(): void
    {
        $good = ['at' => '2026-11-25T12:00:00Z', 'air_c' => 6.5, 'rh' => 0.7, 'wind_m_s' => 3.0, 'rain_mm' => 0.0];
        $this->answers(new Response(200, [], (string) json_encode(['hours' => [$good]])));
        $this->hours('2026-11-25 12:00');
        $silent = stream_socket_server('tcp://127.0.0.1:0');
        self::assertIsResource($silent);
        config(['vicissa.weather_at.url' => 'http://' . stream_socket_get_name($silent, false)]);
        $this->app->instance(ClientInterface::class, new Client());
        $this->clock->modify('+1 hour');
        $began = microtime(true);
        self::assertSame(6.5, $this->hours('2026-11-25 12:00')[0]->air->airC);
        self::assertLessThan(20.0, microtime(true) - $began, 'a time-out, however busy the machine is');
        // Left in peace: nobody else connects.
        self::assertSame(6.5, $this->hours('2026-11-25 12:00')[0]->air->airC);
        $came = 0;
        while (@stream_socket_accept($silent, 0) !== false) {
            $came++;
        }
        self::assertSame(1, $came);
        $this->travel(13)->hours();
        $this->clock->modify('+13 hours');
        self::assertSame(0.0, $this->hours('2026-11-25 12:00')[0]->sureness, 'too old to be believed');
    }

    private function answers(Response ...$answers): void
    {
        cache()->flush();
        $this->asked = [];
        $stack = HandlerStack::create(new MockHandler(array_values($answers)));
        $stack->push(
            Middleware::tap(function (RequestInterface $request): void {
                $this->asked[] = $request;
            }),
        );
        $this->app->instance(ClientInterface::class, new Client(['handler' => $stack]));
    }

    /** @return list<WeatherHour>  as another request would hear it */
    private function hours(string $from, int $count = 1): array
    {
        $this->app->forgetScopedInstances();

        return app(Weather::class)->hours(57.2149, -7.1312, $this->clock->now()->modify("{$from} UTC"), $count);
    }
}
