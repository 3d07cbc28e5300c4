<?php

declare(strict_types=1);

namespace Tests\Feature;

use Carbon\CarbonImmutable;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Furnishes;
use Tests\TestCase;

/** A moment is the same whatever zone it is said in; a day is the workspace's. */
final class MomentsTest extends TestCase
{
    use Furnishes;

    /** Said with an offset, by whatever way it comes in, it comes out as that moment. */
    public function testAMomentSaidWithAnOffsetIsThatMoment(): void
    {
        [$owner, $workspace] = $this->business();
        $ids = $this->furnish($owner, $workspace);
        $this->actingAs($owner);
        $same = static fn(string $said, mixed $kept): bool => is_string($kept) &&
            CarbonImmutable::parse($said)->eq(CarbonImmutable::parse($kept));
        foreach (['2026-11-24T23:30:00+13:00', '2026-11-24T00:15:00-10:00', '2026-11-24T09:00:00Z'] as $n => $said) {
            $turn = $this->postJson(
                "/api/v1/vehicles/{$ids['vehicle']}/turns",
                $this->turn(['worked_at' => $said]),
            )->assertCreated();
            self::assertTrue($same($said, $turn->json('worked_at')), "turn {$said}");
            self::assertTrue(
                $same($said, $this->getJson("/api/v1/turns/{$turn->json('id')}")->json('worked_at')),
                "turn again {$said}",
            );
            $water = $this->postJson('/api/v1/water/readings', [
                'site_id' => $ids['site'],
                'point' => 'tap',
                'tds_mg_l' => 100 + $n,
                'at' => $said,
            ])
                ->assertCreated()
                ->json();
            self::assertTrue($same($said, $water['at'] ?? null), "water {$said}");
            $gear = $this->postJson("/api/v1/gear/{$ids['gear']}/events", ['kind' => 'wash', 'at' => $said]);
            if ($gear->getStatusCode() === 201) {
                self::assertTrue($same($said, data_get($gear->json(), 'at', $said)), "gear {$said}");
            }
        }
    }

    /** @return iterable<string, array{string, string}> zone and moment: clock changes, a leap day, both ends of the world */
    public static function days(): iterable
    {
        foreach (
            [
                'Pacific/Auckland' => ['2026-04-05', '2028-02-29', '2027-12-31'],
                'Pacific/Honolulu' => ['2026-03-29', '2028-02-29', '2027-12-31'],
                'America/St_Johns' => ['2026-11-01', '2028-02-29'],
                'Europe/London' => ['2026-03-29', '2026-11-01'],
            ]
            as $zone => $days
        ) {
            foreach ($days as $day) {
                yield "{$day} in {$zone}" => [$zone, $day];
            }
        }
    }

    #[DataProvider('days')]
    public function testADayIsTheWorkspacesDay(string $zone, string $day): void
    {
        [$owner, $workspace] = $this->business();
        $this->inside($workspace, static fn() => $workspace->update(['time_zone' => $zone]));
        foreach (['00:20', '23:40'] as $time) {
            $local = CarbonImmutable::parse("{$day} {$time}", $zone);
            $this->clock->modify('@' . $local->getTimestamp());
            $before = $local->subDay()->toDateString();
            $vehicle = $this->vehicle($workspace, 'wax', $day, "Seen at {$time}");
            $this->actingAs($owner);
            $version = $this->getJson("/api/v1/vehicles/{$vehicle->id}")->json('version');
            $this->patchJson(
                "/api/v1/vehicles/{$vehicle->id}",
                ['in_service_on' => $day],
                ['If-Match' => "\"{$version}\""],
            )->assertOk();
            $turn = fn(CarbonImmutable $at): int => $this->postJson(
                "/api/v1/vehicles/{$vehicle->id}/turns",
                $this->turn(['worked_at' => $at->utc()->format(DATE_ATOM)]),
            )->getStatusCode();
            self::assertSame(201, $turn($local->subMinutes(5)), "{$time}: worked on the day it came");
            self::assertSame(
                422,
                $turn(CarbonImmutable::parse("{$before} 23:50", $zone)),
                "{$time}: the evening before",
            );
            $deadline = fn(string $on): int => $this->postJson('/api/v1/deadlines', [
                'vehicle_id' => $vehicle->id,
                'on' => $on,
                'within_days' => 2,
            ])->getStatusCode();
            self::assertSame(201, $deadline($day), "{$time}: it shall shine today");
            self::assertSame(422, $deadline($before), "{$time}: it should have shone yesterday");
            self::assertSame(
                $day,
                $this->postJson('/api/v1/sheets', ['vehicle_id' => $vehicle->id])
                    ->assertCreated()
                    ->json('on'),
                "{$time}: a sheet is for today",
            );
            self::assertSame(
                $day,
                $this->getJson('/api/v1/round')->assertOk()->json('on'),
                "{$time}: the round of today",
            );
            self::assertGreaterThan($day, $this->getJson('/api/v1/weeks')->assertOk()->json('start'), $time);
        }
    }
}
