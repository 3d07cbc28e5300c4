<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Bench\GatherAtHand;
use App\Bench\KeepLaid;
use App\Book\Layer;
use App\Book\PlannedVisit;
use App\Book\RoundStop;
use App\Book\Vehicle;
use App\Shelf\Gear;
use App\Shelf\Product;
use App\Standins\Weather;
use App\Standins\WeatherHour;
use App\Tenancy\Workspace;
use App\Weeks\CancelledVisit;
use App\Weeks\CancelVisit;
use DateTimeInterface;
use Illuminate\Support\Str;
use Tests\TestCase;
use Vicissa\Core\Drying\Air;

/** What is planned is what is packed, worked and recorded. The clock stands at noon, Wednesday 25 November 2026. */
final class OneVisitTest extends TestCase
{
    /** What is kept of a laid-out visit is laid out anew as soon as anything it rests on has changed, and no sooner. */
    public function testWhatAVisitRestsOnLaysItOutAnew(): void
    {
        [, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $count = 0;
        $laid = function () use ($workspace, $vehicle, &$count): int {
            $this->inside($workspace, static function () use ($vehicle, &$count): void {
                $now = Vehicle::query()->with('standing')->findOrFail($vehicle->id);
                $lay = static function (int $i) use (&$count): array {
                    $count++;

                    return ['of' => $i];
                };
                app(KeepLaid::class)->each('tried', [[$now, 'facts']], app(GatherAtHand::class)(), $lay);
            });

            return $count;
        };
        self::assertSame([1, 1], [$laid(), $laid()]);
        $changes = [
            'the vehicle' => static fn() => $vehicle->update(['paint_m2' => 14.5]),
            'what lies on it' => static fn() => Layer::query()
                ->where('vehicle_id', $vehicle->id)
                ->update(['line' => 'Quern']),
            'a doubt about it' => static fn() => Layer::query()
                ->where('vehicle_id', $vehicle->id)
                ->update(['suspect_at' => '2026-11-20T10:00:00Z']),
            'the shelf' => static fn() => Product::query()
                ->where('role', 'soap')
                ->firstOrFail()
                ->update(['max_c' => 21]),
            'the gear' => static fn() => Gear::query()->create([
                'kind' => 'bucket',
                'name' => 'A bucket',
                'facts' => ['l' => 15],
            ]),
            'a school' => static fn() => $workspace->update(['schools' => ['topper' => 'every-wash']]),
            'a number of the rules' => static fn() => $workspace->update(['numbers' => ['match.frost_c' => 4]]),
        ];
        foreach ($changes as $what => $change) {
            $before = $laid();
            $this->inside($workspace, $change);
            self::assertSame([$before + 1, $before + 1], [$laid(), $laid()], $what);
        }
        $this->inside($workspace, static fn() => $vehicle->update(['note' => 'The key is at the harbour office']));
        self::assertSame($count, $laid(), 'a note changes no visit');
    }

    /** A dull day on which everything goes at any hour. */
    private static function mild(WeatherHour $hour): WeatherHour
    {
        return new WeatherHour(
            $hour->at,
            new Air(9.0, 0.8, 2.0, 120.0),
            $hour->cloud,
            0.0,
            $hour->airOffK,
            $hour->sureness,
        );
    }

    public function testEveryPlaceSaysTheSameOfAVisit(): void
    {
        $this->weatherIs(self::mild(...));
        $this->planned();
        $weeks = $this->getJson('/api/v1/weeks')->json();
        $soon = array_values(
            array_filter($weeks['visits'], static fn(array $visit): bool => $visit['on'] <= '2026-12-08'),
        );
        self::assertNotEmpty($soon);
        foreach ($soon as $visit) {
            $this->putJson('/api/v1/round', [
                'on' => $visit['on'],
                'vehicle_ids' => [$visit['vehicle_id']],
            ])->assertOk();
            // From now on it begins at an hour of its own.
            $visit = array_column($this->getJson('/api/v1/weeks')->json('visits'), null, 'id')[$visit['id']];
            $stop = $this->getJson("/api/v1/round?on={$visit['on']}")->json('stops.0');
            $load = $this->getJson("/api/v1/load?from={$visit['on']}")->json();
            self::assertEquals(
                [$visit['minutes'], $visit['nine_in_ten'], $visit['kinds'], $visit['scope']],
                [$stop['minutes'], $stop['nine_in_ten'], $stop['kinds'], $stop['scope']],
                "Round on {$visit['on']}",
            );
            self::assertSame(
                [$visit['vehicle_id'], $visit['minutes']],
                [$load['visits'][0]['vehicle_id'], $load['visits'][0]['minutes']],
            );
            $plan = $this->postJson('/api/v1/sheets', ['vehicle_id' => $visit['vehicle_id'], 'on' => $visit['on']])
                ->assertCreated()
                ->json('plan');
            self::assertSame(
                [$visit['minutes'], $visit['nine_in_ten'], $visit['kinds']],
                [$plan['finish'], $plan['totals']['nine_in_ten'], $plan['kinds']],
                "the sheet of {$visit['on']}",
            );
            self::assertEqualsWithDelta(
                $stop['treated_l'] + $stop['tap_l'],
                $plan['totals']['treated_l'] + $plan['totals']['tap_l'],
                0.2,
            );
            self::assertSame(
                [],
                array_diff($visit['kinds'], ['wash'], array_column($plan['steps'], 'fulfils')),
                'each kind is a step to tick',
            );
        }
    }

    public function testWhatIsLeftOutIsAskedForAndPlannedAgain(): void
    {
        ['hearse' => $hearse] = $this->planned(static fn(Vehicle $hearse) => $hearse->update(['decon_days' => 30]));
        $visit = $this->visit($hearse, 'decon');
        $this->clock->modify("{$visit['on']} 15:00:00");
        $sheet = $this->postJson('/api/v1/sheets', ['vehicle_id' => $hearse->id, 'on' => $visit['on']])
            ->assertCreated()
            ->json();
        self::assertContains('decon', $sheet['plan']['kinds']);
        $turn = $this->turn([
            'id' => Str::uuid7()->toString(),
            'worked_at' => "{$visit['on']}T13:00:00Z",
            'minutes' => 70,
            'kinds' => $visit['kinds'],
            'left_out' => [['kind' => 'decon', 'why' => 'No time left']],
        ]);
        $this->assertProblem(
            $this->postJson("/api/v1/sheets/{$sheet['id']}/finish", [...$turn, 'left_out' => [['kind' => 'decon']]]),
            422,
            '',
            '/left_out/0/why',
        );
        $entry = $this->postJson("/api/v1/sheets/{$sheet['id']}/finish", $turn)
            ->assertCreated()
            ->json('turn.entries.0');
        self::assertEquals([['kind' => 'decon', 'why' => 'No time left']], $entry['left_out']);
        $next = $this->visit($hearse, 'decon');
        self::assertGreaterThan($visit['on'], $next['on'], 'it is planned again');
        self::assertLessThanOrEqual(
            (string) date('Y-m-d', (int) strtotime("{$visit['on']} +21 days")),
            $next['on'],
            'and soon',
        );
        // Also what no rhythm asks for: it was wished for by hand.
        $other = $this->getJson('/api/v1/vehicles')->json('data.1');
        self::assertNull($other['decon_days']);
        $this->postJson(
            "/api/v1/vehicles/{$other['id']}/turns",
            $this->turn([
                'worked_at' => "{$visit['on']}T13:30:00Z",
                'kinds' => ['wash', 'decon'],
                'left_out' => [['kind' => 'decon', 'why' => 'The weather']],
            ]),
        )->assertCreated();
        self::assertContains(
            'decon',
            array_merge(
                ...array_column(
                    array_filter(
                        $this->getJson('/api/v1/weeks')->json('visits'),
                        static fn(array $one): bool => $one['vehicle_id'] === $other['id'],
                    ),
                    'kinds',
                ),
            ),
        );
    }

    public function testAnInspectionIsTickedWithWhatWasSeen(): void
    {
        ['hearse' => $hearse] = $this->planned();
        $visit = $this->visit($hearse, 'inspection');
        $this->clock->modify("{$visit['on']} 15:00:00");
        $sheet = $this->postJson('/api/v1/sheets', ['vehicle_id' => $hearse->id, 'on' => $visit['on']])
            ->assertCreated()
            ->json();
        self::assertContains('inspection', array_column($sheet['plan']['steps'], 'fulfils'));
        $facts = $this->turn([
            'worked_at' => "{$visit['on']}T13:00:00Z",
            'kinds' => $visit['kinds'],
            'inspection' => ['seen' => ['thin', 'chips'], 'note' => 'Bonnet edge'],
        ]);
        $this->assertProblem(
            $this->postJson("/api/v1/sheets/{$sheet['id']}/finish", [...$facts, 'inspection' => ['seen' => ['shiny']]]),
            422,
            '',
            '/inspection/seen/0',
        );
        $entry = $this->postJson("/api/v1/sheets/{$sheet['id']}/finish", $facts)
            ->assertCreated()
            ->json('turn.entries.0');
        self::assertSame(['thin', 'chips'], $entry['inspection']['seen']);
        self::assertTrue($entry['looked_over']);
    }

    public function testAVisitIsCancelledByAButton(): void
    {
        ['hearse' => $hearse, 'shuttle' => $shuttle, 'workspace' => $workspace] = $this->planned();
        $of = fn(Vehicle $vehicle): array => array_values(
            array_column(
                array_filter(
                    $this->getJson('/api/v1/weeks')->json('visits'),
                    static fn(array $visit): bool => $visit['vehicle_id'] === $vehicle->id,
                ),
                'on',
                'id',
            ),
        );
        [$before, $theirs] = [$of($hearse), $of($shuttle)];
        $first = $this->visit($hearse);
        $this->putJson('/api/v1/round', ['on' => $first['on'], 'vehicle_ids' => [$hearse->id]])->assertOk();
        $this->assertProblem(
            $this->postJson("/api/v1/weeks/visits/{$first['id']}/cancel", [
                'by' => 'neighbour',
                'why' => 'Away',
                'again' => true,
            ]),
            422,
            '',
            '/by',
        );
        $this->postJson("/api/v1/weeks/visits/{$first['id']}/cancel", [
            'by' => 'client',
            'why' => 'Away at a funeral',
            'again' => true,
        ])->assertOk();
        $now = $of($hearse);
        self::assertNotContains($first['on'], $now);
        self::assertLessThan($before[1] ?? '9999', $now[0], 'another day was found');
        self::assertSame($theirs, $of($shuttle), 'nobody else is moved');
        self::assertSame([], $this->getJson("/api/v1/round?on={$first['on']}")->json('stops'));
        $note = $this->inside(
            $workspace,
            static fn() => CancelledVisit::query()->where('cancelled_by', 'client')->sole(),
        );
        self::assertSame([$first['id'], 'Away at a funeral'], [$note->id, $note->why]);
        // Not at all: the next one is the one after it.
        $next = $this->visit($hearse);
        $after = $of($hearse)[1];
        $this->postJson("/api/v1/weeks/visits/{$next['id']}/cancel", [
            'by' => 'us',
            'why' => 'The van is broken',
            'again' => false,
        ])->assertOk();
        self::assertGreaterThanOrEqual($after, $of($hearse)[0]);
        [$stranger] = $this->business('Elsewhere');
        $any = $this->visit($hearse);
        $this->actingAs($stranger)
            ->postJson("/api/v1/weeks/visits/{$any['id']}/cancel", [
                'by' => 'us',
                'why' => 'Mine now',
                'again' => false,
            ])
            ->assertNotFound();
        // Two who cancel at once both hold the visit as it was: it is cancelled once, for the first reason.
        $this->inside($workspace, static function () use ($any): void {
            [$mine, $theirs] = [
                PlannedVisit::query()->whereKey($any['id'])->sole(),
                PlannedVisit::query()->whereKey($any['id'])->sole(),
            ];
            app(CancelVisit::class)($mine, 'us', 'The van is broken', false);
            app(CancelVisit::class)($theirs, 'client', 'Away', true);
            self::assertSame(['The van is broken'], CancelledVisit::query()->whereKey($any['id'])->pluck('why')->all());
        });
    }

    public function testQuickUsualAndFull(): void
    {
        ['shuttle' => $shuttle] = $this->planned(
            static fn(Vehicle $hearse, Vehicle $shuttle) => $shuttle->update(['scope' => 'quick', 'full_every' => 2]),
        );
        $minutes = [];
        foreach (['quick', 'usual', 'full', 'paint,glass,jambs'] as $scope) {
            $plan = $this->postJson('/api/v1/sheets', [
                'vehicle_id' => $shuttle->id,
                'on' => '2026-11-26',
                'scope' => $scope,
            ])
                ->assertCreated()
                ->json('plan');
            self::assertSame($scope, $plan['scope']);
            $minutes[$scope] = $plan['finish'];
        }
        self::assertLessThan($minutes['usual'], $minutes['quick']);
        self::assertLessThan($minutes['full'], $minutes['usual']);
        self::assertGreaterThan($minutes['quick'], $minutes['paint,glass,jambs']);
        $this->assertProblem(
            $this->postJson('/api/v1/sheets', [
                'vehicle_id' => $shuttle->id,
                'on' => '2026-11-26',
                'scope' => 'everything',
            ]),
            422,
            'quick, usual, full',
        );
        $scopes = array_values(
            array_column(
                array_filter(
                    $this->getJson('/api/v1/weeks')->json('visits'),
                    static fn(array $visit): bool => $visit['vehicle_id'] === $shuttle->id,
                ),
                'scope',
            ),
        );
        self::assertContains('full', $scopes);
        foreach (array_slice($scopes, 1) as $i => $scope) {
            self::assertNotSame($scopes[$i], $scope, 'quick and full in turn');
        }
    }

    public function testWhatCannotBeLaidOutHasTheSameMinutesEverywhere(): void
    {
        ['shuttle' => $shuttle, 'workspace' => $workspace] = $this->planned();
        $site = $this->postJson('/api/v1/sites', ['name' => 'Third floor', 'water' => 'none', 'pressure' => false])
            ->assertCreated()
            ->json('id');
        $this->inside($workspace, static fn() => $shuttle->update(['site_id' => $site]));
        $this->postJson(
            "/api/v1/vehicles/{$shuttle->id}/turns",
            $this->turn(['worked_at' => '2026-11-25T08:00:00Z', 'soil' => 5, 'grit' => true]),
        )->assertCreated();
        $this->postJson('/api/v1/weeks/plan')->assertStatus(202);
        $visit = $this->visit($shuttle);
        self::assertNotNull($visit['problem'], 'nothing may touch it there');
        self::assertGreaterThan(30, $visit['minutes'], 'as on a better day');
        $stop = $this->putJson('/api/v1/round', ['on' => $visit['on'], 'vehicle_ids' => [$shuttle->id]])
            ->assertOk()
            ->json('stops.0');
        $load = $this->getJson("/api/v1/load?from={$visit['on']}&to={$visit['on']}")->json('visits.0');
        self::assertEquals(
            [$visit['minutes'], $visit['minutes'], $visit['problem']],
            [$stop['minutes'], $load['minutes'], $stop['problem']],
        );
    }

    public function testEachStopIsLaidOutForItsOwnHour(): void
    {
        ['hearse' => $hearse, 'shuttle' => $shuttle, 'workspace' => $workspace] = $this->planned();
        $stops = $this->putJson('/api/v1/round', ['on' => '2026-11-27', 'vehicle_ids' => [$hearse->id, $shuttle->id]])
            ->assertOk()
            ->json('stops');
        self::assertEqualsWithDelta(
            $stops[0]['begins_min'] + $stops[0]['minutes'] + $stops[1]['leg_min'],
            $stops[1]['begins_min'],
            1.0,
        );
        $kept = $this->inside(
            $workspace,
            static fn() => RoundStop::query()
                ->where('on', '2026-11-27')
                ->orderBy('position')
                ->pluck('begins_min')
                ->all(),
        );
        self::assertSame(
            [480 + $stops[0]['leg_min'], true],
            [$kept[0], abs($kept[1] - $stops[1]['begins_min']) < 30],
            'and that is written down',
        );
    }

    public function testRainOnTheDayMovesWhatCannotBeDoneAndAsksForTheRest(): void
    {
        ['hearse' => $hearse, 'workspace' => $workspace] = $this->planned(
            static fn(Vehicle $hearse) => $hearse->update(['topper_weeks' => 2, 'site_id' => null]),
        );
        $visit = $this->visit($hearse, 'topper');
        $this->weatherIs(self::mild(...));
        $this->putJson('/api/v1/round', ['on' => $visit['on'], 'vehicle_ids' => [$hearse->id]])
            ->assertOk()
            ->assertJsonPath('stops.0.loses', []);
        $this->weatherIs(
            static fn(WeatherHour $hour): WeatherHour => new WeatherHour(
                $hour->at,
                new Air(9.0, 0.95, 3.0, 20.0),
                $hour->cloud,
                2.5,
                $hour->airOffK,
                $hour->sureness,
            ),
        );
        $stop = $this->getJson("/api/v1/round?on={$visit['on']}")
            ->assertOk()
            ->json('stops.0');
        self::assertSame(
            [['topper'], null, $visit['id']],
            [$stop['loses'], $stop['problem'], $stop['visit_id']],
            'washed it can be; the topper is lost',
        );
        $load = $this->getJson("/api/v1/load?from={$visit['on']}&to={$visit['on']}")->json();
        self::assertSame($stop['minutes'], $load['visits'][0]['minutes'], 'and every place knows');
        $this->postJson("/api/v1/weeks/visits/{$visit['id']}/cancel", [
            'by' => 'weather',
            'why' => 'Rain',
            'again' => true,
        ])->assertOk();
        self::assertSame([], $this->getJson("/api/v1/round?on={$visit['on']}")->json('stops'));
        self::assertSame(
            'weather',
            $this->inside($workspace, static fn() => CancelledVisit::query()->where('cancelled_by', 'weather')->sole())
                ->cancelled_by,
        );
    }

    public function testNothingIsPlannedThatTheDayHasNoStepFor(): void
    {
        // Mild enough on average for a topper, too cold at the hour for every one on the shelf, but for one day.
        $mild = '2026-12-02';
        $this->weatherIs(
            static fn(WeatherHour $hour): WeatherHour => new WeatherHour(
                $hour->at,
                new Air(
                    $hour->at->format('Y-m-d') === $mild ? 14.0 : ((int) $hour->at->format('G') < 12 ? 3.0 : 9.0),
                    0.7,
                    2.0,
                    0.0,
                ),
                0.9,
                0.0,
                $hour->airOffK,
                $hour->sureness,
            ),
        );
        ['hearse' => $hearse] = $this->planned(
            static fn(Vehicle $hearse) => $hearse->update(['topper_weeks' => 2, 'site_id' => null]),
        );
        $topped = array_column(
            array_filter(
                $this->getJson('/api/v1/weeks')->json('visits'),
                static fn(array $visit): bool => $visit['vehicle_id'] === $hearse->id &&
                    in_array('topper', $visit['kinds'], true),
            ),
            'on',
        );
        self::assertSame(
            [$mild],
            array_values(array_filter($topped, static fn(string $on): bool => $on <= '2026-12-05')),
            'on the day that lets it be',
        );
        self::assertContains(
            'topper',
            array_column(
                $this->postJson('/api/v1/sheets', ['vehicle_id' => $hearse->id, 'on' => $mild])
                    ->assertCreated()
                    ->json('plan.steps'),
                'fulfils',
            ),
        );
        $file = $this->getJson('/api/v1/weeks/instance')->assertOk()->json();
        self::assertContains(
            ['date' => '2026-12-03', 'kinds' => ['topper']],
            array_merge(...array_column($file['input']['vehicles'], 'without')),
        );
        self::assertEquals(
            $file['answer']['visits'],
            $this->postJson('/api/v1/reckon/plan', $file['input'])->assertOk()->json('visits'),
            'planned anywhere else it is the same',
        );
        $visit = $this->visit($hearse, 'topper');
        $why = array_column(
            $this->getJson("/api/v1/weeks/visits/{$visit['id']}/else")
                ->assertOk()
                ->json('days'),
            'why',
            'on',
        );
        self::assertSame(
            'Topper: nothing on the shelf goes on in that weather.',
            $why['2026-12-03'],
            'and a hand that moves it there is told',
        );
    }

    public function testWhatTheShelfLacksOnAnyDayIsPlannedAndAskedFor(): void
    {
        ['hearse' => $hearse, 'workspace' => $workspace] = $this->planned(
            static fn(Vehicle $hearse) => $hearse->update(['topper_weeks' => 2, 'site_id' => null]),
        );
        $this->inside(
            $workspace,
            static fn() => Product::query()
                ->where('role', 'topper')
                ->update(['archived_at' => now()]),
        );
        $this->postJson('/api/v1/weeks/plan')->assertStatus(202);
        $visit = $this->visit($hearse, 'topper');
        self::assertLessThanOrEqual('2026-12-05', $visit['on'], 'no weather is to blame, so no day is waited for');
        $plan = $this->postJson('/api/v1/sheets', ['vehicle_id' => $hearse->id, 'on' => $visit['on']])
            ->assertCreated()
            ->json('plan');
        self::assertNotContains('topper', array_column($plan['steps'], 'fulfils'));
        self::assertStringContainsString('there is no topper on the shelf', $plan['topper']['why']);
    }

    public function testARhythmOfWeeksIsTheSameOnTheBenchAsInTheWeeks(): void
    {
        ['hearse' => $hearse] = $this->planned(static fn(Vehicle $hearse) => $hearse->update(['topper_weeks' => 10]));
        $mild = [
            'vehicle_id' => $hearse->id,
            'seen' => ['soil' => 2],
            'place' => ['water' => 'tap'],
            'weather' => ['air_c' => 14, 'rh' => 0.7, 'wind_m_s' => 2, 'sun_w_m2' => 100],
        ];
        self::assertSame(
            '2026-11-26',
            $this->getJson('/api/v1/weeks')->json('vehicles.0.topper.due'),
            'none has gone on yet',
        );
        $topper = $this->postJson('/api/v1/bench/match', $mild)->assertOk()->json('topper');
        self::assertSame(['apply', 'It is due today.'], [$topper['decision'], $topper['why']]);
        $this->postJson(
            "/api/v1/vehicles/{$hearse->id}/turns",
            $this->turn(['products' => [['product_id' => $topper['product'], 'zone' => 'paint']]]),
        )->assertCreated();
        $topper = $this->postJson('/api/v1/bench/match', $mild)->assertOk()->json('topper');
        self::assertSame('none', $topper['decision']);
        self::assertStringContainsString('due in 10 weeks', $topper['why']);
        self::assertSame('2027-02-03', $this->getJson('/api/v1/weeks')->json('vehicles.0.topper.due'));
    }

    public function testWhereMinutesDifferTheFactIsNamed(): void
    {
        ['shuttle' => $shuttle] = $this->planned();
        $visit = $this->visit($shuttle);
        $sheet = $this->postJson('/api/v1/sheets', ['vehicle_id' => $shuttle->id, 'on' => $visit['on']])
            ->assertCreated()
            ->json();
        self::assertEquals(['minutes' => $visit['minutes'], 'facts' => []], $sheet['plan']['expected']);
        $seen = [
            ...$sheet['facts'],
            'seen' => [...$sheet['facts']['seen'], 'soil' => $sheet['facts']['seen']['soil'] + 2],
        ];
        $found = $this->postJson("/api/v1/sheets/{$sheet['id']}/rematch", [
            'facts' => $seen,
            'crew' => $sheet['crew'] + 1,
        ])
            ->assertOk()
            ->json('plan');
        self::assertSame($visit['minutes'], $found['expected']['minutes']);
        $facts = array_column($found['expected']['facts'], null, 'fact');
        self::assertSame(['soil', 'crew'], array_keys($facts), 'these, and nothing else');
        self::assertGreaterThan(0, $facts['soil']['minutes'], 'dirt takes longer');
        self::assertLessThan(0, $facts['crew']['minutes'], 'another pair of hands helps');
        self::assertSame(
            [(string) ($sheet['facts']['seen']['soil'] + 2), (string) $sheet['facts']['seen']['soil']],
            [$facts['soil']['is'], $facts['soil']['was']],
        );
        $else = $this->postJson("/api/v1/sheets/{$sheet['id']}/rematch", [
            'facts' => [
                ...$sheet['facts'],
                'panel_c' => 22,
                'place' => [...$sheet['facts']['place'], 'shade' => !($sheet['facts']['place']['shade'] ?? false)],
                'seen' => [...$sheet['facts']['seen'], 'on' => ['insects']],
                'schools' => ['drying' => 'towel'],
            ],
            'crew' => $sheet['crew'],
        ])
            ->assertOk()
            ->json('plan.expected.facts');
        self::assertSame(
            ['panel', 'place', 'found', 'choices'],
            array_column($else, 'fact'),
            'whatever it is, it is named',
        );
        self::assertGreaterThan(0, array_column($else, 'minutes', 'fact')['found'], 'insects are softened first');
        $bench = $this->postJson('/api/v1/bench/match', [
            'vehicle_id' => $shuttle->id,
            'on' => $visit['on'],
            'crew' => $sheet['crew'] + 1,
            ...$seen,
        ])
            ->assertOk()
            ->json();
        self::assertEquals(
            [$found['finish'], $found['expected']['facts']],
            [$bench['totals']['minutes'], $bench['expected']['facts']],
            'the bench names the same',
        );
    }

    public function testMinutesThatWereTypedCount(): void
    {
        ['shuttle' => $shuttle] = $this->planned();
        $minutes = fn(): int => (int) $this->postJson('/api/v1/sheets', [
            'vehicle_id' => $shuttle->id,
            'on' => '2026-11-26',
        ])
            ->assertCreated()
            ->json('plan.finish');
        $before = $minutes();
        $this->patchJson(
            "/api/v1/vehicles/{$shuttle->id}",
            ['own_minutes' => intdiv($before, 2)],
            ['If-Match' => '"' . $this->getJson("/api/v1/vehicles/{$shuttle->id}")->json('version') . '"'],
        )->assertOk();
        $typed = $minutes();
        self::assertLessThan(0.75 * $before, $typed);
        $this->postJson('/api/v1/weeks/plan', ['afresh' => true])->assertStatus(202);
        self::assertLessThanOrEqual($typed + 15, $this->visit($shuttle)['minutes']);
    }

    public function testAFieldNobodyKnowsIsRefused(): void
    {
        [$owner] = $this->business();
        $this->actingAs($owner);
        $this->assertProblem(
            $this->postJson('/api/v1/clients', ['name' => 'Ana', 'vip' => true]),
            422,
            'no such field',
            '/vip',
        );
        $this->assertProblem(
            $this->postJson('/api/v1/products', [
                'name' => 'X',
                'role' => 'soap',
                'surfaces' => ['paint'],
                'ph_value' => 7,
            ]),
            422,
            'no such field',
            '/ph_value',
        );
        self::assertSame([], $this->getJson('/api/v1/clients')->json('data'));
    }

    /** @return array<string, mixed> the first planned visit of a vehicle, with that kind */
    private function visit(Vehicle $vehicle, string $kind = 'wash'): array
    {
        foreach ($this->getJson('/api/v1/weeks')->json('visits') as $visit) {
            if ($visit['vehicle_id'] === $vehicle->id && in_array($kind, $visit['kinds'], true)) {
                return $visit;
            }
        }
        self::fail("No {$kind} is planned for {$vehicle->name}.");
    }

    /** @param callable(WeatherHour): WeatherHour $how */
    private function weatherIs(callable $how): void
    {
        $this->app->instance(
            Weather::class,
            new class (app(Weather::class), $how) implements Weather {
                /** @param callable(WeatherHour): WeatherHour $how */
                public function __construct(private Weather $known, private mixed $how) {}

                public function hours(float $latitude, float $longitude, DateTimeInterface $from, int $hours): array
                {
                    return array_map($this->how, $this->known->hours($latitude, $longitude, $from, $hours));
                }
            },
        );
    }

    /**
     * @param (callable(Vehicle, Vehicle): mixed)|null $otherwise
     * @return array{hearse: Vehicle, shuttle: Vehicle, workspace: Workspace}
     */
    private function planned(?callable $otherwise = null): array
    {
        [$owner, $workspace] = $this->business();
        $hearse = $this->vehicle($workspace, 'ceramic', '2025-05-01', 'Hearse');
        $shuttle = $this->vehicle($workspace, 'silica-spray', '2026-10-28', 'Shuttle');
        $this->inside($workspace, static function () use ($hearse, $shuttle, $otherwise): void {
            $hearse->update(['cadence_min' => 3, 'cadence_target' => 7, 'cadence_max' => 12]);
            if ($otherwise !== null) {
                $otherwise($hearse, $shuttle);
            }
        });
        $this->actingAs($owner);
        $this->postJson('/api/v1/crews', [
            'name' => 'The van',
            'minutes' => ['1' => 420, '2' => 420, '3' => 420, '4' => 420, '5' => 300],
        ])->assertCreated();
        $this->postJson('/api/v1/weeks/plan')->assertStatus(202);

        return ['hearse' => $hearse, 'shuttle' => $shuttle, 'workspace' => $workspace];
    }
}
