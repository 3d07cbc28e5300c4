<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Book\PlannedVisit;
use App\Book\Site;
use App\Book\Vehicle;
use App\Tenancy\Workspace;
use Illuminate\Support\Facades\Auth;
use Tests\TestCase;

/**
 * The plan in other people's calendars and theirs in it; the day in its best order. The clock stands at noon, Wednesday
 * 25 November 2026.
 */
final class CalendarTest extends TestCase
{
    public function testAFeedIsReadBackKeepsItsVisitsAndCanBeRevoked(): void
    {
        [$owner, $workspace] = $this->business();
        $this->inside(
            $workspace,
            static fn() => Workspace::query()
                ->whereKey($workspace->id)
                ->update(['time_zone' => 'Pacific/Auckland']),
        );
        $vehicle = $this->vehicle(
            $workspace,
            'ceramic',
            '2025-05-01',
            "Folk; and, a \"long\" name that does not fit into one line of a calendar file at all",
        );
        $this->actingAs($owner);
        $crew = $this->postJson('/api/v1/crews', [
            'name' => 'The van',
            'minutes' => ['1' => 420, '2' => 420, '3' => 420, '4' => 420, '5' => 300],
        ])
            ->assertCreated()
            ->json('id');
        $this->postJson('/api/v1/weeks/plan');
        $feed = $this->postJson('/api/v1/feeds', ['name' => 'Tam’s phone', 'crew_id' => $crew])
            ->assertCreated()
            ->json();
        self::assertStringContainsString('/api/v1/feeds/', $feed['url']);
        self::assertArrayNotHasKey('url', $this->getJson('/api/v1/feeds')->json('data.0'), 'the address is told once');
        $path = (string) parse_url($feed['url'], PHP_URL_PATH);
        Auth::forgetGuards();
        $response = $this->get($path)->assertOk();
        self::assertStringStartsWith('text/calendar', (string) $response->headers->get('Content-Type'));
        $events = $this->parse((string) $response->getContent());
        $visits = $this->inside($workspace, static fn(): array => PlannedVisit::query()->orderBy('on')->get()->all());
        self::assertCount(count($visits), $events);
        $first = $events[$visits[0]->id . '@vicissa'];
        self::assertSame($vehicle->name . ': ' . implode(', ', $visits[0]->kinds), $first['SUMMARY']);
        // Eight in the morning in Auckland, in November, is nineteen hours the day before in UTC.
        self::assertSame(
            gmdate('Ymd\THis\Z', (int) strtotime($visits[0]->on->toDateString() . ' 08:00 +13:00')),
            $first['DTSTART'],
        );
        // Moved, it is the same event with one change more; taken back, gone ones are cancelled.
        $this->actingAs($owner);
        $else = array_values(
            array_filter(
                $this->getJson("/api/v1/weeks/visits/{$visits[0]->id}/else")->json('days'),
                static fn(array $day): bool => $day['cost'] !== null,
            ),
        );
        $this->postJson("/api/v1/weeks/visits/{$visits[0]->id}/move", ['on' => $else[0]['on']])->assertOk();
        $moved = $this->parse((string) $this->get($path)->getContent())[$visits[0]->id . '@vicissa'];
        self::assertSame(['1', 'CONFIRMED'], [$moved['SEQUENCE'], $moved['STATUS']]);
        self::assertNotSame($first['DTSTART'], $moved['DTSTART']);
        $this->postJson('/api/v1/closures', [
            'vehicle_id' => $vehicle->id,
            'from_on' => '2026-11-26',
            'to_on' => '2027-02-20',
        ])->assertCreated();
        $this->postJson('/api/v1/weeks/undo')->assertOk();
        $this->postJson('/api/v1/weeks/plan');
        $gone = $this->parse((string) $this->get($path)->getContent());
        self::assertSame(['CANCELLED'], array_values(array_unique(array_column($gone, 'STATUS'))));
        $this->deleteJson("/api/v1/feeds/{$feed['id']}")->assertNoContent();
        $this->get($path)->assertNotFound();
        $this->get('/api/v1/feeds/' . str_repeat('a', 40) . '.ics')->assertNotFound();
    }

    public function testAClientsCalendarBecomesDaysAwayAndDeadlines(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $this->actingAs($owner);
        $ics =
            "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//x//x//EN\r\nBEGIN:VEVENT\r\nUID:a\r\nDTSTAMP:20261101T000000Z\r\nDTSTART;VALUE=DATE:20261204\r\nDTEND;VALUE=DATE:20261207\r\nSUMMARY:On the mainland\r\nEND:VEVENT\r\n" .
            "BEGIN:VEVENT\r\nUID:b\r\nDTSTAMP:20261101T000000Z\r\nDTSTART:20261210T100000Z\r\nDTEND:20261210T120000Z\r\nRRULE:FREQ=WEEKLY;COUNT=3\r\nSUMMARY:Service\r\nEND:VEVENT\r\n" .
            "BEGIN:VEVENT\r\nUID:c\r\nDTSTAMP:20261101T000000Z\r\nDTSTART:20261211T100000Z\r\nSTATUS:CANCELLED\r\nSUMMARY:Not any more\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n";
        $import = fn(string $as, bool $dry) => $this->postJson('/api/v1/days/import', [
            'vehicle_id' => $vehicle->id,
            'ics' => $ics,
            'as' => $as,
            'dry' => $dry,
        ]);
        $seen = $import('closed', true)->assertOk()->json('data');
        self::assertSame(
            [
                ['2026-12-04', '2026-12-06'],
                ['2026-12-10', '2026-12-10'],
                ['2026-12-17', '2026-12-17'],
                ['2026-12-24', '2026-12-24'],
            ],
            array_map(static fn(array $one): array => [$one['from'], $one['to']], $seen),
        );
        self::assertSame([], $this->getJson('/api/v1/days')->json('closures'), 'looked at only');
        $import('closed', false)->assertOk();
        $import('closed', false)->assertOk();
        self::assertCount(
            4,
            $this->getJson("/api/v1/days?vehicle={$vehicle->id}")->json('closures'),
            'read twice it is there once',
        );
        $import('deadline', false)->assertOk();
        self::assertSame(
            ['2026-12-04', '2026-12-10', '2026-12-17', '2026-12-24'],
            array_column($this->getJson("/api/v1/days?vehicle={$vehicle->id}")->json('deadlines'), 'on'),
        );
        $this->assertProblem(
            $this->postJson('/api/v1/days/import', [
                'vehicle_id' => $vehicle->id,
                'ics' => 'Dear all',
                'as' => 'closed',
            ]),
            422,
            'can’t be read',
            '/ics',
        );
    }

    public function testADaysTurnsAreTakenInTheirBestOrder(): void
    {
        [$owner, $workspace] = $this->business();
        $this->actingAs($owner);
        $crew = $this->postJson('/api/v1/crews', ['name' => 'The van', 'minutes' => ['4' => 420]])
            ->assertCreated()
            ->json('id');
        $far = ['latitude' => 57.4, 'longitude' => -7.0, 'travel_min' => 25];
        foreach (
            [
                ['Far one', $far, null],
                ['Near', ['latitude' => 57.2, 'longitude' => -7.0, 'travel_min' => 5], '08:00–10:30'],
                ['Far two', $far, null],
            ]
            as $i => [$name, $place, $hours]
        ) {
            $vehicle = $this->vehicle($workspace, 'ceramic', '2025-05-01', $name);
            $this->inside($workspace, static function () use ($vehicle, $place, $hours, $crew, $i, $name): void {
                $site =
                    $i === 2
                        ? Site::query()->where('name', 'Far one')->firstOrFail()
                        : Site::query()->create(['name' => $name, 'hours' => $hours, ...$place]);
                Vehicle::query()
                    ->whereKey($vehicle->id)
                    ->update(['site_id' => $site->id]);
                PlannedVisit::query()->create([
                    'vehicle_id' => $vehicle->id,
                    'crew_id' => $crew,
                    'on' => '2026-11-26',
                    'kinds' => ['wash'],
                ]);
            });
        }
        $before = $this->getJson('/api/v1/round?on=2026-11-26')->assertOk()->json();
        self::assertEqualsCanonicalizing(['Far one', 'Near', 'Far two'], array_column($before['planned'], 'name'));
        self::assertSame([], $before['suggested'], 'who is planned for the day is named once');
        self::assertSame(
            [],
            $this->getJson('/api/v1/round?on=2026-11-27')->json('suggested'),
            'nor who is planned until then',
        );
        $early = $this->getJson('/api/v1/round?on=2026-11-25')->json('suggested.0');
        self::assertSame([null, '2026-11-26'], [$early['days_over'], $early['planned_on']], 'who comes later is said');
        $round = $this->postJson('/api/v1/round/order', ['on' => '2026-11-26'])
            ->assertOk()
            ->json();
        self::assertSame('Near', $round['stops'][0]['name'], 'its gate shuts first');
        self::assertSame(
            [5, 0],
            [$round['stops'][0]['leg_min'], $round['stops'][2]['leg_min']],
            'two of one place follow each other',
        );
        self::assertSame('08:05', $round['stops'][0]['begins']);
        self::assertSame([], $round['planned']);
    }

    /**
     * RFC 5545 in the test's own words: lines are unfolded, text unescaped.
     *
     * @return array<string, array<string, string>> events by UID
     */
    private function parse(string $ics): array
    {
        self::assertStringContainsString("\r\n", $ics);
        foreach (explode("\r\n", $ics) as $line) {
            self::assertLessThanOrEqual(75, strlen($line));
        }
        $events = [];
        $event = null;
        foreach (explode("\r\n", str_replace("\r\n ", '', $ics)) as $line) {
            if ($line === 'BEGIN:VEVENT') {
                $event = [];
            } elseif ($line === 'END:VEVENT' && $event !== null) {
                $events[$event['UID']] = $event;
                $event = null;
            } elseif ($event !== null && preg_match('/^([A-Z-]+)(?:;[^:]*)?:(.*)$/', $line, $part) === 1) {
                $event[$part[1]] =
                    preg_replace_callback(
                        '/\\\\([;,nN\\\\])/',
                        static fn(array $m): string => strtolower($m[1]) === 'n' ? "\n" : $m[1],
                        $part[2],
                    ) ?? '';
            }
        }

        return $events;
    }
}
