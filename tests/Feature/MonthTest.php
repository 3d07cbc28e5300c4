<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Facades\Auth;
use Tests\Shop;
use Tests\TestCase;

/**
 * Work that goes on for weeks, from an empty workspace with an own shelf. The clock begins at noon, Wednesday 25
 * November 2026.
 */
final class MonthTest extends TestCase
{
    use Shop;

    /** A sealant by foam and its trial: when did it stop beading, label against found. */
    public function testASealantByFoamAndItsTrial(): void
    {
        $this->shop();
        $seal = $this->bottle([
            'name' => 'Brack Foam',
            'role' => 'topper',
            'surfaces' => ['paint'],
            'leaves' => 'polymer',
            'strips' => 'none',
            'applied' => 'foam-rinse',
            'family' => 'polymer',
            'label_low_weeks' => 8,
            'label_high_weeks' => 12,
            'dwell_min_s' => 60,
            'dwell_max_s' => 180,
            'rinse' => true,
            'may_dry' => false,
            'dilutions' => ['lance' => '3 %'],
            'min_c' => 5,
            'max_c' => 30,
        ]);
        $car = $this->car(['in_service_on' => '2026-01-01', 'storage' => 'outdoors'])['id'];
        $this->clock->modify('2026-08-10 12:00:00');
        $this->record($car, '2026-08-10', [
            'products' => [['product_id' => $seal, 'zone' => 'paint', 'quantity_ml' => 30]],
            'readings' => [self::read('after_topper', 'tight')],
            'note' => 'Shine: much deeper',
        ]);
        $before = $this->ribbon($car);
        self::assertSame('good', $before['state'] === 'due' ? 'due' : 'good');
        foreach (
            ['2026-08-17' => 'tight', '2026-08-24' => 'good', '2026-08-31' => 'good', '2026-09-07' => 'weak']
            as $on => $water
        ) {
            $this->clock->modify("{$on} 12:00:00");
            $this->record($car, $on, ['readings' => [self::read('after_wash', $water)], 'note' => 'Shine: as before']);
        }
        $this->clock->modify('2026-09-14 12:00:00');
        $entry = $this->record($car, '2026-09-14', [
            'products' => [['product_id' => $this->shelf['iron'], 'zone' => 'paint']],
            'readings' => [self::read('after_wash', 'flat'), self::read('after_decon', 'flat')],
            'note' => 'Shine: still there',
        ]);
        self::assertSame('topper-spent', $entry['diagnoses'][0]['verdict']);
        $proof = $this->getJson('/api/v1/proof')->assertOk()->json();
        $found = array_values(
            array_filter($proof['products'], static fn(array $one): bool => $one['product_id'] === $seal),
        )[0];
        self::assertSame(1, $found['layers']);
        self::assertLessThan(8.0, $found['median'], 'it held shorter than its label says');
        $this->record($car, '2026-09-14', [
            'worked_at' => '2026-09-14T11:00:00Z',
            'products' => [['product_id' => $seal, 'zone' => 'paint']],
            'readings' => [self::read('after_topper', 'tight')],
        ]);
        $weeks = (strtotime((string) $this->ribbon($car)['due_at']) - strtotime('2026-09-14')) / (7 * 86400);
        self::assertLessThan(8.0, $weeks, 'and the next date has learnt from it');
        self::assertGreaterThan(2.0, $weeks);
    }

    /** Drying as a craft: sizes by panel, aid, warm air, horizontals first, drips and mirrors. */
    public function testDryingAsACraft(): void
    {
        $this->shop();
        $car = $this->car(['paint_m2' => 12])['id'];
        $plan = $this->plan($car, ['schools' => ['drying' => 'sheet-then-towel']]);
        $dry = self::steps($plan, 'dry')[0];
        foreach (['large', 'medium', 'catch'] as $size) {
            self::assertGreaterThan(0, ((array) $dry['textiles'])[$size] ?? 0, "{$size} towels");
        }
        self::assertSame('Quern Glide', $dry['portions'][0]['name']);
        $said = self::said($plan);
        self::assertMatchesRegularExpression('/Horizontals first.*verticals, mirrors/', $said);
        $warm = $this->plan($car, ['schools' => ['drying' => 'warm-air']]);
        self::assertSame('warm-air', $warm['drying']);
        self::assertStringContainsString('Warm, not hot', self::said($warm));
        $packs = $this->plan($car, [
            'schools' => ['drying' => 'warm-air'],
            'place' => ['power' => false, 'battery' => true],
        ]);
        self::assertNotSame('warm-air', $packs['drying'], 'warm air wants a socket');
    }

    /**
     * A coating's regimen: soap without wax, boost every sixth wash or ten weeks, looked over yearly, recoat when that
     * says so.
     */
    public function testACoatingsRegimen(): void
    {
        $this->shop();
        $waxy = $this->bottle([
            'name' => 'Fell Suds',
            'role' => 'soap',
            'surfaces' => ['paint'],
            'ph' => 7,
            'leaves' => 'wax',
            'strips' => 'none',
            'rinse' => true,
            'may_dry' => false,
            'dilutions' => ['bucket' => '1:500'],
            'min_c' => 0,
            'max_c' => 40,
        ]);
        $car = $this->car([
            'cadence_min' => 5,
            'cadence_target' => 7,
            'cadence_max' => 12,
            'topper_weeks' => 10,
            'topper_washes' => 6,
            'in_service_on' => '2025-01-01',
        ])['id'];
        $this->layer($car, [
            'family' => 'ceramic',
            'on' => '2025-12-10',
            'label_low_weeks' => 104,
            'label_high_weeks' => 156,
        ]);
        $this->postJson('/api/v1/crews', [
            'name' => 'Isa',
            'minutes' => array_fill_keys(['1', '2', '3', '4', '5'], 420),
        ])->assertCreated();
        self::assertNotContains(
            $waxy,
            array_column(array_merge(...array_column($this->plan($car)['steps'], 'portions')), 'product_id'),
            'no wax over the coating',
        );
        $this->record($car, '2026-11-24', [
            'products' => [['product_id' => $this->shelf['topper'], 'zone' => 'paint']],
            'readings' => [self::read('after_topper', 'tight')],
        ]);
        $this->postJson('/api/v1/weeks/plan')->assertStatus(202);
        $visits = array_values(
            array_filter(
                $this->getJson('/api/v1/weeks')->json('visits'),
                static fn(array $visit): bool => $visit['vehicle_id'] === $car,
            ),
        );
        $boosts = array_keys(
            array_filter($visits, static fn(array $visit): bool => in_array('topper', $visit['kinds'], true)),
        );
        self::assertContains($boosts[0] ?? null, [4, 5, 6], 'at the sixth wash or so, before ten weeks are over');
        $looks = array_values(
            array_filter($visits, static fn(array $visit): bool => in_array('inspection', $visit['kinds'], true)),
        );
        self::assertNotSame([], $looks, 'looked over when the year is over');
        $this->clock->modify("{$looks[0]['on']} 15:00:00");
        $this->record($car, $looks[0]['on'], [
            'inspection' => ['seen' => ['thin', 'chips'], 'note' => 'Gone on the roof'],
        ]);
        $next = $this->getJson("/api/v1/vehicles/{$car}")->json();
        self::assertNotNull($next);
    }

    /** Eight vehicles through four weeks: what changes is planned, packed, worked, told. */
    public function testAMonthWithEightVehicles(): void
    {
        $this->shop();
        $client = $this->postJson('/api/v1/clients', ['name' => 'Odd Fell', 'email' => 'odd@fell.example'])
            ->assertCreated()
            ->json('id');
        $gate = $this->site(['name' => 'Works', 'certificate_expires_on' => '2026-12-18']);
        $this->postJson('/api/v1/crews', [
            'name' => 'Isa',
            'minutes' => array_fill_keys(['1', '2', '3', '4', '5'], 420),
        ])->assertCreated();
        $cars = [];
        foreach (range(1, 8) as $i) {
            $cars[$i] = $this->car([
                'name' => "Car {$i}",
                'cadence_min' => 7,
                'cadence_target' => 14,
                'cadence_max' => 24,
                'in_service_on' => '2025-05-01',
                ...$i <= 2 ? ['client_id' => $client] : [],
                ...$i === 8 ? ['site_id' => $gate] : [],
            ])['id'];
            $this->layer($cars[$i], ['family' => $i % 2 ? 'ceramic' : 'silica-spray', 'on' => '2026-09-20']);
        }
        $this->postJson('/api/v1/weeks/plan')->assertStatus(202);
        $weeks = fn(): array => $this->getJson('/api/v1/weeks')->assertOk()->json();
        $of = fn(int $i): array => array_values(
            array_filter($weeks()['visits'], static fn(array $visit): bool => $visit['vehicle_id'] === $cars[$i]),
        );
        self::assertCount(8, array_unique(array_column($weeks()['visits'], 'vehicle_id')), 'everybody has a visit');
        // One client calls it off.
        $others = $of(3);
        $first = $of(1)[0];
        $this->postJson("/api/v1/weeks/visits/{$first['id']}/cancel", [
            'by' => 'client',
            'why' => 'At sea',
            'again' => true,
        ])->assertOk();
        self::assertNotContains($first['on'], array_column($of(1), 'on'));
        self::assertSame($others, $of(3), 'nobody else moves');
        // Another asks for another day by the link.
        $second = $of(2)[0];
        $this->postJson('/api/v1/weeks/proposals', ['visits' => [$second['id']]])
            ->assertOk()
            ->assertJsonPath('asked', 1);
        $letter = $this->getJson('/api/v1/messages')->json('data.0.body');
        $link =
            preg_match('#/answer/([^\s]+)#', (string) $letter, $found) === 1 ? $found[1] : self::fail((string) $letter);
        $me = Auth::user();
        Auth::forgetGuards();
        $wish = date('Y-m-d', (int) strtotime("{$second['on']} +2 days"));
        $this->postJson("/api/v1/answers/{$link}", [
            'accept' => false,
            'wish_on' => $wish,
            'wish' => 'Later in the week',
        ])
            ->assertOk()
            ->assertJsonPath('status', 'asked');
        $this->actingAs($me ?? self::fail('Nobody was signed in.'));
        self::assertSame($wish, $weeks()['wishes'][0]['wish_on']);
        // A topper reads flat on clean paint: decontaminate, read again, everywhere.
        $this->record($cars[3], '2026-11-24', [
            'products' => [['product_id' => $this->shelf['topper'], 'zone' => 'paint']],
            'readings' => [self::read('after_topper', 'tight')],
        ]);
        $this->clock->modify('2026-12-02 17:00:00');
        $entry = $this->record($cars[3], '2026-12-02', [
            'readings' => [self::read('arrival', 'flat'), self::read('after_wash', 'flat')],
        ]);
        self::assertContains('decon', $entry['next_kinds']);
        self::assertSame('suspect', $this->ribbon($cars[3])['state']);
        self::assertContains('decon', $of(3)[0]['kinds'], 'the plan has it');
        // Somebody used a soap that strips: the layer wears by more than a plain wash.
        $strip = $this->bottle([
            'name' => 'Gale Strip',
            'role' => 'soap',
            'surfaces' => ['paint'],
            'ph' => 11,
            'leaves' => 'nothing',
            'strips' => 'strong',
            'rinse' => true,
            'may_dry' => false,
            'dilutions' => ['bucket' => '1:50'],
        ]);
        [$plain, $stripped] = [5, 7];
        foreach ([$plain => $this->shelf['soap'], $stripped => $strip] as $i => $soap) {
            $this->record($cars[$i], '2026-12-02', ['products' => [['product_id' => $soap, 'zone' => 'paint']]]);
        }
        self::assertLessThan(
            strtotime((string) $this->ribbon($cars[$plain])['due_at']),
            strtotime((string) $this->ribbon($cars[$stripped])['due_at']),
            'it is due sooner',
        );
        // A product arrives whose label speaks in fluid ounces per gallon; one is discontinued with half a can left.
        $ounces = $this->postJson('/api/v1/products', [
            'name' => 'Far Suds',
            'role' => 'soap',
            'surfaces' => ['paint'],
            'dilutions' => ['bucket' => '1 fl oz per gallon'],
            'stock_ml' => 473,
        ])
            ->assertCreated()
            ->json();
        self::assertSame('1 fl oz per gallon', $ounces['dilutions']['bucket'], 'as the label says it');
        self::assertEqualsWithDelta(
            1 / 129,
            $this->postJson('/api/v1/reckon/ratio', ['text' => '1 fl oz per gallon'])->json('share'),
            1e-6,
        );
        $this->deleteJson("/api/v1/products/{$this->shelf['glass']}")->assertNoContent();
        self::assertNotContains(
            $this->shelf['glass'],
            array_column(array_merge(...array_column($this->plan($cars[5])['steps'], 'portions')), 'product_id'),
            'what is put away is not offered',
        );
        // A technician joins, a towel pool runs short, a car is sold and another is bought dirty.
        $this->postJson('/api/v1/invitations', [
            'email' => 'new@merrick.example',
            'role' => 'technician',
        ])->assertCreated();
        $this->postJson('/api/v1/gear', [
            'kind' => 'towel',
            'name' => 'The last wheel towel',
            'facts' => ['count' => 1, 'use' => 'wheels'],
        ])->assertCreated();
        $load = $this->getJson('/api/v1/load?from=2026-12-03&to=2026-12-11')->assertOk()->json();
        self::assertGreaterThan(
            0,
            max([0, ...array_column($load['towels'], 'short')]),
            'a pool runs short over the week',
        );
        $history = $this->postJson("/api/v1/vehicles/{$cars[7]}/record-links", ['kind' => 'history'])
            ->assertCreated()
            ->json('url');
        $version = $this->getJson("/api/v1/vehicles/{$cars[7]}")->json('version');
        $this->deleteJson("/api/v1/vehicles/{$cars[7]}", [], ['If-Match' => "\"{$version}\""])->assertNoContent();
        self::assertSame([], $of(7), 'what is sold is planned no more');
        $this->getJson('/api/v1/records/' . basename((string) $history))->assertOk();
        $bought = $this->car(['name' => 'Bought dirty', 'base_unknown' => true, 'cadence_target' => 14])['id'];
        $look = $this->plan($bought, ['seen' => ['soil' => 5, 'grit' => true]]);
        self::assertNotNull($look['finish'], implode(' ', $look['problems']));
        $this->postJson('/api/v1/weeks/plan')->assertStatus(202);
        self::assertContains($bought, array_column($weeks()['visits'], 'vehicle_id'));
        // The papers of the works run out: nobody goes after that, and the list says so.
        self::assertSame([], array_filter($of(8), static fn(array $visit): bool => $visit['on'] > '2026-12-18'));
        self::assertContains(
            'papers',
            array_column(
                array_filter($weeks()['unmet'], static fn(array $one): bool => $one['vehicle_id'] === $cars[8]),
                'what',
            ),
        );
        // Sunday evening: what next week needs; and the client's question.
        $this->clock->modify('2026-12-06 20:00:00');
        $next = $this->getJson('/api/v1/load?from=2026-12-07&to=2026-12-13')->assertOk()->json();
        $planned = array_filter(
            $weeks()['visits'],
            static fn(array $visit): bool => $visit['on'] >= '2026-12-07' && $visit['on'] <= '2026-12-13',
        );
        self::assertSame(
            array_sum(array_column($planned, 'minutes')),
            array_sum(array_column($next['visits'], 'minutes')),
            'the same minutes in plan and load',
        );
        $this->putJson('/api/v1/prices', [
            'prices' => [['programme_id' => null, 'body' => 'saloon', 'kind' => 'wash', 'minor' => 6500]],
        ])->assertOk();
        $ahead = $this->getJson('/api/v1/money')->json('ahead');
        self::assertSame(
            [
                count($planned),
                6500 * count($planned),
                array_sum(array_map(static fn(array $visit): int => count($visit['kinds']) - 1, $planned)),
            ],
            [$ahead['visits'], $ahead['listed_minor'], $ahead['unlisted']],
            'what next week earns',
        );
        $record = $this->getJson(
            '/api/v1/records/' .
                basename(
                    (string) $this->postJson("/api/v1/vehicles/{$cars[3]}/record-links", ['kind' => 'history'])->json(
                        'url',
                    ),
                ),
        )
            ->assertOk()
            ->json();
        self::assertSame(
            [$of(3)[0]['on'], $of(3)[0]['kinds']],
            [$record['next_visit'], $record['next_kinds']],
            'what did you do, and what is next?',
        );
    }

    /**
     * @param array<string, mixed> $facts
     * @return array<string, mixed> its entry
     */
    private function record(string $vehicle, string $on, array $facts): array
    {
        $made = $this->postJson(
            "/api/v1/vehicles/{$vehicle}/turns",
            $this->turn(['worked_at' => "{$on}T09:00:00Z", ...$facts]),
        );
        self::assertSame(201, $made->getStatusCode(), (string) $made->getContent());

        return $made->json('entries.0');
    }

    /** @return array<string, mixed> */
    private static function read(string $stage, string $behaviour): array
    {
        return ['stage' => $stage, 'zone' => 'paint', 'behaviour' => $behaviour];
    }

    /** @return array<string, mixed> */
    private function ribbon(string $vehicle): array
    {
        return $this->getJson("/api/v1/vehicles/{$vehicle}/film")
            ->assertOk()
            ->json('ribbons.0');
    }
}
