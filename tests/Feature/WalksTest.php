<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Book\Vehicle;
use PHPUnit\Framework\Attributes\TestWith;
use Tests\OwnShelf;
use Tests\TestCase;

/**
 * Whole pieces of work, from an empty workspace to the record. The clock stands at noon, Wednesday 25 November 2026.
 */
final class WalksTest extends TestCase
{
    /** A dusty hatchback at a door without a hose. */
    public function testAQuickWashWithoutAHose(): void
    {
        [$owner] = $this->business();
        $this->actingAs($owner);
        $site = $this->postJson('/api/v1/sites', [
            'name' => 'Third floor',
            'water' => 'none',
            'power' => false,
            'pressure' => false,
            'shade' => true,
        ])
            ->assertCreated()
            ->json('id');
        $car = $this->postJson('/api/v1/vehicles', [
            'name' => 'Dun hatch',
            'body' => 'hatch',
            'paint_m2' => 10,
            'site_id' => $site,
            'scope' => 'quick',
        ])
            ->assertCreated()
            ->json();
        $lay = fn(int $soil, bool $grit): array => $this->postJson('/api/v1/sheets', [
            'vehicle_id' => $car['id'],
            'on' => '2026-11-25',
            'facts' => [
                'seen' => ['soil' => $soil, 'grit' => $grit, 'on' => []],
                'place' => ['water' => 'none', 'power' => false, 'pressure' => false, 'shade' => true],
                'weather' => self::MILD,
            ],
        ])
            ->assertCreated()
            ->json('plan');
        $plan = $lay(1, false);
        self::assertSame(['rinseless', 'quick'], [$plan['method'], $plan['scope']]);
        self::assertGreaterThanOrEqual(15, $plan['finish']);
        self::assertLessThanOrEqual(30, $plan['finish']);
        self::assertEquals(0.0, $plan['totals']['treated_l'] + $plan['totals']['tap_l']);
        self::assertNotEmpty((array) $plan['totals']['pools'], 'the missing water is paid in towels');
        $refused = $lay(4, true);
        self::assertNull($refused['finish']);
        self::assertNotSame([], $refused['problems'], 'in plain words');
    }

    /**
     * Flat on a clean, coated bonnet: every place says the same next step, until a reading after decontamination tells.
     */
    #[TestWith(['good', 'holds'])]
    #[TestWith(['flat', 'spent'])]
    public function testIsItCloggedOrSpent(string $afterDecon, string $turnsOut): void
    {
        [$owner, $workspace] = $this->business();
        $car = $this->vehicle($workspace, 'ceramic', '2026-01-10', 'Black saloon');
        $topper = $this->product($workspace, 'topper', 'silica');
        $this->inside($workspace, static fn() => $topper->update(['label_low_weeks' => 26, 'label_high_weeks' => 52]));
        $this->actingAs($owner);
        $this->postJson('/api/v1/crews', [
            'name' => 'The van',
            'minutes' => ['1' => 420, '2' => 420, '3' => 420, '4' => 420, '5' => 420],
        ])->assertCreated();
        $turn = fn(string $on, array $more): array => $this->postJson(
            "/api/v1/vehicles/{$car->id}/turns",
            $this->turn(['worked_at' => "{$on}T09:00:00Z", ...$more]),
        )
            ->assertCreated()
            ->json('entries.0');
        $read = static fn(string $stage, string $behaviour): array => [
            'stage' => $stage,
            'zone' => 'paint',
            'behaviour' => $behaviour,
        ];
        $turn('2026-11-10', [
            'products' => [['product_id' => $topper->id, 'zone' => 'paint']],
            'readings' => [$read('after_topper', 'tight')],
        ]);
        $entry = $turn('2026-11-20', ['readings' => [$read('arrival', 'flat'), $read('after_wash', 'flat')]]);
        // The record, the film, the match and the plan: decontaminate, read again.
        self::assertSame(
            ['unclear', true, false],
            [
                $entry['diagnoses'][0]['verdict'],
                in_array('decon', $entry['next_kinds'], true),
                in_array('topper', $entry['next_kinds'], true),
            ],
        );
        self::assertSame('suspect', $this->ribbon($car)['state']);
        $match = $this->match($car);
        self::assertNotSame('apply', $match['topper']['decision']);
        self::assertContains(
            'iron',
            array_column($match['products'], 'role'),
            'decontamination stands in the next visit',
        );
        $this->postJson('/api/v1/weeks/plan')->assertStatus(202);
        $first = array_values(
            array_filter(
                $this->getJson('/api/v1/weeks')->json('visits'),
                static fn(array $visit): bool => $visit['vehicle_id'] === $car->id,
            ),
        )[0];
        self::assertContains('decon', $first['kinds']);
        // It is done, and read.
        $iron = $this->product($workspace, 'iron');
        $this->clock->modify('2026-11-27 15:00:00');
        $turn('2026-11-27', [
            'products' => [['product_id' => $iron->id, 'zone' => 'paint']],
            'readings' => [$read('after_wash', 'flat'), $read('after_decon', $afterDecon)],
        ]);
        self::assertSame($turnsOut === 'spent', $this->ribbon($car)['state'] === 'failed');
        self::assertNotSame('suspect', $this->ribbon($car)['state'], 'it has been told');
        self::assertSame($turnsOut === 'spent', $this->match($car)['topper']['decision'] === 'apply');
        self::assertStringNotContainsString(
            'does not bead',
            (string) json_encode($turnsOut === 'spent' ? [] : $this->match($car)),
            'nothing speaks of it any more once it holds',
        );
    }

    /** An acid is offered, and chosen by a person only. */
    public function testAnAcidIsOfferedAndNeverChosen(): void
    {
        [$owner, $workspace] = $this->business();
        $car = $this->vehicle($workspace);
        $this->actingAs($owner);
        $acid = $this->postJson('/api/v1/products', OwnShelf::ACID)->assertCreated()->json('id');
        $match = $this->match($car, ['soil' => 3, 'wheel_soil' => 4]);
        self::assertNotContains($acid, array_column(array_filter(array_column($match['products'], 'product')), 'id'));
        self::assertContains($acid, array_column($match['offered'], 'id'));
        $quiet = $this->postJson('/api/v1/products', [
            'name' => 'Nameless wheel wash',
            'role' => 'wheel',
            'surfaces' => ['wheels'],
        ])
            ->assertCreated()
            ->json();
        self::assertNull($quiet['ph']);
        self::assertContains('ph', $quiet['unknown'], 'what the label does not say is asked for, not filled in');
    }

    private const MILD = ['air_c' => 14, 'rh' => 0.7, 'wind_m_s' => 2, 'sun_w_m2' => 100];

    /** @return array<string, mixed> */
    private function ribbon(Vehicle $vehicle): array
    {
        return $this->getJson("/api/v1/vehicles/{$vehicle->id}/film")
            ->assertOk()
            ->json('ribbons.0');
    }

    /**
     * @param array<string, mixed> $seen
     * @return array<string, mixed>
     */
    private function match(Vehicle $vehicle, array $seen = ['soil' => 2]): array
    {
        return $this->postJson('/api/v1/bench/match', [
            'vehicle_id' => $vehicle->id,
            'seen' => $seen,
            'place' => ['water' => 'tap'],
            'weather' => self::MILD,
        ])
            ->assertOk()
            ->json();
    }
}
