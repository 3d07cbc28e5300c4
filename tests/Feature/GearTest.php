<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Book\Site;
use App\Shelf\Gear;
use App\Shelf\GearEvent;
use App\Tenancy\Workspace;
use Carbon\CarbonImmutable;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\TestCase;

/** Gear with its history, water as it is read, what to mix, labels, and a day's round. */
final class GearTest extends TestCase
{
    private const MILD = ['air_c' => 14, 'rh' => 0.7, 'wind_m_s' => 2, 'sun_w_m2' => 100];

    public function testALanceIsCalibratedAndWhatWasMeasuredStays(): void
    {
        [$owner] = $this->business();
        $this->actingAs($owner);
        $lance = $this->gear('lance', 'Short lance', ['ml' => 1000]);
        self::assertNull($lance['calibration']);
        $path = "/api/v1/gear/{$lance['id']}/events";
        $first = $this->postJson(
            $path,
            ['kind' => 'calibration', 'facts' => ['washer_l_min' => 8, 'bottle_ml' => 1000, 'empties_s' => 120]],
            ['Idempotency-Key' => 'first'],
        )
            ->assertCreated()
            ->json();
        self::assertEqualsWithDelta(0.5 / 8.5, $first['calibration']['carry'], 1e-9);
        $this->postJson(
            $path,
            ['kind' => 'calibration', 'facts' => ['washer_l_min' => 8, 'bottle_ml' => 1000, 'empties_s' => 120]],
            ['Idempotency-Key' => 'first'],
        )->assertCreated();
        $this->clock->modify('+1 day');
        $second = $this->postJson($path, [
            'kind' => 'calibration',
            'facts' => ['washer_l_min' => 8, 'bottle_ml' => 1000, 'empties_s' => 90],
        ])
            ->assertCreated()
            ->json();
        self::assertCount(2, $second['events'], 'The repeat did not double it, and the first stands.');
        self::assertEqualsWithDelta(90, $second['calibration']['empties_s'], 1e-9);
        foreach (
            [
                [
                    ['kind' => 'calibration', 'facts' => ['washer_l_min' => 0, 'bottle_ml' => 1000, 'empties_s' => 90]],
                    'Fill a bucket',
                    '/facts/washer_l_min',
                ],
                [
                    ['kind' => 'calibration', 'facts' => ['washer_l_min' => 8, 'bottle_ml' => 1000, 'empties_s' => 0]],
                    'in no time',
                    '/facts/empties_s',
                ],
                [['kind' => 'calibration', 'facts' => ['washer_l_min' => 8]], 'number is needed', '/facts/bottle_ml'],
                [['kind' => 'level', 'facts' => ['l' => 3]], 'only done to a tank', '/kind'],
            ]
            as [$wrong, $says, $pointer]
        ) {
            $this->assertProblem($this->postJson($path, $wrong), 422, $says, $pointer);
        }
    }

    public function testHistoryCanNotBeRewritten(): void
    {
        [$owner, $workspace] = $this->business();
        $this->actingAs($owner);
        $lance = $this->gear('lance', 'Short lance', ['ml' => 1000]);
        $this->postJson("/api/v1/gear/{$lance['id']}/events", [
            'kind' => 'calibration',
            'facts' => ['washer_l_min' => 8, 'bottle_ml' => 1000, 'empties_s' => 120],
        ])->assertCreated();
        $this->expectException(QueryException::class);
        $this->inside($workspace, static fn() => DB::table('gear_events')->update(['facts' => '{}']));
    }

    /** What visits are laid out with reads the newest of each kind and sums: the same as all of it says. */
    public function testGearAsItStandsIsWhatAllItsEventsComeTo(): void
    {
        [$owner, $workspace] = $this->business();
        $this->actingAs($owner);
        $chance = new Randomizer(new Mt19937(5));
        $made = [
            'towel' => $this->gear('towel', 'Wheel towels', ['count' => 40, 'use' => 'wheels']),
            'tank' => $this->gear('tank', 'Tank', ['l' => 100, 'on_below_l' => 20]),
            'lance' => $this->gear('lance', 'Short lance', ['ml' => 1000]),
        ];
        $this->gear('towel', 'Never used', ['count' => 4, 'use' => 'wash']);
        for ($i = 0; $i < 30; $i++) {
            [$of, $kind, $facts] = [
                ['towel', 'used', ['count' => $chance->getInt(1, 6)]],
                ['towel', 'washed', ['count' => 1]],
                ['tank', 'level', ['l' => $chance->getInt(0, 100)]],
                ['lance', 'calibration', ['washer_l_min' => 8, 'bottle_ml' => 1000, 'empties_s' => 90 + $i]],
            ][$chance->getInt(0, 3)];
            $this->inside(
                $workspace,
                static fn() => GearEvent::query()->create([
                    'gear_id' => $made[$of]['id'],
                    'kind' => $kind,
                    'facts' => $facts,
                    // Some of them at one moment.
                    'at' => CarbonImmutable::parse('2026-11-01')->addHours(intdiv($chance->getInt(0, 20), 2)),
                ]),
            );
        }
        $said = static fn(Gear $one): array => [
            $one->name,
            $one->dirty(),
            $one->laundered(),
            $one->lance()?->drawLMin,
            $one->events->firstWhere('kind', 'level')?->facts,
            $one->events->first()?->id,
        ];

        [$whole, $stands, $read] = $this->inside(
            $workspace,
            static fn(): array => [
                Gear::query()->with('events')->orderBy('name')->get()->map($said)->all(),
                Gear::query()->asItStands()->orderBy('name')->get()->map($said)->all(),
                Gear::query()->asItStands()->get()->sum(static fn(Gear $one): int => $one->events->count()),
            ],
        );

        self::assertSame($whole, $stands);
        self::assertSame(4, $read);
    }

    public function testGearIsCheckedByKindAndEditedByVersion(): void
    {
        [$owner] = $this->business();
        [$stranger] = $this->business('Elsewhere');
        $this->actingAs($owner);
        foreach (
            [
                ['kind' => 'washer', 'facts' => ['l_min' => 0], 'pointer' => '/facts/l_min'],
                ['kind' => 'tank', 'facts' => ['l' => 100, 'on_below_l' => 140], 'pointer' => '/facts/on_below_l'],
                ['kind' => 'bottle', 'facts' => ['ml' => 500, 'shine' => 1], 'pointer' => '/facts/shine'],
                ['kind' => 'spoon', 'facts' => [], 'pointer' => '/kind'],
            ]
            as $wrong
        ) {
            $this->assertProblem(
                $this->postJson('/api/v1/gear', ['name' => 'X', 'kind' => $wrong['kind'], 'facts' => $wrong['facts']]),
                422,
                '',
                $wrong['pointer'],
            );
        }
        $bottle = $this->gear('bottle', 'Half litre', ['ml' => 500]);
        $this->patchJson("/api/v1/gear/{$bottle['id']}", ['facts' => ['ml' => 600]], ['If-Match' => '"1"'])
            ->assertOk()
            ->assertJsonPath('facts.ml', 600);
        $this->patchJson("/api/v1/gear/{$bottle['id']}", ['name' => 'Late'], ['If-Match' => '"1"'])
            ->assertStatus(412)
            ->assertJsonPath('current.facts.ml', 600);
        Auth::forgetGuards();
        $this->actingAs($stranger, 'web')
            ->patchJson("/api/v1/gear/{$bottle['id']}", ['name' => 'Mine'], ['If-Match' => '"2"'])
            ->assertNotFound();
        self::assertSame([], $this->getJson('/api/v1/gear')->json('data'));
    }

    public function testReadingsBecomeTheSitesAndTheResinRunsDown(): void
    {
        [$owner, $workspace] = $this->business();
        $this->actingAs($owner);
        $site = $this->site($workspace, 120);
        $this->gear('resin', 'Mixed bed', ['l' => 5, 'capacity_g_per_l' => 12]);
        self::assertNull($this->getJson('/api/v1/water')->assertOk()->json('resin.litres_left'));
        $note = fn(array $more): array => $this->postJson('/api/v1/water/readings', ['site_id' => $site->id, ...$more])
            ->assertCreated()
            ->json();
        $note(['point' => 'tap', 'tds_mg_l' => 318]);
        self::assertSame(318.0, $this->inside($workspace, static fn(): ?float => $site->refresh()->tds_mg_l));
        $note(['point' => 'ro', 'tds_mg_l' => 20, 'litres' => 1000, 'at' => '2026-11-11T09:00:00Z']);
        $note(['point' => 'ro', 'tds_mg_l' => 20, 'litres' => 500, 'at' => '2026-11-25T09:00:00Z']);
        $resin = $this->getJson('/api/v1/water')->assertOk()->json('resin');
        self::assertEqualsWithDelta(30.0, $resin['used_g'], 1e-9);
        self::assertEqualsWithDelta(0.5, $resin['share_left'], 1e-9);
        self::assertEqualsWithDelta(1500.0, $resin['litres_left'], 1e-9);
        self::assertEqualsWithDelta(1500.0 / (14.125 / 7.0), $resin['litres_a_week'], 0.1);
        self::assertGreaterThan('2026-12-05', $resin['runs_out_on']);
        self::assertEqualsCanonicalizing(
            ['ro', 'ro', 'tap'],
            array_column((array) $this->getJson('/api/v1/water/readings')->json('data'), 'point'),
        );
        $this->assertProblem(
            $this->postJson('/api/v1/water/readings', ['point' => 'tap', 'tds_mg_l' => -4]),
            422,
            '',
            '/tds_mg_l',
        );
    }

    public function testThePenAndTheThermometerShowTheSameWithinAMinuteAndDifferInTheNext(): void
    {
        [$owner, $workspace] = $this->business();
        $site = $this->site($workspace, 300);
        $dip = fn(string $point = 'tap'): float => (float) $this->actingAs($owner)
            ->postJson('/api/v1/devices/pen', ['site_id' => $site->id, 'point' => $point])
            ->assertOk()
            ->json('tds_mg_l');
        $first = $dip();
        self::assertSame($first, $dip());
        self::assertEqualsWithDelta(300.0, $first, 30.0);
        self::assertLessThan(30.0, $dip('ro'));
        self::assertLessThan(8.0, $dip('treated'));
        $aim = fn(string $tone, string $exposure): float => (float) $this->postJson('/api/v1/devices/thermometer', [
            'site_id' => $site->id,
            'tone' => $tone,
            'exposure' => $exposure,
            'at' => '2026-07-01T13:00:00Z',
        ])
            ->assertOk()
            ->json('panel_c');
        self::assertGreaterThan($aim('white', 'flat'), $aim('black', 'flat'));
        self::assertGreaterThan($aim('black', 'shade'), $aim('black', 'flat'));
    }

    /** Until somebody holds the pen into it, what the waterworks say of a tap counts for what is in it at least. */
    public function testTheHardnessOfATapStandsInForItsSolids(): void
    {
        [$owner, $workspace] = $this->business();
        $this->actingAs($owner);
        $vehicle = $this->vehicle($workspace, since: '2026-10-01');
        $site = $this->postJson('/api/v1/sites', ['name' => 'South yard', 'hardness_mg_l' => 428.4])->assertCreated();
        $at = ['If-Match' => (string) $this->getJson("/api/v1/vehicles/{$vehicle->id}")->headers->get('ETag')];
        $this->patchJson("/api/v1/vehicles/{$vehicle->id}", ['site_id' => $site->json('id')], $at)->assertOk();
        $match = fn(): array => $this->postJson('/api/v1/bench/match', [
            'vehicle_id' => $vehicle->id,
            'seen' => ['soil' => 3, 'wheel_soil' => 2],
            'place' => $this->getJson("/api/v1/bench/expected?vehicle={$vehicle->id}")
                ->assertOk()
                ->json('place'),
            'weather' => self::MILD,
            'panel_c' => 15,
        ])
            ->assertOk()
            ->json();
        $by = $match();
        self::assertStringStartsWith('The tap, by its hardness, ', $by['final_rinse']['why']);
        self::assertStringContainsString('428 mg/l', $by['final_rinse']['why']);
        self::assertContains('Of the tap water only the hardness is known; there may be more in it.', $by['assumed']);
        $this->postJson('/api/v1/water/readings', [
            'point' => 'tap',
            'tds_mg_l' => 90,
            'site_id' => $site->json('id'),
        ])->assertCreated();
        self::assertStringContainsString('90 mg/l', $match()['final_rinse']['why'], 'What was measured counts.');
        self::assertSame(428.4, (float) $this->getJson("/api/v1/sites/{$site->json('id')}")->json('hardness_mg_l'));
        $this->patchJson('/api/v1/workspace', ['hardness_unit' => 'gpg'], ['If-Match' => '"1"'])
            ->assertOk()
            ->assertJsonPath('hardness_unit', 'gpg');
        $this->patchJson(
            '/api/v1/workspace',
            ['hardness_unit' => 'pints'],
            ['If-Match' => '"2"'],
        )->assertUnprocessable();
    }

    public function testATurnIsMixedInTheGearAtHand(): void
    {
        [$owner, $workspace] = $this->business();
        $this->actingAs($owner);
        $vehicle = $this->vehicle($workspace, since: '2026-10-01');
        $lance = $this->gear('lance', 'Short lance', ['ml' => 1000]);
        $this->gear('bucket', 'Grey bucket', ['ml' => 15000]);
        $asked = [
            'vehicle_id' => $vehicle->id,
            'seen' => ['soil' => 3, 'wheel_soil' => 2],
            'place' => ['water' => 'tap', 'tap_tds_mg_l' => 100],
            'weather' => self::MILD,
            'panel_c' => 15,
        ];
        $foam = fn(): array => array_values(
            array_filter(
                $this->postJson('/api/v1/bench/doses', $asked)->assertOk()->json('fills'),
                static fn(array $fill): bool => $fill['kind'] === 'lance',
            ),
        )[0];
        self::assertNull($foam()['product_ml']);
        self::assertLessThan($foam()['product_high_ml'], $foam()['product_low_ml']);
        $this->postJson("/api/v1/gear/{$lance['id']}/events", [
            'kind' => 'calibration',
            'facts' => ['washer_l_min' => 8, 'bottle_ml' => 1000, 'empties_s' => 120],
        ])->assertCreated();
        $fill = $foam();
        // 1 % at the panel through a lance that carries 1 in 17.
        self::assertEqualsWithDelta(0.17, $fill['product_ml'] / $fill['mix_ml'], 0.002);
        $all = $this->postJson('/api/v1/bench/doses', $asked)->json('fills');
        self::assertSame('Plain water', $all[0]['product']);
        self::assertSame('Grey bucket', $all[0]['vessel']);
    }

    public function testLabelsArePrintedAtTheirSizeAndMindWhatIsWrittenOnThem(): void
    {
        [$owner] = $this->business();
        $label = [
            'name' => '<b>Foam</b> & more',
            'dilution' => '1:17',
            'mixed_on' => '2026-11-25',
            'caution' => 'Slippery.',
            'copies' => 2,
        ];
        $pdf = (string) $this->actingAs($owner)
            ->postJson('/api/v1/labels', ['size' => 'small', 'labels' => [$label]])
            ->assertOk()
            ->assertHeader('Content-Type', 'application/pdf')
            ->getContent();
        self::assertStringStartsWith('%PDF-', $pdf);
        self::assertSame(2, preg_match_all('/\/Type\s*\/Page\b/', $pdf));
        self::assertMatchesRegularExpression(
            '/\/MediaBox\s*\[\s*0(\.0+)?\s+0(\.0+)?\s+141\.7\d*\s+70\.8\d*\s*\]/',
            $pdf,
        );
        // However much is written, a label stays one label.
        foreach (['small', 'medium', 'large'] as $size) {
            $long = (string) $this->postJson('/api/v1/labels', [
                'size' => $size,
                'labels' => [
                    [
                        'name' => str_repeat('Foaming Wash ', 6),
                        'dilution' => '1 : 15 (6.25 %) in the sprayer',
                        'mixed_on' => '2026-11-25',
                        'caution' => str_repeat('Gloves and goggles. ', 8),
                    ],
                ],
            ])
                ->assertOk()
                ->getContent();
            self::assertSame(1, preg_match_all('/\/Type\s*\/Page\b/', $long), $size);
        }
        $this->assertProblem(
            $this->postJson('/api/v1/labels', ['size' => 'huge', 'labels' => [$label]]),
            422,
            '',
            '/size',
        );
    }

    public function testARoundIsLaidDrawnByTheHourAndRunsTheTank(): void
    {
        [$owner, $workspace] = $this->business();
        $this->actingAs($owner);
        $site = $this->site($workspace, 320);
        $vehicles = [
            $this->vehicle($workspace, name: 'First'),
            $this->vehicle($workspace, name: 'Second'),
            $this->vehicle($workspace, name: 'Third'),
        ];
        foreach ($vehicles as $vehicle) {
            $this->patchJson(
                "/api/v1/vehicles/{$vehicle->id}",
                ['site_id' => $site->id, 'tone' => 'black', 'paint_m2' => 12],
                ['If-Match' => '"1"'],
            )->assertOk();
        }
        $tank = $this->gear('tank', 'Van tank', ['l' => 100, 'on_below_l' => 60]);
        $this->postJson("/api/v1/gear/{$tank['id']}/events", [
            'kind' => 'level',
            'facts' => ['l' => 60],
        ])->assertCreated();
        $ids = array_map(static fn($vehicle): string => $vehicle->id, [$vehicles[1], $vehicles[0], $vehicles[2]]);
        $round = $this->putJson('/api/v1/round', ['on' => '2026-07-01', 'vehicle_ids' => $ids])
            ->assertOk()
            ->json();
        self::assertSame(['Second', 'First', 'Third'], array_column($round['stops'], 'name'));
        self::assertCount(13, $round['stops'][0]['hours']);
        $noon = array_values(
            array_filter(
                $round['stops'][0]['hours'],
                static fn(array $hour): bool => str_contains($hour['at'], 'T13:00'),
            ),
        )[0];
        $early = $round['stops'][0]['hours'][0];
        self::assertGreaterThan($early['panel_c'], $noon['panel_c']);
        self::assertEqualsWithDelta(2.2 * 12, $round['stops'][0]['treated_l'], 0.1);
        self::assertSame($vehicles[2]->id, $round['tank']['dry_at_vehicle'], 'Sixty litres last for two and a bit.');
        self::assertEqualsWithDelta(3 * 26.4 - 60.0, $round['tank']['short_l'], 0.2);
        $this->putJson('/api/v1/round', ['on' => '2026-07-01', 'vehicle_ids' => array_slice($ids, 0, 1)])->assertOk();
        self::assertSame(
            ['Second'],
            array_column($this->getJson('/api/v1/round?on=2026-07-01')->json('stops'), 'name'),
        );
        self::assertSame([], $this->getJson('/api/v1/round?on=2026-07-02')->json('stops'));
        $this->assertProblem($this->putJson('/api/v1/round', ['on' => 'soon', 'vehicle_ids' => []]), 422, '', '/on');
    }

    /**
     * @param array<string, float|int|string> $facts
     * @return array<string, mixed>
     */
    private function gear(string $kind, string $name, array $facts): array
    {
        return $this->postJson('/api/v1/gear', ['kind' => $kind, 'name' => $name, 'facts' => $facts])
            ->assertCreated()
            ->json();
    }

    private function site(Workspace $workspace, float $tds): Site
    {
        return $this->inside(
            $workspace,
            static fn(): Site => Site::query()
                ->create([
                    'name' => 'North yard',
                    'water' => 'tap',
                    'tds_mg_l' => $tds,
                    'latitude' => 57.3,
                    'longitude' => -7.0,
                ])
                ->refresh(),
        );
    }
}
