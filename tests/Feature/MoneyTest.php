<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Shelf\Product;
use Illuminate\Support\Facades\Auth;
use Tests\TestCase;

/** What turns cost, what is asked for them, what a year would come to. The clock stands at noon, 25 November 2026. */
final class MoneyTest extends TestCase
{
    public function testWhatHasNoPriceIsNotFree(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $this->inside(
            $workspace,
            static fn() => Product::query()
                ->where('role', '!=', 'soap')
                ->update(['price_minor' => 1000, 'pack_ml' => 1000]),
        );
        $answer = $this->actingAs($owner)
            ->postJson('/api/v1/quotes', ['title' => 'A year', 'vehicles' => [['vehicle_id' => $vehicle->id]]])
            ->assertCreated()
            ->json('answer');
        self::assertStringContainsString('no price is known of', implode(' ', $answer['inside']));
        self::assertGreaterThan(
            0,
            $answer['cost']['products'],
            'what has one is in it, though nothing was ever recorded',
        );
    }

    public function testATurnCostsWhatWasWrittenDownOfIt(): void
    {
        [$owner, $workspace] = $this->business();
        $estate = $this->vehicle($workspace);
        $van = $this->vehicle($workspace, 'polymer', '2026-08-01', 'The van');
        $topper = $this->product($workspace, 'topper', 'silica');
        $this->actingAs($owner);
        $site = $this->postJson('/api/v1/sites', ['name' => 'Yard', 'travel_min' => 15])
            ->assertCreated()
            ->json('id');
        foreach ([$estate, $van] as $vehicle) {
            $this->patchJson(
                "/api/v1/vehicles/{$vehicle->id}",
                ['site_id' => $site],
                ['If-Match' => '"' . $vehicle->version . '"'],
            )->assertOk();
        }
        $this->patchJson(
            "/api/v1/products/{$topper->id}",
            ['pack_ml' => 1000, 'price_minor' => 4000, 'stock_ml' => 900],
            ['If-Match' => '"' . $topper->version . '"'],
        )->assertOk();
        $tag = $this->getJson('/api/v1/rates')->assertOk()->headers->get('ETag');
        $this->putJson(
            '/api/v1/rates',
            ['currency' => '§', 'labour_minor_h' => 3000, 'travel_minor_min' => 50, 'water_minor_m3' => 400],
            ['If-Match' => $tag],
        )
            ->assertOk()
            ->assertJsonPath('currency', '§')
            ->assertJsonPath('margin_percent', 35);
        $this->assertProblem(
            $this->putJson('/api/v1/rates', ['labour_minor_h' => -1], ['If-Match' => '"2"']),
            422,
            '',
            '/labour_minor_h',
        );
        $turn = $this->postJson(
            "/api/v1/vehicles/{$estate->id}/turns",
            $this->turn([
                'minutes' => 90,
                'water_l' => 100,
                'products' => [['product_id' => $topper->id, 'zone' => 'paint', 'quantity_ml' => 50]],
                'textiles' => ['large' => 2],
            ]),
        )
            ->assertCreated()
            ->json();
        $alone = $this->getJson("/api/v1/turns/{$turn['id']}/cost")
            ->assertOk()
            ->json('cost');
        self::assertSame(
            [
                'products' => 200,
                'towels' => 2 * (12 + 4),
                'water' => 40,
                'resin' => 0,
                'time' => 4500,
                'travel' => 30 * 100,
                'total' => 7772,
            ],
            $alone,
        );
        // Two at one place on one day share the way.
        $this->postJson(
            "/api/v1/vehicles/{$van->id}/turns",
            $this->turn(['minutes' => 60, 'worked_at' => '2026-11-25T11:00:00Z']),
        )->assertCreated();
        self::assertSame(1500, $this->getJson("/api/v1/turns/{$turn['id']}/cost")->json('cost.travel'));
        $money = $this->getJson('/api/v1/money')->assertOk()->json();
        self::assertSame(['The blue estate', 'The van'], array_column($money['vehicles'], 'name'));
        self::assertSame(
            array_sum(array_column(array_column($money['vehicles'], 'cost'), 'total')),
            $money['total']['cost']['total'],
        );
        $row = $money['toppers'][0];
        self::assertSame([$topper->name, 1, 200 + 500], [$row['name'], $row['times'], $row['each_minor']]);
        self::assertEqualsWithDelta($row['each_minor'] / $row['found_weeks'], $row['found_minor'], 3);
        self::assertSame(
            1,
            count(
                $this->getJson("/api/v1/vehicles/{$estate->id}/money")
                    ->assertOk()
                    ->json('turns'),
            ),
        );
        // What has no price is named, and never the cheapest week of protection.
        $wax = $this->product($workspace, 'topper', 'wax');
        $this->postJson(
            "/api/v1/vehicles/{$van->id}/turns",
            $this->turn([
                'worked_at' => '2026-11-25T11:30:00Z',
                'products' => [['product_id' => $wax->id, 'zone' => 'paint', 'quantity_ml' => 40]],
            ]),
        )->assertCreated();
        $money = $this->getJson('/api/v1/money')->assertOk()->json();
        self::assertSame(
            [[$wax->name], [$topper->name]],
            [$money['total']['unpriced'], array_column($money['toppers'], 'name')],
        );
        self::assertSame([$wax->name], $this->getJson("/api/v1/vehicles/{$van->id}/money")->json('unpriced'));
        self::assertSame([], $this->getJson("/api/v1/turns/{$turn['id']}/cost")->json('unpriced'));
        // What the owner reckons is not everybody's.
        Auth::forgetGuards();
        $this->actingAs($this->technician($workspace), 'web');
        $this->getJson('/api/v1/money')->assertForbidden();
        $this->getJson("/api/v1/turns/{$turn['id']}/cost")->assertForbidden();
    }

    public function testAYearIsOfferedWithWhatItTakesForGranted(): void
    {
        [$owner, $workspace] = $this->business();
        $estate = $this->vehicle($workspace);
        $this->actingAs($owner);
        $programme = $this->fortnight()['id'];
        $this->putJson('/api/v1/prices', [
            'prices' => [
                ['programme_id' => null, 'body' => 'estate', 'kind' => 'wash', 'minor' => 7000],
                ['programme_id' => $programme, 'body' => 'estate', 'kind' => 'wash', 'minor' => 6200],
                ['programme_id' => null, 'body' => 'estate', 'kind' => 'topper', 'minor' => 1800],
            ],
        ])->assertOk();
        $quote = $this->postJson('/api/v1/quotes', [
            'title' => 'A year for the estate',
            'vehicles' => [['vehicle_id' => $estate->id, 'programme_id' => $programme]],
        ])
            ->assertCreated()
            ->json();
        $line = $quote['answer']['vehicles'][0];
        self::assertSame(
            ['wash' => [26, 6200], 'topper' => [7, 1800]],
            array_intersect_key(
                array_combine(
                    array_column($line['lines'], 'kind'),
                    array_map(static fn(array $one): array => [$one['times'], $one['each_minor']], $line['lines']),
                ),
                ['wash' => 1, 'topper' => 1],
            ),
        );
        self::assertSame(
            $quote['answer']['price_minor'] - $quote['answer']['cost']['total'],
            $quote['answer']['margin_minor'],
        );
        self::assertStringContainsString('nothing has been recorded of it', implode(' ', $quote['answer']['inside']));
        $own = $this->postJson('/api/v1/quotes', [
            'title' => 'Its own rhythm',
            'vehicles' => [['vehicle_id' => $estate->id, 'topper' => false]],
        ])
            ->assertCreated()
            ->json('answer.vehicles.0');
        self::assertSame(7000, $own['lines'][0]['each_minor'], 'without the programme the price for all');
        self::assertNotContains('topper', array_column($own['lines'], 'kind'));
        self::assertStringStartsWith(
            '%PDF-',
            (string) $this->get("/api/v1/quotes/{$quote['id']}/pdf")
                ->assertOk()
                ->getContent(),
        );
        self::assertCount(2, $this->getJson('/api/v1/quotes')->json('data'));
        $this->assertProblem(
            $this->postJson('/api/v1/quotes', ['title' => 'Nothing', 'vehicles' => []]),
            422,
            'Choose a vehicle',
            '/vehicles',
        );
        [$stranger] = $this->business('Elsewhere');
        Auth::forgetGuards();
        $this->actingAs($stranger, 'web')
            ->getJson("/api/v1/quotes/{$quote['id']}")
            ->assertNotFound();
    }

    public function testAYearAheadIsTriedSideBySide(): void
    {
        [$owner, $workspace] = $this->business();
        $estate = $this->vehicle($workspace);
        $this->vehicle($workspace, 'ceramic', '2026-01-01', 'Never topped');
        $topper = $this->product($workspace, 'topper', 'silica');
        $this->actingAs($owner);
        $this->postJson(
            "/api/v1/vehicles/{$estate->id}/turns",
            $this->turn([
                'worked_at' => '2026-11-20T09:00:00Z',
                'products' => [['product_id' => $topper->id, 'zone' => 'paint', 'quantity_ml' => 50]],
            ]),
        )->assertCreated();
        $regimes = [
            ['name' => 'By forecast', 'every_days' => 14, 'topper' => 'forecast', 'method' => 'two-mitts'],
            [
                'name' => 'Every eighth week',
                'every_days' => 14,
                'topper' => 'weeks',
                'topper_weeks' => 8,
                'method' => 'rinseless',
            ],
            ['name' => 'Never', 'every_days' => 28, 'topper' => 'never', 'method' => 'two-mitts'],
        ];
        $ask = fn(array $more): array => $this->postJson('/api/v1/year', [
            'regimes' => $regimes,
            'trials' => 60,
            ...$more,
        ])
            ->assertOk()
            ->json();
        $year = $ask(['vehicle_id' => $estate->id]);
        self::assertSame($year, $ask(['vehicle_id' => $estate->id]), 'the same seed, the same years');
        $mean = static fn(array $of, int $i, string $figure): float => $of['regimes'][$i]['figures'][$figure]['mean'];
        self::assertLessThan($mean($year, 2, 'weeks_below'), $mean($year, 0, 'weeks_below'));
        self::assertGreaterThan($mean($year, 1, 'litres'), $mean($year, 0, 'litres'));
        self::assertEqualsWithDelta(0, $mean($year, 2, 'toppers'), 1e-9);
        self::assertCount(53, $year['regimes'][0]['band']);
        $book = $ask([]);
        self::assertSame(
            [2, []],
            [$book['vehicles'], $book['left_out']],
            'one that never had a topper is tried with the one that fits it',
        );
        $this->assertProblem(
            $this->postJson('/api/v1/year', [
                'regimes' => [['name' => 'X', 'topper' => 'sometimes', 'method' => 'two-mitts']],
            ]),
            422,
            '',
            '/regimes/0/topper',
        );
    }

    /** A technician works with bottles and gear, and does not learn what they cost; nor lose it for the owner. */
    /** Who has read an older list doesn't write over what somebody else asks since; who says nothing of it writes it whole. */
    public function testAListThatSomebodyElseHasChangedIsNotWrittenOver(): void
    {
        [$owner] = $this->business();
        $this->actingAs($owner);
        $row = static fn(string $body, int $minor): array => [
            'programme_id' => null,
            'body' => $body,
            'kind' => 'wash',
            'minor' => $minor,
        ];
        $read = (string) $this->getJson('/api/v1/prices')->headers->get('ETag');
        $put = fn(array $prices, array $headers) => $this->putJson('/api/v1/prices', ['prices' => $prices], $headers);
        $hers = $put([$row('estate', 7000), $row('van', 9000)], ['If-Match' => $read])->assertOk();
        $late = $put([$row('estate', 6500)], ['If-Match' => $read]);
        $this->assertProblem($late, 412, 'by someone else');
        self::assertSame([7000, 9000], array_column($late->json('current.prices'), 'minor'));
        self::assertSame([7000, 9000], array_column($this->getJson('/api/v1/prices')->json('prices'), 'minor'));
        $put(
            [$row('estate', 6500), $row('van', 9000)],
            [
                'If-Match' => 'W/' . $hers->headers->get('ETag'),
            ],
        )->assertOk();
        $put([$row('van', 8000)], [])
            ->assertOk()
            ->assertJsonCount(1, 'prices');
    }

    /** A row for each visit, at the price of the list; where that says nothing there is none. */
    public function testClosedVisitsGoToTheAccounts(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace, name: '=Van, "grey"');
        $this->actingAs($owner);
        $body = $this->getJson("/api/v1/vehicles/{$vehicle->id}")->json('body');
        $this->putJson('/api/v1/prices', [
            'prices' => [['programme_id' => null, 'body' => $body, 'kind' => 'wash', 'minor' => 6050]],
        ])->assertOk();
        $turn = fn(string $at, array $more = []) => $this->postJson(
            "/api/v1/vehicles/{$vehicle->id}/turns",
            $this->turn(['worked_at' => $at, 'minutes' => 75, ...$more]),
        )->assertCreated();
        $turn('2026-11-02T09:00:00Z');
        $turn('2026-11-16T09:00:00Z', ['clay' => true]);
        $turn('2026-10-31T09:00:00Z');
        $csv = $this->get('/api/v1/money/closed?from=2026-11-01&to=2026-11-30')->assertOk()->getContent();
        $rows = array_map(str_getcsv(...), explode("\n", trim((string) $csv)));
        self::assertCount(3, $rows);
        self::assertSame(['2026-11-02', 'wash', '75', '60.50'], [$rows[1][0], $rows[1][5], $rows[1][6], $rows[1][7]]);
        self::assertSame(['2026-11-16', 'wash, decon', ''], [$rows[2][0], $rows[2][5], $rows[2][7]]);
        self::assertStringStartsNotWith('=', (string) $rows[1][2], 'No spreadsheet runs a name.');
        // Iron remover on the paint is a decontamination here as it is to the plan.
        $iron = $this->product($workspace, 'iron');
        $turn('2026-11-20T09:00:00Z', ['products' => [['product_id' => $iron->id, 'zone' => 'paint']]]);
        $csv = $this->get('/api/v1/money/closed?from=2026-11-20&to=2026-11-20')->assertOk()->getContent();
        self::assertStringContainsString('wash, decon', (string) $csv);
        // A day is the workspace's: this one ends at eleven in the morning, as clocks in Greenwich have it.
        $this->inside($workspace, static fn() => $workspace->update(['time_zone' => 'Pacific/Auckland']));
        $turn('2026-11-23T10:59:00Z');
        $turn('2026-11-23T11:01:00Z');
        $on = fn(string $day): array => array_map(
            str_getcsv(...),
            explode("\n", trim((string) $this->get("/api/v1/money/closed?from={$day}&to={$day}")->getContent())),
        );
        self::assertSame('2026-11-23', $on('2026-11-23')[1][0]);
        self::assertCount(2, $on('2026-11-23'));
        self::assertSame('2026-11-24', $on('2026-11-24')[1][0]);
        self::assertCount(2, $on('2026-11-24'));
        $this->getJson('/api/v1/money/closed?from=2026-11-30&to=2026-11-01')->assertStatus(422);
        $this->actingAs($this->technician($workspace))
            ->getJson('/api/v1/money/closed?from=2026-11-01&to=2026-11-30')
            ->assertForbidden();
    }

    public function testATechnicianReadsNoCostsAndLosesNone(): void
    {
        [$owner, $workspace] = $this->business();
        $this->actingAs($owner);
        $soap = $this->postJson('/api/v1/products', [
            'name' => 'Lather',
            'role' => 'soap',
            'surfaces' => ['paint'],
            'pack_ml' => 1000,
            'price_minor' => 2450,
        ])
            ->assertCreated()
            ->json('id');
        $towels = $this->postJson('/api/v1/gear', [
            'kind' => 'towels',
            'name' => 'Large',
            'facts' => ['use' => 'large', 'pieces' => 20, 'price_minor' => 450],
        ])->json();
        /** @var array<string, mixed> $plan */
        $plan = json_decode((string) file_get_contents(base_path('docs/examples/plan.json')), true);
        $this->actingAs($this->technician($workspace));
        $read = $this->getJson("/api/v1/products/{$soap}")->assertOk();
        self::assertNull($read->json('price_minor'));
        $this->patchJson(
            "/api/v1/products/{$soap}",
            ['line' => 'Quern', 'price_minor' => null],
            [
                'If-Match' => (string) $read->headers->get('ETag'),
            ],
        )->assertOk();
        foreach (['products/export?format=csv', 'products/export', 'load', 'proof', 'gear', 'load/shopping'] as $path) {
            self::assertDoesNotMatchRegularExpression(
                '/2450|24\.50|"price_minor":\d|"cost_minor_week":\d|"total_minor":\d/',
                (string) $this->get("/api/v1/{$path}", ['Accept' => '*/*'])
                    ->assertOk()
                    ->getContent(),
                $path,
            );
        }
        // A plan's points are no money.
        self::assertIsNumeric($this->postJson('/api/v1/reckon/plan', $plan)->assertOk()->json('cost'));
        $this->postJson('/api/v1/year', ['regimes' => []])->assertForbidden();
        if (isset($towels['id'])) {
            $this->deleteJson("/api/v1/gear/{$towels['id']}")->assertForbidden();
        }
        self::assertSame(
            2450,
            $this->actingAs($owner)
                ->getJson("/api/v1/products/{$soap}")
                ->json('price_minor'),
        );
    }
}
