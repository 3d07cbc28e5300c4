<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Book\Layer;
use App\Book\Vehicle;
use App\Shelf\Product;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Tests\TestCase;

/**
 * What the water says part by part, and what the film answers: any point of it, washes moved, seasons, yearly looks.
 * The clock stands at noon, 25 November 2026.
 */
final class WaterTest extends TestCase
{
    public function testPartsAreKeptAndTalkedOver(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $this->actingAs($owner);
        $read = static fn(string $part, string $behaviour, ?float $sheets = null): array => [
            'stage' => 'after_wash',
            'zone' => 'paint',
            'part' => $part,
            'behaviour' => $behaviour,
            'sheets_s' => $sheets,
        ];
        $entry = $this->postJson(
            "/api/v1/vehicles/{$vehicle->id}/turns",
            $this->turn([
                'worked_at' => '2026-11-04T09:00:00Z',
                'readings' => [$read('top', 'flat', 20), $read('sides', 'good'), $read('low', 'tight')],
            ]),
        )
            ->assertCreated()
            ->json('entries.0');
        $diagnosis = $entry['diagnoses'][0];
        self::assertSame(
            ['sound', 'top', 'sun-or-spots'],
            [$diagnosis['verdict'], $diagnosis['parts'][0]['part'], $diagnosis['parts'][0]['cause']],
        );
        self::assertEqualsWithDelta(20.0, array_column($entry['readings'], 'sheets_s', 'part')['top'], 1e-9);
        $held = $this->inside(
            $workspace,
            static fn(): ?float => Layer::query()->where('vehicle_id', $vehicle->id)->sole()->held,
        );
        self::assertNotNull($held, 'the middle part speaks for the layer');
        $later = $this->postJson(
            "/api/v1/vehicles/{$vehicle->id}/turns",
            $this->turn(['worked_at' => '2026-11-18T09:00:00Z', 'readings' => [$read('whole', 'good', 45)]]),
        )
            ->assertCreated()
            ->json('entries.0.diagnoses.0');
        self::assertStringContainsString('45 seconds to leave, 20 last time', $later['says']);
        $this->assertProblem(
            $this->postJson(
                "/api/v1/vehicles/{$vehicle->id}/turns",
                $this->turn([
                    'readings' => [['stage' => 'arrival', 'zone' => 'wheels', 'part' => 'low', 'behaviour' => 'good']],
                ]),
            ),
            422,
            'Only the paint is read part by part.',
            '/readings/0/part',
        );
        $this->assertProblem(
            $this->postJson(
                "/api/v1/vehicles/{$vehicle->id}/turns",
                $this->turn(['readings' => [$read('low', 'good'), $read('low', 'flat')]]),
            ),
            422,
            'There are two readings of the same stage and place',
            '/readings/1/stage',
        );
    }

    public function testAnyPointOfTheRibbonIsExplained(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $this->actingAs($owner);
        $this->postJson(
            "/api/v1/vehicles/{$vehicle->id}/turns",
            $this->turn([
                'worked_at' => '2026-11-11T09:00:00Z',
                'readings' => [['stage' => 'after_wash', 'zone' => 'paint', 'behaviour' => 'tight']],
            ]),
        )->assertCreated();
        $at = fn(string $on) => $this->getJson("/api/v1/vehicles/{$vehicle->id}/film/point?on={$on}")
            ->assertOk()
            ->json('point');
        self::assertNull($at('2026-10-01'), 'nothing was on yet');
        [$then, $today, $ahead] = [$at('2026-11-05'), $at('2026-11-25'), $at('2026-12-20')];
        self::assertGreaterThan($today['left'], $then['left']);
        self::assertGreaterThan($ahead['holds'], $today['holds']);
        self::assertEquals(1.0, $then['holds'], 'it was read to hold later');
        self::assertSame([0, 1], [$then['account']['washes'], $today['account']['washes']]);
        self::assertStringContainsString('driving', $today['says']);
        self::assertTrue($ahead['ahead']);
        self::assertEqualsWithDelta(
            $this->getJson("/api/v1/vehicles/{$vehicle->id}/film")->json('ribbons.0.left'),
            $today['left'],
            2e-3,
            'the film and its explanation agree',
        );
        $this->assertProblem(
            $this->getJson("/api/v1/vehicles/{$vehicle->id}/film/point?on=tomorrow"),
            422,
            'a date that exists',
        );
    }

    public function testWhatEndedIsDrawnByWhatWasRead(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace, 'ceramic', '2025-05-01');
        $topper = $this->product($workspace, 'topper', 'silica');
        $this->actingAs($owner);
        $turn = fn(string $on, ?string $behaviour, bool $topped) => $this->read(
            $vehicle,
            $topper,
            $on,
            $behaviour,
            $topped,
        );
        $turn('2026-10-01', null, true);
        $turn('2026-10-08', 'tight', false);
        $turn('2026-10-15', 'flat', false);
        $turn('2026-11-12', null, true);
        $layer = $this->inside(
            $workspace,
            static fn(): Layer => Layer::query()->where('kind', 'topper')->whereNotNull('ended_at')->sole(),
        );
        self::assertGreaterThan($layer->held, $layer->lived);
        self::assertLessThanOrEqual($layer->failed, $layer->lived, 'it lived until between the two readings');
        $points = array_column(
            $this->getJson("/api/v1/vehicles/{$vehicle->id}/film")->json('ribbons.0.segments'),
            'points',
            'layer_id',
        )[$layer->id];
        self::assertEqualsWithDelta(0.0, end($points)['left'], 1e-9, 'spent before it was renewed');
    }

    public function testMovingAToppersDayMovesItsRisk(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $topper = $this->product($workspace, 'topper', 'silica');
        $this->actingAs($owner);
        $try = fn(array $body) => $this->postJson("/api/v1/vehicles/{$vehicle->id}/film/try", $body);
        $stands = $try([])->assertOk()->json();
        self::assertSame($stands['stands'], $stands['tried']);
        $with = fn(string $on): array => $try([
            'washes' => ['2026-12-01', '2026-12-15', '2027-01-12'],
            'toppers' => [['on' => $on, 'product_id' => $topper->id]],
        ])
            ->assertOk()
            ->json('tried');
        [$soon, $later] = [$with('2026-12-01'), $with('2027-01-12')];
        self::assertLessThan($later['spent_before'], $soon['spent_before']);
        self::assertLessThan($stands['stands']['below_days'], $soon['below_days']);
        self::assertSame([false, true], array_column($soon['layers'], 'fresh'));
        $twice = $try([
            'washes' => ['2026-12-01', '2026-12-15', '2027-01-12'],
            'toppers' => [
                ['on' => '2027-01-12', 'product_id' => $topper->id],
                ['on' => '2026-12-01', 'product_id' => $topper->id],
            ],
        ])
            ->assertOk()
            ->json('tried');
        self::assertSame([false, true, true], array_column($twice['layers'], 'fresh'));
        self::assertLessThanOrEqual($soon['below_days'], $twice['below_days']);
        self::assertGreaterThan('2026-12-01', $soon['layers'][1]['due_on']);
        $this->assertProblem($try(['washes' => ['2026-11-01']]), 422, 'That day is over');
        $this->assertProblem($try(['washes' => ['2027-09-01']]), 422, 'So far ahead nothing is reckoned');
        self::assertStringContainsString(
            'needs a wash on its day',
            implode(
                ' ',
                $try([
                    'washes' => ['2026-12-01'],
                    'toppers' => [['on' => '2026-12-05', 'product_id' => $topper->id]],
                ])->json('says'),
            ),
        );
        self::assertSame(
            1,
            $this->inside($workspace, static fn(): int => Layer::query()->count()),
            'nothing was written',
        );
        [$stranger] = $this->business('Elsewhere');
        Auth::forgetGuards();
        $this->actingAs($stranger, 'web')
            ->postJson("/api/v1/vehicles/{$vehicle->id}/film/try", [])
            ->assertNotFound();
    }

    public function testSaltMonthsBringDatesForwardAndVehiclesFollow(): void
    {
        [$owner, $workspace] = $this->business();
        $follows = $this->vehicle($workspace);
        $own = $this->vehicle($workspace, name: 'The red one');
        $this->actingAs($owner);
        $due = fn(Vehicle $vehicle): string => $this->getJson("/api/v1/vehicles/{$vehicle->id}")->json(
            'layers.0.forecast.due_on',
        );
        $before = $due($follows);
        $this->patchJson("/api/v1/vehicles/{$own->id}", ['salt_months' => [2]], ['If-Match' => '"1"'])->assertOk();
        $this->patchJson('/api/v1/workspace', ['salt_months' => [12, 11]], ['If-Match' => '"1"'])
            ->assertOk()
            ->assertJsonPath('salt_months', [11, 12]);
        self::assertLessThan($before, $due($follows));
        self::assertSame($before, $due($own), 'it keeps its own months');
        self::assertSame([11, 12], $this->getJson("/api/v1/vehicles/{$follows->id}")->json('salt_months'));
        $account = $this->getJson("/api/v1/vehicles/{$follows->id}/film")->json('ribbons.0.account');
        self::assertGreaterThan(0.0, $account['salt']);
        self::assertEqualsWithDelta(
            $account['worn'],
            $account['standing'] +
                $account['driving'] +
                $account['salt'] +
                $account['washing'] -
                $account['given_back'],
            2e-3,
        );
        $this->assertProblem(
            $this->patchJson('/api/v1/workspace', ['salt_months' => [13]], ['If-Match' => '"2"']),
            422,
            'salt',
        );
    }

    public function testACorrectedLabelMovesEveryDateThatRestedOnIt(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace, 'ceramic', '2026-01-01');
        $topper = $this->product($workspace, 'topper', 'silica');
        $this->actingAs($owner);
        $this->postJson(
            "/api/v1/vehicles/{$vehicle->id}/turns",
            $this->turn([
                'worked_at' => '2026-11-20T09:00:00Z',
                'products' => [['product_id' => $topper->id, 'zone' => 'paint']],
            ]),
        )->assertCreated();
        $due = fn(): string => array_column(
            array_filter(
                $this->getJson("/api/v1/vehicles/{$vehicle->id}")->json('layers'),
                static fn(array $layer): bool => $layer['kind'] === 'topper',
            ),
            'forecast',
        )[0]['due_on'];
        $before = $due();
        $this->patchJson(
            "/api/v1/products/{$topper->id}",
            ['label_low_weeks' => 20, 'label_high_weeks' => 40],
            ['If-Match' => '"1"'],
        )->assertOk();
        self::assertGreaterThan($before, $due());
        $this->patchJson("/api/v1/products/{$topper->id}", ['note' => 'The bottle leaks'], ['If-Match' => '"2"']);
        Queue::fake();
        $this->patchJson("/api/v1/products/{$topper->id}", ['reorder_ml' => 100], ['If-Match' => '"3"']);
        Queue::assertNothingPushed();
    }

    public function testALastingBaseIsLookedOverOnceAYear(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace, 'ceramic', '2025-09-01');
        $this->actingAs($owner);
        $look = fn(): ?string => $this->getJson("/api/v1/vehicles/{$vehicle->id}")->json('layers.0.forecast.look_on');
        self::assertLessThanOrEqual('2026-09-01', $look(), 'a year after it went on, or as soon as its forecast asks');
        $turn = fn(bool $looked): array => $this->postJson(
            "/api/v1/vehicles/{$vehicle->id}/turns",
            $this->turn([
                'worked_at' => $looked ? '2026-11-25T09:00:00Z' : '2026-11-24T09:00:00Z',
                'looked_over' => $looked,
            ]),
        )
            ->assertCreated()
            ->json('entries.0');
        self::assertContains('inspection', $turn(false)['next_kinds'], 'the next visit is asked to');
        self::assertNotContains('inspection', $turn(true)['next_kinds']);
        self::assertGreaterThan('2027-02-01', $look());
        self::assertLessThanOrEqual('2027-11-25', $look());
        self::assertNull(
            $this->getJson("/api/v1/vehicles/{$this->vehicle($workspace)->id}")->json('layers.0.forecast.look_on'),
            'what lasts weeks is renewed, not inspected',
        );
    }

    public function testProofTellsLayersApartByFamilyWayAndWashing(): void
    {
        [$owner, $workspace] = $this->business();
        $topper = $this->product($workspace, 'topper', 'silica');
        $this->actingAs($owner);
        $this->inside(
            $workspace,
            static fn() => DB::table('products')
                ->where('id', $topper->id)
                ->update(['applied' => 'wet-rinse']),
        );
        foreach (
            ['multi-towel', 'multi-towel', 'touchless', 'touchless', 'touchless', 'multi-towel']
            as $i => $method
        ) {
            $vehicle = $this->vehicle($workspace, 'ceramic', '2025-01-01', "Vehicle {$i}");
            foreach (
                [
                    '2026-08-03' => [null, true],
                    '2026-08-17' => ['tight', false],
                    $method === 'touchless' ? '2026-10-12' : '2026-09-07' => ['flat', false],
                ]
                as $on => [$behaviour, $topped]
            ) {
                $this->read($vehicle, $topper, $on, $behaviour, $topped, $method);
            }
        }
        $groups = [];
        foreach ($this->getJson('/api/v1/proof')->assertOk()->json('groups') as $group) {
            $groups[$group['kind'] . ' ' . $group['answer']] = $group;
        }
        self::assertGreaterThan(
            $groups['method multi-towel']['median'],
            $groups['method touchless']['median'],
            'what was washed without touching held longer',
        );
        self::assertSame(6, $groups['way wet-rinse']['layers']);
        self::assertSame(6, $groups['family silica-spray']['layers']);
        self::assertTrue($groups['method touchless']['too_few'], 'three layers say little');
    }

    /** A turn on a day, with what the water did and whether the topper went on. */
    private function read(
        Vehicle $vehicle,
        Product $topper,
        string $on,
        ?string $behaviour,
        bool $topped,
        string $method = 'multi-towel',
    ): void {
        $stage = $behaviour === 'flat' ? 'after_decon' : 'after_wash';
        $this->postJson(
            "/api/v1/vehicles/{$vehicle->id}/turns",
            $this->turn([
                'worked_at' => "{$on}T09:00:00Z",
                'method' => $method,
                'readings' =>
                    $behaviour === null ? [] : [['stage' => $stage, 'zone' => 'paint', 'behaviour' => $behaviour]],
                'products' => $topped ? [['product_id' => $topper->id, 'zone' => 'paint']] : [],
            ]),
        )->assertCreated();
    }
}
