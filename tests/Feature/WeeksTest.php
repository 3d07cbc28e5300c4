<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Book\PlannedVisit;
use App\Book\Site;
use App\Book\Vehicle;
use App\Record\LastDone;
use App\Record\Overtaken;
use App\Record\Turn;
use App\Record\TurnEntry;
use App\Record\TurnLog;
use App\Says\Teller;
use App\Tenancy\Workspace;
use App\Weeks\PlanRun;
use App\Weeks\ReplanWeeks;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\TestCase;
use Vicissa\Core\Record\LoggedTurn;
use Vicissa\Core\Says\Said;

/** The weeks over HTTP: planned, moved, locked, taken back. The clock stands at noon, Wednesday 25 November 2026. */
final class WeeksTest extends TestCase
{
    public function testThePlanHoldsWhatTheBookAsksFor(): void
    {
        [$owner, $workspace] = $this->business();
        [$hearse, $shuttle] = $this->fleet($workspace);
        $this->actingAs($owner);
        $this->crew();
        $this->postJson('/api/v1/deadlines', [
            'vehicle_id' => $hearse->id,
            'on' => '2026-12-11',
            'within_days' => 1,
            'note' => 'A service',
        ])->assertCreated();
        $this->postJson('/api/v1/closures', [
            'vehicle_id' => $shuttle->id,
            'from_on' => '2026-11-30',
            'to_on' => '2026-12-04',
        ])->assertCreated();
        $this->postJson('/api/v1/closures', ['from_on' => '2026-12-25', 'to_on' => '2026-12-28'])->assertCreated();
        $run = $this->postJson('/api/v1/weeks/plan')->assertStatus(202)->json();
        $this->getJson("/api/v1/weeks/runs/{$run['id']}")
            ->assertOk()
            ->assertJsonPath('status', 'done');
        $weeks = $this->getJson('/api/v1/weeks')->assertOk()->json();
        self::assertSame(['2026-11-26', 56], [$weeks['start'], $weeks['days']]);
        $of = static fn(Vehicle $vehicle): array => array_column(
            array_filter($weeks['visits'], static fn(array $visit): bool => $visit['vehicle_id'] === $vehicle->id),
            'on',
        );
        self::assertNotEmpty(array_intersect(['2026-12-10', '2026-12-11'], $of($hearse)), 'the service is kept');
        self::assertSame(
            [],
            array_filter($of($shuttle), static fn(string $on): bool => $on >= '2026-11-30' && $on <= '2026-12-04'),
        );
        self::assertSame(
            [],
            array_filter(
                [...$of($hearse), ...$of($shuttle)],
                static fn(string $on): bool => in_array(date('N', (int) strtotime($on)), ['6', '7'], true) ||
                    ($on >= '2026-12-25' && $on <= '2026-12-28'),
            ),
        );
        self::assertLessThanOrEqual($weeks['plan']['cost'], $weeks['plan']['bound']);
        self::assertSame([], $weeks['plan']['moves'], 'a first plan moves nothing');
        // The load adds up to the visits.
        self::assertSame(
            array_sum(array_column($weeks['visits'], 'minutes')),
            array_sum(array_column($weeks['crews'][0]['days'], 'work')),
        );
        // The instance planned anywhere gives the same plan.
        $file = $this->getJson('/api/v1/weeks/instance')->assertOk()->json();
        $again = $this->postJson('/api/v1/reckon/plan', $file['input'])->assertOk()->json();
        self::assertEquals($file['answer']['visits'], $again['visits']);
        self::assertEqualsWithDelta($file['answer']['cost'], $again['cost'], 1e-9);
        $csv = $this->get('/api/v1/weeks/file')->assertOk()->getContent();
        self::assertStringContainsString("date,vehicle,client,place,crew,kinds,minutes,locked\n", (string) $csv);
        self::assertSame(count($weeks['visits']) + 1, substr_count((string) $csv, "\n"));
    }

    public function testADeadlineNobodyCanKeepIsSaid(): void
    {
        [$owner, $workspace] = $this->business();
        [$hearse] = $this->fleet($workspace);
        $this->actingAs($owner);
        $this->crew();
        $this->postJson('/api/v1/deadlines', [
            'vehicle_id' => $hearse->id,
            'on' => '2026-12-13',
            'within_days' => 1,
        ])->assertCreated();
        $this->postJson('/api/v1/weeks/plan');
        $unmet = $this->getJson('/api/v1/weeks')->json('unmet');
        self::assertContains(
            [
                'vehicle_id' => $hearse->id,
                'vehicle' => 'Hearse',
                'what' => 'deadline 2026-12-13',
                'why' => 'Nobody works on 2 days.',
            ],
            $unmet,
        );
    }

    public function testAnExpiredCertificateKeepsThePlanAway(): void
    {
        [$owner, $workspace] = $this->business();
        [, $shuttle] = $this->fleet($workspace);
        $this->actingAs($owner);
        $this->crew();
        $this->inside($workspace, static function () use ($shuttle): void {
            $site = Site::query()->create([
                'name' => 'Ferry yard',
                'travel_min' => 20,
                'certificate_expires_on' => '2026-12-05',
            ]);
            $shuttle->update(['site_id' => $site->id]);
        });
        $this->postJson('/api/v1/weeks/plan');
        $weeks = $this->getJson('/api/v1/weeks')->json();
        foreach ($weeks['visits'] as $visit) {
            self::assertTrue($visit['vehicle_id'] !== $shuttle->id || $visit['on'] <= '2026-12-05');
        }
        self::assertStringContainsStringIgnoringCase(
            'the place is closed',
            array_values(
                array_filter($weeks['unmet'], static fn(array $one): bool => $one['vehicle_id'] === $shuttle->id),
            )[0]['why'],
        );
    }

    public function testOnlyWhoIsOnTheRegisterIsSent(): void
    {
        [$owner, $workspace] = $this->business();
        [, $shuttle] = $this->fleet($workspace);
        $this->actingAs($owner);
        $this->crew();
        $van = $this->getJson('/api/v1/crews')->json('data.0.id');
        $other = $this->postJson('/api/v1/crews', ['name' => 'Tam alone', 'minutes' => ['6' => 240]])
            ->assertCreated()
            ->json('id');
        $site = $this->postJson('/api/v1/sites', [
            'name' => 'Ferry yard',
            'travel_min' => 20,
            'by_register' => true,
            'admissions' => [
                ['crew_id' => $van, 'person' => 'Rhona', 'valid_until' => null],
                ['crew_id' => $van, 'person' => 'Tam', 'valid_until' => '2026-12-10'],
                ['crew_id' => $van, 'person' => ' tam', 'valid_until' => '2026-12-20'],
            ],
        ])
            ->assertCreated()
            ->assertJsonPath('admissions', [
                ['crew_id' => $van, 'person' => 'Rhona', 'valid_until' => null],
                ['crew_id' => $van, 'person' => 'tam', 'valid_until' => '2026-12-10'],
            ])
            ->json();
        $this->inside($workspace, static fn() => $shuttle->update(['site_id' => $site['id']]));
        $this->postJson('/api/v1/weeks/plan');
        $weeks = $this->getJson('/api/v1/weeks')->json();
        $visits = array_values(
            array_filter($weeks['visits'], static fn(array $visit): bool => $visit['vehicle_id'] === $shuttle->id),
        );
        self::assertNotEmpty($visits);
        foreach ($visits as $visit) {
            self::assertSame(
                [$van, true],
                [$visit['crew_id'], $visit['on'] <= '2026-12-10'],
                'the earliest end of the crew’s papers',
            );
        }
        self::assertStringContainsString(
            'nobody who works may go there',
            strtolower(implode(' ', array_column($weeks['unmet'], 'why'))),
        );
        $this->assertProblem(
            $this->postJson("/api/v1/weeks/visits/{$visits[0]['id']}/move", ['on' => '2026-12-14']),
            422,
            'Nobody who works may go there.',
            '/on',
        );
        // A lock opens no gate either.
        $this->patchJson("/api/v1/weeks/visits/{$visits[0]['id']}", ['locked' => true])->assertOk();
        $this->patchJson(
            "/api/v1/sites/{$site['id']}",
            ['admissions' => [['crew_id' => $other, 'person' => 'Tam']]],
            ['If-Match' => '"1"'],
        )->assertOk();
        $this->postJson('/api/v1/weeks/plan');
        $weeks = $this->getJson('/api/v1/weeks')->json();
        foreach ($weeks['visits'] as $visit) {
            self::assertTrue($visit['vehicle_id'] !== $shuttle->id || $visit['crew_id'] === $other);
        }
        // On the day itself it is said at the gate.
        $this->putJson('/api/v1/round', ['on' => '2026-11-28', 'vehicle_ids' => [$shuttle->id]])
            ->assertOk()
            ->assertJsonPath('stops.0.gate.0.says', 'On the register: Tam. Nobody else is let in.');
        $this->assertProblem(
            $this->patchJson(
                "/api/v1/sites/{$site['id']}",
                ['admissions' => [['crew_id' => $van, 'person' => '']]],
                ['If-Match' => '"2"'],
            ),
            422,
            'person',
            '/admissions/0/person',
        );
    }

    public function testALastingBaseIsLookedOverOnAVisitOfThePlan(): void
    {
        [$owner, $workspace] = $this->business();
        [$hearse] = $this->fleet($workspace);
        $this->actingAs($owner);
        $this->crew();
        $this->postJson('/api/v1/weeks/plan');
        $weeks = $this->getJson('/api/v1/weeks')->json();
        $looks = array_values(
            array_filter(
                $weeks['visits'],
                static fn(array $visit): bool => in_array('inspection', $visit['kinds'], true),
            ),
        );
        self::assertSame([$hearse->id], array_column($looks, 'vehicle_id'), 'once, and not for what lasts weeks');
        $minutes = array_column($weeks['vehicles'], 'minutes', 'id')[$hearse->id];
        // Those of its own day, beside those of an ordinary one.
        self::assertEqualsWithDelta(
            $minutes['wash'] +
                $minutes['inspection'] +
                (in_array('topper', $looks[0]['kinds'], true) ? $minutes['topper'] : 0),
            $looks[0]['minutes'],
            15,
        );
    }

    public function testAnotherDayIsToldInMinutesOnTheRoadAndWhatTheyCost(): void
    {
        [$owner, $workspace] = $this->business();
        [$hearse, $shuttle] = $this->fleet($workspace);
        $this->actingAs($owner);
        $this->crew();
        $this->inside($workspace, static function () use ($hearse, $shuttle): void {
            $site = Site::query()->create(['name' => 'Ferry yard', 'travel_min' => 20]);
            Vehicle::query()
                ->whereKey([$hearse->id, $shuttle->id])
                ->update(['site_id' => $site->id]);
        });
        $this->postJson('/api/v1/weeks/plan');
        $visits = $this->getJson('/api/v1/weeks')->json('visits');
        $there = array_column(
            array_filter($visits, static fn(array $one): bool => $one['vehicle_id'] === $shuttle->id),
            'on',
        );
        $rates = $workspace->rates();
        $seen = [];
        foreach ($visits as $visit) {
            if ($visit['vehicle_id'] !== $hearse->id) {
                continue;
            }
            foreach ($this->getJson("/api/v1/weeks/visits/{$visit['id']}/else")->json('days') as $day) {
                if ($day['cost'] === null) {
                    self::assertSame([null, null, null], [$day['road_min'], $day['cost_minor'], $day['worth']]);

                    continue;
                }
                // There and back again, where the other vehicle of the yard is not washed anyway.
                $road = fn(string $on): int => in_array($on, $there, true) ? 0 : 1;
                $trips = $road($day['on']) - $road($visit['on']);
                $seen[$trips] = true;
                self::assertSame($trips, $day['road_min'] <=> 0, "{$visit['on']} to {$day['on']}");
                self::assertSame((int) round($rates->road($day['road_min'], 1)), $day['cost_minor']);
            }
        }
        self::assertGreaterThan(1, count($seen));
        $this->actingAs($this->technician($workspace));
        self::assertSame(
            [null],
            array_values(
                array_unique(
                    array_column(
                        $this->getJson("/api/v1/weeks/visits/{$visits[0]['id']}/else")->json('days'),
                        'cost_minor',
                    ),
                ),
            ),
        );
    }

    public function testAVisitIsMovedLockedAndTakenBack(): void
    {
        [$owner, $workspace] = $this->business();
        $this->fleet($workspace);
        $this->actingAs($owner);
        $this->crew();
        $this->postJson('/api/v1/weeks/plan');
        $before = $this->getJson('/api/v1/weeks')->json();
        $visit = $before['visits'][0];
        $else = $this->getJson("/api/v1/weeks/visits/{$visit['id']}/else")
            ->assertOk()
            ->json();
        self::assertStringContainsString('days after the visit before', $else['why'][0]);
        $free = array_values(array_filter($else['days'], static fn(array $day): bool => $day['cost'] !== null));
        self::assertNotEmpty($free);
        $sunday = array_values(
            array_filter($else['days'], static fn(array $day): bool => $day['on'] === '2026-11-29'),
        )[0];
        self::assertSame([null, 'Nobody works.'], [$sunday['cost'], $sunday['why']]);
        $to = $free[0]['on'];
        $after = $this->postJson("/api/v1/weeks/visits/{$visit['id']}/move", ['on' => $to])
            ->assertOk()
            ->json();
        $moved = array_values(
            array_filter(
                $after['visits'],
                static fn(array $one): bool => $one['vehicle_id'] === $visit['vehicle_id'] && $one['on'] === $to,
            ),
        );
        self::assertTrue($moved[0]['locked']);
        $day = (new Teller())->day(...);
        self::assertStringContainsString("moved from {$day($visit['on'])} to {$day($to)}", $after['plan']['why']);
        self::assertNotEmpty($after['plan']['moves']);
        // It stays there when all is planned again.
        $this->postJson('/api/v1/weeks/plan', ['afresh' => true]);
        self::assertContains(
            [$visit['vehicle_id'], $to, true],
            array_map(
                static fn(array $one): array => [$one['vehicle_id'], $one['on'], $one['locked']],
                $this->getJson('/api/v1/weeks')->json('visits'),
            ),
        );
        $newest = $this->getJson('/api/v1/weeks')->json('plan.id');
        // However often one takes back the plan one has before one, the one before it stands.
        for ($n = 0; $n < 3; $n++) {
            $this->postJson('/api/v1/weeks/undo', ['plan' => $newest])
                ->assertOk()
                ->assertJsonPath('plan.id', $after['plan']['id']);
        }
        // The move is taken back while somebody asks what another day would cost.
        $asked = false;
        DB::listen(function (QueryExecuted $query) use (&$asked): void {
            if (!$asked && str_contains($query->sql, 'from "planned_visits" where "id"')) {
                $asked = true;
                app(ReplanWeeks::class)->undo();
            }
        });
        $this->getJson("/api/v1/weeks/visits/{$moved[0]['id']}/else")->assertOk();
        self::assertTrue($asked);
        $undone = $this->getJson('/api/v1/weeks')->json();
        $plain = static fn(array $weeks): array => array_map(
            static fn(array $one): array => [$one['vehicle_id'], $one['on'], $one['kinds'], $one['locked']],
            $weeks['visits'],
        );
        self::assertEqualsCanonicalizing($plain($before), $plain($undone));
        $this->postJson('/api/v1/weeks/undo')->assertOk();
        $this->assertProblem($this->postJson('/api/v1/weeks/undo'), 409, 'There is no plan to take back.');
        $this->postJson('/api/v1/weeks/plan');
        $any = $this->getJson('/api/v1/weeks')->json('visits.0');
        $this->patchJson("/api/v1/weeks/visits/{$any['id']}", ['locked' => true])
            ->assertOk()
            ->assertJsonPath('visits.0.locked', true);
        $this->assertProblem(
            $this->postJson("/api/v1/weeks/visits/{$any['id']}/move", ['on' => '2026-11-25']),
            422,
            'has begun or is over',
        );
    }

    public function testASearchNeverOverwritesAChangeMadeMeanwhile(): void
    {
        [$owner, $workspace] = $this->business();
        [$hearse] = $this->fleet($workspace);
        $this->actingAs($owner);
        $this->crew();
        $this->postJson('/api/v1/weeks/plan');
        $this->inside($workspace, function () use ($hearse): void {
            $first = PlannedVisit::query()->where('vehicle_id', $hearse->id)->orderBy('on')->firstOrFail();
            try {
                app(ReplanWeeks::class)(
                    Said::of('plan.again'),
                    null,
                    told: static function () use ($first): bool {
                        $first->update(['locked' => true]);

                        return true;
                    },
                );
                self::fail('It has overwritten what was locked meanwhile.');
            } catch (Overtaken) {
                self::assertTrue($first->refresh()->locked);
            }
        });
        // Over HTTP one is told, and a stopped search leaves things as they are.
        $run = $this->inside(
            $workspace,
            static fn(): PlanRun => PlanRun::query()->create([
                'status' => 'waiting',
                'progress' => 0,
                'asked_at' => now(),
            ]),
        );
        $this->deleteJson("/api/v1/weeks/runs/{$run->id}")->assertNoContent();
        $this->getJson("/api/v1/weeks/runs/{$run->id}")->assertJsonPath('status', 'stopped');
    }

    public function testATurnFulfilsWhatWasPlanned(): void
    {
        [$owner, $workspace] = $this->business();
        [$hearse] = $this->fleet($workspace);
        $this->actingAs($owner);
        $this->crew();
        $this->postJson('/api/v1/weeks/plan');
        $planned = fn(): int => $this->inside(
            $workspace,
            static fn(): int => PlannedVisit::query()
                ->where('vehicle_id', $hearse->id)
                ->where('on', '<=', '2026-11-25')
                ->count(),
        );
        $this->inside(
            $workspace,
            static fn() => PlannedVisit::query()->create([
                'vehicle_id' => $hearse->id,
                'crew_id' => PlannedVisit::query()->firstOrFail()->crew_id,
                'on' => '2026-11-25',
                'kinds' => ['wash'],
            ]),
        );
        self::assertSame(1, $planned());
        $this->postJson(
            "/api/v1/vehicles/{$hearse->id}/turns",
            $this->turn(['worked_at' => '2026-11-25T10:00:00Z']),
        )->assertCreated();
        self::assertSame(0, $planned());
    }

    public function testProgrammesAreFollowedUntilAVehicleHasItsOwn(): void
    {
        [$owner, $workspace] = $this->business();
        [$hearse, $shuttle] = $this->fleet($workspace);
        $this->actingAs($owner);
        $programme = $this->fortnight();
        $this->patchJson("/api/v1/vehicles/{$hearse->id}", ['programme_id' => $programme['id']], ['If-Match' => '"1"'])
            ->assertOk()
            ->assertJsonPath('topper_weeks', 8)
            ->assertJsonPath('cadence_target', 14);
        $this->patchJson(
            "/api/v1/vehicles/{$shuttle->id}",
            ['programme_id' => $programme['id'], 'cadence_target' => 10],
            ['If-Match' => '"1"'],
        )->assertOk();
        $this->patchJson(
            "/api/v1/programmes/{$programme['id']}",
            ['cadence_target' => 12, 'decon_days' => 120],
            ['If-Match' => '"1"'],
        )->assertOk();
        $this->getJson("/api/v1/vehicles/{$hearse->id}")
            ->assertJsonPath('cadence_target', 12)
            ->assertJsonPath('decon_days', 120);
        $this->getJson("/api/v1/vehicles/{$shuttle->id}")
            ->assertJsonPath('cadence_target', 10)
            ->assertJsonPath('decon_days', 120);
        $this->assertProblem(
            $this->postJson('/api/v1/programmes', [
                'name' => 'Wrong',
                'cadence_min' => 20,
                'cadence_target' => 10,
                'cadence_max' => 28,
            ]),
            422,
            'must lie between',
            '/cadence_target',
        );
    }

    public function testAWorkspacesOwnNumbersMoveDatesMatchesAndPlans(): void
    {
        [$owner, $workspace] = $this->business();
        [, $shuttle] = $this->fleet($workspace);
        $this->actingAs($owner);
        $due = fn(): string => (string) array_column(
            $this->getJson('/api/v1/film')->json('ribbons'),
            'due_at',
            'vehicle_id',
        )[$shuttle->id];
        $method = fn(): string => (string) $this->postJson('/api/v1/bench/match', [
            'vehicle_id' => $shuttle->id,
            'seen' => ['soil' => 3],
            'place' => ['water' => 'tap'],
            'weather' => ['air_c' => 12, 'rh' => 0.8, 'wind_m_s' => 2, 'sun_w_m2' => 100],
            'schools' => ['method' => 'one-mitt'],
        ])
            ->assertOk()
            ->json('method.chosen');
        [$before, $with] = [$due(), $method()];
        self::assertSame('one-mitt', $with);
        $tag = $this->getJson('/api/v1/numbers')->assertOk()->headers->get('ETag');
        $this->putJson(
            '/api/v1/numbers',
            ['numbers' => ['wear.weather' => 1.0, 'match.ceiling.one-mitt' => 2, 'plan.off_target' => 3]],
            ['If-Match' => $tag],
        )->assertOk();
        self::assertLessThan(
            $before,
            $due(),
            'standing outdoors wears twice as fast, and what was known of the layer is known in the new measure',
        );
        self::assertNotSame('one-mitt', $method());
        $this->crew();
        $this->postJson('/api/v1/weeks/plan');
        $file = $this->getJson('/api/v1/weeks/instance')->json();
        self::assertEquals(3, $file['input']['rules']['off_target']);
        self::assertEqualsWithDelta(
            $file['answer']['cost'],
            $this->postJson('/api/v1/reckon/plan', $file['input'])->json('cost'),
            1e-9,
            'replayed with the same numbers',
        );
        $this->assertProblem(
            $this->putJson('/api/v1/numbers', ['numbers' => ['wear.moon' => 1]], ['If-Match' => '"2"']),
            422,
            'no such number',
            '/wear/moon',
        );
        $this->putJson('/api/v1/numbers', ['numbers' => []], ['If-Match' => '"2"'])->assertOk();
        self::assertSame([$before, 'one-mitt'], [$due(), $method()], 'taken back, all is as it was');
        Auth::forgetGuards();
        $this->actingAs($this->technician($workspace), 'web')
            ->putJson('/api/v1/numbers', ['numbers' => []], ['If-Match' => '"3"'])
            ->assertForbidden();
    }

    public function testAnotherWorkspaceSeesAndMovesNothing(): void
    {
        [$owner, $workspace] = $this->business();
        $this->fleet($workspace);
        $this->actingAs($owner);
        $this->crew();
        $this->postJson('/api/v1/weeks/plan');
        $visit = $this->getJson('/api/v1/weeks')->json('visits.0.id');
        [$stranger] = $this->business('Elsewhere');
        Auth::forgetGuards();
        $this->actingAs($stranger, 'web');
        self::assertSame([], $this->getJson('/api/v1/weeks')->assertOk()->json('visits'));
        $this->postJson("/api/v1/weeks/visits/{$visit}/move", ['on' => '2026-12-01'])->assertNotFound();
        $this->getJson("/api/v1/weeks/visits/{$visit}/else")->assertNotFound();
    }

    /** @return array{Vehicle, Vehicle} */
    private function fleet(Workspace $workspace): array
    {
        $hearse = $this->vehicle($workspace, 'ceramic', '2025-05-01', 'Hearse');
        $shuttle = $this->vehicle($workspace, 'silica-spray', '2026-10-28', 'Shuttle');
        $this->inside(
            $workspace,
            static fn() => Vehicle::query()
                ->whereKey($hearse->id)
                ->update(['cadence_min' => 3, 'cadence_target' => 7, 'cadence_max' => 12]),
        );

        return [$hearse, $shuttle];
    }

    private function crew(): void
    {
        $this->postJson('/api/v1/crews', [
            'name' => 'The van',
            'minutes' => ['1' => 420, '2' => 420, '3' => 420, '4' => 420, '5' => 300],
        ])->assertCreated();
    }

    /** Found by keys at the ends of records, the same as by reading all of them. */
    public function testWhatWasDoneLastIsWhatTheRecordSays(): void
    {
        [$owner, $workspace] = $this->business();
        $this->actingAs($owner);
        $iron = $this->product($workspace, 'iron');
        $soap = $this->product($workspace, 'soap');
        $chance = new Randomizer(new Mt19937(8));
        $ids = [];
        for ($v = 0; $v < 7; $v++) {
            $ids[] = $id = $this->vehicle($workspace, 'wax', '2026-08-01', "Vehicle {$v}")->id;
            for ($t = $v; $t > 0; $t--) {
                $used = [[$soap, 'paint'], [$iron, 'wheels'], [$iron, 'paint']][$chance->getInt(0, 2)];
                $this->postJson(
                    "/api/v1/vehicles/{$id}/turns",
                    $this->turn([
                        'worked_at' => sprintf('2026-%02d-%02dT09:00:00Z', 9 + ($t % 3), $chance->getInt(1, 24)),
                        'soil' => $chance->getInt(0, 5),
                        'clay' => $chance->getInt(0, 5) === 0,
                        'products' => [['product_id' => $used[0]->id, 'zone' => $used[1], 'quantity_ml' => 30]],
                    ]),
                )->assertCreated();
            }
        }

        [$last, $log, $soils, $all] = $this->inside(
            $workspace,
            static fn(): array => [
                LastDone::of($ids),
                TurnLog::of($ids),
                TurnEntry::lastOf($ids)->addSelect('turn_entries.soil')->pluck('soil', 'of_vehicle')->sortKeys()->all(),
                Turn::query()->with('current')->orderBy('worked_at')->orderBy('id')->get(),
            ],
        );

        $some = 0;
        foreach ($ids as $id) {
            $at = static fn(LoggedTurn $turn): int => $turn->at;
            $turns = $log->turns($id);
            $done = array_filter($turns, static fn(LoggedTurn $turn): bool => $turn->decontaminates());
            self::assertSame($turns === [] ? null : max(array_map($at, $turns)), $last->washed($id));
            self::assertSame($done === [] ? null : max(array_map($at, $done)), $last->decontaminated($id));
            $some += count($done);
        }
        self::assertGreaterThan(3, $some);
        self::assertSame(
            $all
                ->mapWithKeys(static fn(Turn $turn): array => [$turn->vehicle_id => $turn->current?->soil])
                ->sortKeys()
                ->all(),
            $soils,
        );
    }
}
