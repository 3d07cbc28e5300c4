<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Book\Layer;
use App\Book\Vehicle;
use App\Record\TurnEntry;
use App\Tenancy\User;
use App\Tenancy\Workspace;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\TestCase;
use Vicissa\Core\Protection\Life\Learnt\LearntLife;

/** The one path: a vehicle, a date, a turn, the date moved, a mistake corrected. */
final class TurnTest extends TestCase
{
    public function testThreeAnswersGiveADateWithItsSpreadAndReason(): void
    {
        [$owner] = $this->business();
        $response = $this->actingAs($owner)
            ->postJson('/api/v1/start', [
                'name' => 'Estate',
                'body' => 'estate',
                'family' => 'silica-spray',
                'since' => '2026-11-11',
            ])
            ->assertCreated()
            ->assertHeader('ETag', '"1"');
        $forecast = $response->json('layers.0.forecast');
        // By the label alone: some four fifths of its middle, and what a label may be off. The wear is one reference week with a
        // wash every fortnight: 0.875 a week.
        $life = (new LearntLife(3.0, 10.0))->forecast(null, null);
        self::assertEqualsWithDelta(0.8 * sqrt(30), $forecast['p50_weeks'], 0.8);
        self::assertEqualsWithDelta($life->quantile(0.5), $forecast['p50_weeks'], 0.06);
        self::assertEqualsWithDelta(0.875, $forecast['per_week'], 1e-6);
        // Fourteen idle days have worn 1.5; the rest wears at the expected pace.
        $due = (int) round(14 + (($life->quantile(0.3) - 1.5) / 0.875) * 7);
        self::assertEqualsWithDelta(
            strtotime("2026-11-11 +{$due} days"),
            strtotime((string) $forecast['due_on']),
            86400,
        );
        self::assertLessThan($forecast['due_on'], $forecast['from_on']);
        self::assertGreaterThan($forecast['due_on'], $forecast['late_on']);
        self::assertStringContainsString('rests on the label', (string) $forecast['why']);
    }

    public function testASavedTurnSaysMovesAndProposes(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $before = $this->dueOf($owner, $vehicle);
        $turn = $this->actingAs($owner)
            ->postJson(
                "/api/v1/vehicles/{$vehicle->id}/turns",
                $this->turn([
                    'readings' => [
                        ['stage' => 'arrival', 'zone' => 'paint', 'behaviour' => 'flat'],
                        ['stage' => 'after_wash', 'zone' => 'paint', 'behaviour' => 'good', 'angle_deg' => 91.5],
                    ],
                    'products' => [
                        [
                            'product_id' => $this->product($workspace, 'soap')->id,
                            'zone' => 'paint',
                            'quantity_ml' => 30,
                        ],
                    ],
                ]),
            )
            ->assertCreated()
            ->json();

        self::assertSame('was-dirty', $turn['entries'][0]['diagnoses'][0]['verdict']);
        self::assertSame('2026-12-09', $turn['entries'][0]['next_on']);
        self::assertSame($before, $turn['entries'][0]['due_before'][0]['due']);
        // That it has just held is no reason to wait longer than the rule: so many in a hundred, from the day it went on. The wash
        // has worn it.
        self::assertLessThanOrEqual($before, $turn['entries'][0]['due_after'][0]['due']);
        self::assertSame($turn['entries'][0]['due_after'][0]['due'], $this->dueOf($owner, $vehicle));
    }

    public function testATopperBecomesALayerAndAFailedReadingEndsItsCase(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace, 'ceramic', '2026-01-10');
        $topper = $this->product($workspace, 'topper', 'silica');
        $this->actingAs($owner)
            ->postJson(
                "/api/v1/vehicles/{$vehicle->id}/turns",
                $this->turn([
                    'worked_at' => '2026-09-01T09:00:00Z',
                    'products' => [['product_id' => $topper->id, 'zone' => 'paint']],
                ]),
            )
            ->assertCreated();
        $this->postJson(
            "/api/v1/vehicles/{$vehicle->id}/turns",
            $this->turn([
                'worked_at' => '2026-10-01T09:00:00Z',
                'readings' => [['stage' => 'after_wash', 'zone' => 'paint', 'behaviour' => 'tight']],
            ]),
        )->assertCreated();
        $failed = $this->postJson(
            "/api/v1/vehicles/{$vehicle->id}/turns",
            $this->turn([
                'worked_at' => '2026-11-01T09:00:00Z',
                'readings' => [
                    ['stage' => 'after_wash', 'zone' => 'paint', 'behaviour' => 'weak'],
                    ['stage' => 'after_decon', 'zone' => 'paint', 'behaviour' => 'weak'],
                ],
            ]),
        )
            ->assertCreated()
            ->json();

        self::assertSame('topper-spent', $failed['entries'][0]['diagnoses'][0]['verdict']);
        self::assertContains('topper', $failed['entries'][0]['next_kinds']);
        $layer = $this->inside($workspace, static fn() => Layer::query()->where('kind', 'topper')->firstOrFail());
        // Thirty days idle at 0.75 a week and one wash; then thirty-one more and another.
        self::assertEqualsWithDelta((0.75 * 30) / 7 + 0.25, $layer->held, 1e-6);
        self::assertEqualsWithDelta((0.75 * 61) / 7 + 0.5, $layer->failed, 1e-6);
        $film = $this->getJson('/api/v1/film')->assertOk()->json('ribbons.0');
        self::assertSame(['failed', '2026-11-01T09:00:00Z'], [$film['state'], $film['due_at']]);
    }

    public function testFlatOnACleanSurfaceIsClearedByALaterReading(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $this->actingAs($owner)
            ->postJson(
                "/api/v1/vehicles/{$vehicle->id}/turns",
                $this->turn([
                    'worked_at' => '2026-11-05T09:00:00Z',
                    'readings' => [['stage' => 'after_wash', 'zone' => 'paint', 'behaviour' => 'weak']],
                ]),
            )
            ->assertCreated();
        self::assertNull($this->layer($vehicle)->failed, 'one clean reading says clogged or spent');
        self::assertNotNull($this->layer($vehicle)->suspect_at);
        self::assertContains(
            'decon',
            $this->getJson("/api/v1/vehicles/{$vehicle->id}/turns")->json('data.0.entries.0.next_kinds'),
        );
        $this->postJson(
            "/api/v1/vehicles/{$vehicle->id}/turns",
            $this->turn(['readings' => [['stage' => 'after_wash', 'zone' => 'paint', 'behaviour' => 'good']]]),
        )->assertCreated();
        self::assertNull($this->layer($vehicle)->suspect_at);
        self::assertNull($this->layer($vehicle)->failed);
        self::assertNotNull($this->layer($vehicle)->held);
    }

    public function testACorrectionKeepsTheOldValueAndRebuildsWhatFollowed(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace, 'ceramic', '2026-01-10');
        [$silica, $wax] = [$this->product($workspace, 'topper', 'silica'), $this->product($workspace, 'topper', 'wax')];
        $turn = $this->actingAs($owner)
            ->postJson(
                "/api/v1/vehicles/{$vehicle->id}/turns",
                $this->turn(['products' => [['product_id' => $wax->id, 'zone' => 'paint']]]),
            )
            ->assertCreated()
            ->json();
        self::assertContains(
            ['code' => 'masks-layer', 'severity' => 'block'],
            $turn['entries'][0]['products'][0]['remarks'],
        );
        $corrected = $this->turn([
            'products' => [['product_id' => $silica->id, 'zone' => 'paint']],
            'reason' => 'Wrong bottle ticked',
        ]);

        $this->assertProblem($this->postJson("/api/v1/turns/{$turn['id']}/corrections", $corrected), 428, 'If-Match');
        $this->assertProblem(
            $this->postJson(
                "/api/v1/turns/{$turn['id']}/corrections",
                [...$corrected, 'reason' => ''],
                ['If-Match' => '"1"'],
            ),
            422,
            'why the record is corrected',
            '/reason',
        );
        $answer = $this->postJson("/api/v1/turns/{$turn['id']}/corrections", $corrected, ['If-Match' => '"1"'])
            ->assertCreated()
            ->json();

        self::assertSame(2, $answer['revisions']);
        self::assertSame(
            [$silica->id, $wax->id],
            [$answer['entries'][0]['products'][0]['product_id'], $answer['entries'][1]['products'][0]['product_id']],
        );
        self::assertSame(
            'silica-spray',
            $this->inside($workspace, static fn() => Layer::query()->where('kind', 'topper')->sole())->family,
        );
        // A second editor who read the first version is told, and sees what is saved now.
        $late = $this->postJson(
            "/api/v1/turns/{$turn['id']}/corrections",
            [...$corrected, 'soil' => 4],
            ['If-Match' => '"1"'],
        );
        $this->assertProblem($late, 412, 'changed by someone else');
        self::assertSame('Wrong bottle ticked', $late->json('current.entries.0.reason'));
    }

    public function testARepeatedSubmitIsOneTurn(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $body = $this->turn(['id' => Str::uuid7()->toString()]);
        $first = $this->actingAs($owner)
            ->postJson("/api/v1/vehicles/{$vehicle->id}/turns", $body, ['Idempotency-Key' => 'wet-thumb'])
            ->assertCreated();
        $again = $this->postJson("/api/v1/vehicles/{$vehicle->id}/turns", $body, ['Idempotency-Key' => 'wet-thumb'])
            ->assertCreated()
            ->assertHeader('Idempotent-Replayed', 'true');
        self::assertSame($first->json(), $again->json());
        self::assertSame(1, $this->inside($workspace, static fn() => TurnEntry::query()->count()));
        $this->assertProblem(
            $this->postJson(
                "/api/v1/vehicles/{$vehicle->id}/turns",
                [...$body, 'soil' => 5],
                ['Idempotency-Key' => 'wet-thumb'],
            ),
            409,
            'different request',
        );
        // Without a key, the id made on the device still says it is the same turn.
        $this->assertProblem(
            $this->postJson("/api/v1/vehicles/{$vehicle->id}/turns", $body),
            422,
            'saved already',
            '/id',
        );
    }

    public function testARefusedRequestUsesUpNoKey(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $this->assertProblem(
            $this->actingAs($owner)->postJson("/api/v1/vehicles/{$vehicle->id}/turns", $this->turn(['soil' => 9]), [
                'Idempotency-Key' => 'k',
            ]),
            422,
            'How dirty was it',
            '/soil',
        );
        $this->postJson("/api/v1/vehicles/{$vehicle->id}/turns", $this->turn(), [
            'Idempotency-Key' => 'k',
        ])->assertCreated();
    }

    public function testNonsenseIsRefusedInASentence(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $this->inside(
            $workspace,
            static fn() => Vehicle::query()
                ->whereKey($vehicle->id)
                ->update(['in_service_on' => '2026-10-01']),
        );
        $this->actingAs($owner);
        $turns = "/api/v1/vehicles/{$vehicle->id}/turns";
        $this->assertProblem(
            $this->postJson($turns, $this->turn(['worked_at' => '2026-11-26T09:00:00Z'])),
            422,
            'still to come',
            '/worked_at',
        );
        $this->assertProblem(
            $this->postJson($turns, $this->turn(['worked_at' => '2026-09-01T09:00:00Z'])),
            422,
            'on the road since 2026-10-01',
            '/worked_at',
        );
        $this->assertProblem(
            $this->postJson($turns, $this->turn(['worked_at' => '2026-02-30T09:00:00Z x'])),
            422,
            'date',
            '/worked_at',
        );
        $this->assertProblem(
            $this->postJson(
                $turns,
                $this->turn(['readings' => [['stage' => 'arrival', 'zone' => 'paint', 'behaviour' => 'wet']]]),
            ),
            422,
            'invalid',
            '/readings/0/behaviour',
        );
        $this->assertProblem(
            $this->postJson(
                $turns,
                $this->turn([
                    'readings' => array_fill(0, 2, ['stage' => 'arrival', 'zone' => 'paint', 'behaviour' => 'flat']),
                ]),
            ),
            422,
            'two readings of the same stage',
            '/readings/1/stage',
        );
        $layers = "/api/v1/vehicles/{$vehicle->id}/layers";
        $layer = ['zone' => 'wheels', 'kind' => 'base', 'family' => 'polymer'];
        $this->assertProblem(
            $this->postJson($layers, [...$layer, 'on' => '2026-09-01']),
            422,
            'nothing can have been on it before',
            '/on',
        );
        $this->assertProblem($this->postJson($layers, [...$layer, 'on' => '2027-01-01']), 422, 'still to come', '/on');
        $this->assertProblem(
            $this->postJson($layers, [...$layer, 'on' => '2026-02-30']),
            422,
            'not a date that exists',
            '/on',
        );
        $this->assertProblem(
            $this->postJson('/api/v1/products', [
                'name' => 'X',
                'role' => 'soap',
                'surfaces' => ['paint'],
                'dilutions' => ['bucket' => '3:7'],
            ]),
            422,
            'Which side is the product?',
            '/dilutions/bucket',
        );
        self::assertSame(0, $this->inside($workspace, static fn() => DB::table('turns')->count()));
    }

    public function testLearningFromOneVehicleMovesAnother(): void
    {
        [$owner, $workspace] = $this->business();
        $topper = $this->product($workspace, 'topper', 'silica');
        $this->actingAs($owner);
        [$teacher, $pupil] = [
            $this->vehicle($workspace, 'ceramic', '2026-01-10', 'Teacher'),
            $this->vehicle($workspace, 'ceramic', '2026-01-10', 'Pupil'),
        ];
        $use = [['product_id' => $topper->id, 'zone' => 'paint']];
        foreach ([$teacher, $pupil] as $vehicle) {
            $this->postJson(
                "/api/v1/vehicles/{$vehicle->id}/turns",
                $this->turn(['worked_at' => '2026-10-20T09:00:00Z', 'products' => $use]),
            )->assertCreated();
        }
        $before = $this->dueOf($owner, $pupil, 'topper');
        // The teacher's topper is gone after three weeks: far sooner than the label says.
        $this->postJson(
            "/api/v1/vehicles/{$teacher->id}/turns",
            $this->turn([
                'worked_at' => '2026-11-10T09:00:00Z',
                'readings' => [['stage' => 'after_decon', 'zone' => 'paint', 'behaviour' => 'flat']],
            ]),
        )->assertCreated();
        self::assertLessThan($before, $this->dueOf($owner, $pupil, 'topper'));
    }

    private function layer(Vehicle $vehicle): Layer
    {
        return $this->inside(
            (new Workspace())->forceFill(['id' => $vehicle->workspace_id]),
            static fn() => Layer::query()->where('vehicle_id', $vehicle->id)->sole(),
        );
    }

    private function dueOf(User $user, Vehicle $vehicle, string $kind = 'base'): string
    {
        foreach (
            (array) $this->actingAs($user)
                ->getJson("/api/v1/vehicles/{$vehicle->id}")
                ->assertOk()
                ->json('layers')
            as $layer
        ) {
            if ($layer['kind'] === $kind && $layer['ended_on'] === null) {
                return (string) $layer['forecast']['due_on'];
            }
        }
        self::fail("There is no {$kind} on it.");
    }
}
