<?php

declare(strict_types=1);

namespace Tests\Demo;

use App\Tenancy\User;
use Illuminate\Foundation\Application;
use Psr\Clock\ClockInterface;
use Symfony\Component\Clock\MockClock;
use Tests\TestCase;

/**
 * The demo's next fortnight, as Weeks, Round, load, sheet, bench and the client's page tell it: one visit, one truth
 * (domain §15). Nothing it writes stays.
 */
final class FortnightTest extends TestCase
{
    public function createApplication(): Application
    {
        $app = parent::createApplication();
        $app->make('config')->set(
            'database.connections.pgsql.database',
            getenv('VICISSA_DEMO_DATABASE') ?:
            self::fail('VICISSA_DEMO_DATABASE is not set: run these tests through bin/test.'),
        );

        return $app;
    }

    protected function setUp(): void
    {
        parent::setUp();
        // The demo lives today.
        $this->clock = new MockClock('now');
        $this->app->instance(ClockInterface::class, $this->clock);
        $this->travelTo($this->clock->now());
        config()->set('vicissa.limits.api', 100_000);
        $this->actingAs(User::query()->where('email', 'rhona@marram-sedge.example')->sole());
    }

    public function testEveryPlaceSaysTheSameOfEveryVisit(): void
    {
        // Nobody asks every place about every visit within a minute.
        config(['vicissa.limits.cpu_ms' => 10_000_000, 'vicissa.limits.api' => 100_000]);
        $weeks = $this->getJson('/api/v1/weeks')->assertOk()->json();
        $until = (string) date('Y-m-d', (int) strtotime("{$weeks['start']} +13 days"));
        // So far the weather was known when it was planned.
        $known = (string) date(
            'Y-m-d',
            (int) strtotime(substr((string) $weeks['plan']['made_at'], 0, 10) . ' +10 days'),
        );
        $days = [];
        foreach ($weeks['visits'] as $visit) {
            if ($visit['on'] <= $until) {
                $days[$visit['on']][$visit['vehicle_id']] = $visit;
            }
        }
        self::assertGreaterThanOrEqual(8, count($days), 'a fortnight has its working days');
        $people = array_column($weeks['crews'], 'people', 'id');
        $kinds = $seen = [];
        $ticks = $taken = 0;
        foreach ($days as $on => $visits) {
            // As they are: nobody has put them on the way yet, so each is laid out for the usual hour.
            $load = array_column(
                $this->getJson("/api/v1/load?from={$on}&to={$on}")
                    ->assertOk()
                    ->json('visits'),
                null,
                'vehicle_id',
            );
            foreach ($visits as $id => $visit) {
                $kinds = [...$kinds, ...$visit['kinds']];
                self::assertSame($visit['minutes'], $load[$id]['minutes'] ?? null, "load, {$on}");
                $next = $seen[$id] ?? null;
                $seen[$id] ??= $on;
                $sheet = $this->postJson('/api/v1/sheets', ['vehicle_id' => $id, 'on' => $on])
                    ->assertCreated()
                    ->json();
                $plan = $sheet['plan'];
                self::assertSame($people[$visit['crew_id']], $sheet['crew'], "as many as come, {$on}");
                self::assertSame(
                    [$visit['kinds'], $visit['scope'], $visit['problem']],
                    [$plan['kinds'], $plan['scope'], $plan['finish'] === null ? $plan['problems'][0] : null],
                    "the sheet of {$on}",
                );
                // Each planned kind is a step to tick, as far as the weather was known; Round names those that another
                // day takes away.
                $visits[$id]['without'] = array_values(
                    array_diff($visit['kinds'], ['wash'], array_column($plan['steps'], 'fulfils')),
                );
                [$ticks, $taken] = [$ticks + count($visit['kinds']) - 1, $taken + count($visits[$id]['without'])];
                self::assertSame(
                    [],
                    $on <= $known && !$visit['locked'] && $visit['problem'] === null ? $visits[$id]['without'] : [],
                    "planned for {$on} with no step for it",
                );
                if ($visit['problem'] === null) {
                    self::assertSame(
                        [$visit['minutes'], $visit['nine_in_ten']],
                        [$plan['finish'], $plan['totals']['nine_in_ten']],
                        "minutes of {$on}",
                    );
                    $this->benchSays($sheet, $visit);
                }
                if ($next === null) {
                    $this->clientReads($id, $visit);
                }
            }
            $this->roundSays($on, $visits);
        }
        self::assertLessThan($ticks / 2, $taken, 'most planned kinds are steps');
        self::assertSame([], array_diff(['topper', 'decon', 'base'], $kinds), 'the fortnight holds more than washes');
    }

    /**
     * @param array<string, mixed> $sheet
     * @param array<string, mixed> $visit
     */
    private function benchSays(array $sheet, array $visit): void
    {
        $plan = $sheet['plan'];
        $expected = $this->getJson(
            "/api/v1/bench/expected?vehicle={$visit['vehicle_id']}&at=" . urlencode("{$visit['on']}T10:00:00Z"),
        )
            ->assertOk()
            ->json();
        self::assertSame(
            [$visit['kinds'], $visit['scope'], $sheet['crew']],
            [$expected['kinds'], $expected['scope'], $expected['crew']],
            'what the bench starts from',
        );
        self::assertEquals(
            [$sheet['facts']['place'], $sheet['facts']['weather']],
            [$expected['place'], $expected['weather']],
        );
        $ask = [
            'vehicle_id' => $visit['vehicle_id'],
            'seen' => $sheet['facts']['seen'],
            'on' => $visit['on'],
            ...$expected,
        ];
        $bench = $this->postJson('/api/v1/bench/match', array_diff_key($ask, ['soil' => 1]))->assertOk()->json();
        self::assertSame(
            [$plan['method'], $plan['drying'], $plan['water']],
            [$bench['method']['chosen'], $bench['drying']['way'], $bench['final_rinse']['water']],
            'method, drying, last water',
        );
        self::assertEquals(
            [$plan['totals'], null, []],
            [$bench['totals'], $bench['problem'], $bench['expected']['facts']],
            'minutes, litres, towels, products',
        );
        self::assertSame([], $plan['expected']['facts'], 'nothing is otherwise than expected');
        self::assertEquals(
            $plan['fills'],
            $this->postJson('/api/v1/bench/doses', array_diff_key($ask, ['soil' => 1]))->assertOk()->json('fills'),
            'what is mixed',
        );
        self::assertSame(
            $bench['topper']['decision'] === 'apply',
            in_array('topper', array_column($plan['steps'], 'fulfils'), true),
            'the topper',
        );
    }

    /** @param array<string, array<string, mixed>> $visits  by vehicle */
    private function roundSays(string $on, array $visits): void
    {
        $this->putJson('/api/v1/round', ['on' => $on, 'vehicle_ids' => array_keys($visits)])->assertOk();
        $round = $this->getJson("/api/v1/round?on={$on}")
            ->assertOk()
            ->json();
        self::assertCount(count($visits), $round['stops']);
        foreach ($round['stops'] as $stop) {
            $visit = $visits[$stop['vehicle_id']];
            // Their sheets are laid: Round and Weeks both say what those say.
            self::assertEquals(
                [$visit['kinds'], $visit['scope'], $visit['minutes'], $visit['problem'], $visit['nine_in_ten']],
                [$stop['kinds'], $stop['scope'], $stop['minutes'], $stop['problem'], $stop['nine_in_ten']],
                "Round, {$on}",
            );
            self::assertSame(
                $visit['problem'] === null ? $visit['without'] : [],
                $stop['loses'],
                'what the day takes away',
            );
            $load = array_column(
                $this->getJson("/api/v1/load?from={$on}&to={$on}")->json('visits'),
                null,
                'vehicle_id',
            );
            self::assertSame($visit['minutes'], $load[$stop['vehicle_id']]['minutes']);
        }
    }

    /** @param array<string, mixed> $visit */
    private function clientReads(string $id, array $visit): void
    {
        $link = $this->postJson("/api/v1/vehicles/{$id}/record-links", ['kind' => 'history'])
            ->assertCreated()
            ->json();
        $record = $this->getJson('/api/v1/records/' . basename((string) $link['url']))
            ->assertOk()
            ->json();
        self::assertSame(
            [$visit['on'], $visit['kinds'], $visit['minutes']],
            [$record['next_visit'], $record['next_kinds'], $record['next_minutes']],
            'what the client reads',
        );
    }
}
