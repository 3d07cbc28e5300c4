<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Bench\ExpectVisit;
use Carbon\CarbonImmutable;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;

/** What somebody on the spot says of a day counts instead of the forecast. It is noon, Wednesday 25 November 2026. */
final class WeatherByHandTest extends TestCase
{
    private const NOTHING = [
        'low_c' => null,
        'high_c' => null,
        'wind_m_s' => null,
        'rh' => null,
        'cloud' => null,
        'rain_from' => null,
        'rain_until' => null,
    ];

    /**
     * @param array<string, mixed> $says
     * @return TestResponse<Response>
     */
    private function say(string $on, array $says): TestResponse
    {
        return $this->putJson('/api/v1/round/weather', ['on' => $on, ...self::NOTHING, ...$says]);
    }

    public function testItTakesTheForecastsPlaceForCurvesSheetsAndOrderUntilItIsTakenBack(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $this->actingAs($owner);
        $on = '2026-11-27';
        $before = $this->putJson('/api/v1/round', ['on' => $on, 'vehicle_ids' => [$vehicle->id]])
            ->assertOk()
            ->json();
        self::assertNull($before['noted']);
        $mark = $this->getJson('/api/v1/pulse')->json('mark');

        $round = $this->say($on, ['low_c' => 12, 'high_c' => 16, 'wind_m_s' => 3, 'rain_from' => 9, 'rain_until' => 12])
            ->assertOk()
            ->json();
        self::assertSame($owner->name, $round['noted']['by']);
        self::assertNotSame($mark, $this->getJson('/api/v1/pulse')->json('mark'), 'other screens look again');
        foreach ($round['stops'][0]['hours'] as $hour) {
            self::assertThat(
                $hour['air_c'],
                self::logicalAnd(self::greaterThanOrEqual(12.0), self::lessThanOrEqual(16.0)),
            );
            $wet = $hour['hour'] >= 9 && $hour['hour'] < 12;
            self::assertSame($wet, $hour['avoid'] === 'rain', (string) $hour['hour']);
            self::assertSame($wet, $hour['rain_mm'] > 0, (string) $hour['hour']);
            self::assertEquals(1.0, $hour['sureness']);
        }
        // The sheet of that hour is laid out for it; where rain does not reach, for the air alone.
        $sky = fn(string $at): array => (array) $this->inside(
            $workspace,
            static fn() => app(ExpectVisit::class)->sky(null, CarbonImmutable::parse($at)),
        );
        self::assertTrue($sky("{$on}T10:00Z")['rain']);
        self::assertFalse($sky("{$on}T14:00Z")['rain']);
        self::assertEquals(3.0, $sky("{$on}T10:00Z")['wind_m_s']);
        // The bench and the days beside it: the forecast, where nothing was said.
        $told = $this->getJson("/api/v1/weather?from={$on}T10:00:00Z&hours=1")->json('data.0');
        self::assertGreaterThan(0, $told['rain_mm']);
        $beside = $this->getJson('/api/v1/weather?from=2026-11-28T10:00:00Z&hours=1')->json('data.0');
        self::assertLessThan(1.0, $beside['sureness']);

        // Saying the same again is saying it once; saying nothing takes it back.
        $this->say($on, ['rain_from' => 9, 'rain_until' => 9])->assertOk();
        $dry = $this->say($on, ['rain_from' => 9, 'rain_until' => 9])
            ->assertOk()
            ->json('stops.0.hours');
        self::assertSame([], array_filter($dry, static fn(array $hour): bool => $hour['rain_mm'] > 0));
        self::assertEquals($before, $this->say($on, [])->assertOk()->json());
    }

    public function testItStaysInItsBusinessAndInItsZone(): void
    {
        [$owner, $workspace] = $this->business();
        $this->inside($workspace, static fn() => $workspace->update(['time_zone' => 'Pacific/Auckland']));
        $this->actingAs($owner);
        $this->say('2026-11-27', ['rain_from' => 9, 'rain_until' => 10])->assertOk();
        $rain = fn(string $at): float => (float) $this->getJson("/api/v1/weather?from={$at}&hours=1")->json(
            'data.0.rain_mm',
        );
        self::assertGreaterThan(0.0, $rain('2026-11-26T20:00:00Z'), 'nine in the morning there');
        self::assertSame(0.0, $rain('2026-11-26T19:00:00Z'));
        self::assertSame(0.0, $rain('2026-11-26T21:00:00Z'));

        [$other] = $this->business();
        $this->actingAs($other);
        self::assertNull($this->getJson('/api/v1/round?on=2026-11-27')->json('noted'));
        self::assertLessThan(1.0, $this->getJson('/api/v1/weather?from=2026-11-27T09:00:00Z')->json('data.0.sureness'));
    }

    /** @param array<string, mixed> $says */
    #[TestWith([['low_c' => 4], 'high_c'])]
    #[TestWith([['low_c' => 9, 'high_c' => 4], 'high_c'])]
    #[TestWith([['rain_from' => 12, 'rain_until' => 9], 'rain_until'])]
    #[TestWith([['rain_until' => 9], 'rain_from'])]
    #[TestWith([['rain_from' => 9.5, 'rain_until' => 12], 'rain_from'])]
    #[TestWith([['rh' => 80], 'rh'])]
    #[TestWith([['cloud' => -1], 'cloud'])]
    #[TestWith([['wind_m_s' => 'much'], 'wind_m_s'])]
    public function testWhatCannotBeSoIsRefusedAtItsField(array $says, string $field): void
    {
        [$owner] = $this->business();
        $this->actingAs($owner);
        $refused = $this->say('2026-11-27', $says)->assertStatus(422);
        self::assertContains("/{$field}", array_column((array) $refused->json('errors'), 'pointer'));
    }
}
