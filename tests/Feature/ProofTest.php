<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Tests\TestCase;

/** What really lasts, as the record grows: layers, lives, and whether what was said came true. */
final class ProofTest extends TestCase
{
    public function testProofGrowsWithTheRecordAndNeverLagsBehindIt(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace, 'ceramic', '2024-05-01');
        $topper = $this->product($workspace, 'topper', 'silica');
        $this->actingAs($owner);
        self::assertSame([], $this->getJson('/api/v1/proof')->assertOk()->json('products'));
        $turn = fn(string $on, ?string $reading, bool $topped) => $this->postJson(
            "/api/v1/vehicles/{$vehicle->id}/turns",
            $this->turn([
                'worked_at' => "{$on}T09:00:00Z",
                'readings' =>
                    $reading === null
                        ? []
                        : [
                            [
                                'stage' => $reading === 'flat' ? 'after_decon' : 'after_wash',
                                'zone' => 'paint',
                                'behaviour' => $reading,
                            ],
                        ],
                'products' => $topped ? [['product_id' => $topper->id, 'zone' => 'paint', 'quantity_ml' => 90]] : [],
            ]),
        )->assertCreated();
        $turn('2026-03-02', null, true);
        $turn('2026-03-16', 'tight', false);
        $after = $this->getJson('/api/v1/proof')->json('products.0');
        self::assertSame(
            [$topper->name, 1, 0, true],
            [$after['name'], $after['layers'], $after['failed'], $after['too_few']],
        );
        $optimistic = $after['life'];
        $turn('2026-04-06', 'flat', true);
        foreach (['2026-05-04', '2026-06-01', '2026-06-29'] as $on) {
            $turn($on, 'flat', true);
        }
        $later = $this->getJson('/api/v1/proof')->json('products.0');
        self::assertSame(4, $later['failed'], 'four layers were seen to fail');
        self::assertLessThan($optimistic, $later['life'], 'short lives shorten what is found');
        self::assertSame('ceramic', $later['under'][0]['family']);
        self::assertNotNull($later['median']);
        self::assertEqualsWithDelta(1.0, $later['points'][0]['holds'], 1e-9);
        self::assertStringContainsString('Too few', $this->getJson('/api/v1/proof')->json('calibration.says'));
        [$stranger] = $this->business('Elsewhere');
        Auth::forgetGuards();
        self::assertSame([], $this->actingAs($stranger, 'web')->getJson('/api/v1/proof')->json('products'));
    }

    public function testWhereTheWearWentAddsUpToWhatIsGone(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace, 'silica-spray', '2026-10-28');
        $iron = $this->product($workspace, 'iron');
        $this->actingAs($owner);
        foreach (
            ['2026-11-04' => [], '2026-11-18' => [['product_id' => $iron->id, 'zone' => 'paint']]]
            as $on => $products
        ) {
            $this->postJson(
                "/api/v1/vehicles/{$vehicle->id}/turns",
                $this->turn(['worked_at' => "{$on}T09:00:00Z", 'products' => $products]),
            )->assertCreated();
        }
        $ribbon = $this->getJson("/api/v1/vehicles/{$vehicle->id}/film")
            ->assertOk()
            ->json('ribbons.0');
        $account = $ribbon['account'];
        self::assertEqualsWithDelta(
            $account['worn'],
            $account['standing'] + $account['driving'] + $account['washing'] - $account['given_back'],
            2e-3,
        );
        self::assertEqualsWithDelta($ribbon['left'], max(0.0, 1.0 - $account['worn'] / $account['life']), 2e-3);
        self::assertSame(2, $account['washes']);
        self::assertSame(
            ['2026-11-18'],
            array_column($account['hard'], 'on'),
            'the iron remover is named, the gentle wash is not',
        );
        self::assertNull($this->getJson('/api/v1/film')->json('ribbons.0.account'), 'the film of all is spared it');
    }

    public function testWhatWasSaidAtFirstStands(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $first = $this->inside(
            $workspace,
            static fn() => DB::table('forecasts_made')->pluck('quantiles', 'layer_id')->all(),
        );
        self::assertCount(1, $first);
        $this->actingAs($owner)
            ->postJson(
                "/api/v1/vehicles/{$vehicle->id}/turns",
                $this->turn(['readings' => [['stage' => 'after_wash', 'zone' => 'paint', 'behaviour' => 'good']]]),
            )
            ->assertCreated();
        self::assertSame(
            $first,
            $this->inside(
                $workspace,
                static fn() => DB::table('forecasts_made')->pluck('quantiles', 'layer_id')->all(),
            ),
            'a later forecast does not rewrite the first',
        );
        $this->expectException(QueryException::class);
        $this->inside($workspace, static fn() => DB::table('forecasts_made')->update(['quantiles' => '{}']));
    }
}
