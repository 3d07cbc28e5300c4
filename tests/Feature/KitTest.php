<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Shelf\Product;
use App\Shelf\StockBook;
use App\Shelf\StockMove;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\Auth;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Tests\TestCase;

/**
 * What goes into the van, what is bought and washed for it, and what the shelf's book says. The clock stands at noon,
 * 25 November 2026.
 */
final class KitTest extends TestCase
{
    public function testADaysLoadAgainstWhatThereIs(): void
    {
        [$owner, $workspace] = $this->business();
        $estate = $this->vehicle($workspace);
        $hearse = $this->vehicle($workspace, 'ceramic', '2025-05-01', 'Hearse');
        $soap = $this->product($workspace, 'soap', 'nothing');
        $this->actingAs($owner);
        $towels = $this->postJson('/api/v1/gear', [
            'kind' => 'towel',
            'name' => 'Wheel towels',
            'facts' => ['count' => 3, 'use' => 'wheels', 'colour' => 'black'],
        ])
            ->assertCreated()
            ->json();
        $this->patchJson(
            "/api/v1/products/{$soap->id}",
            ['stock_ml' => 20, 'pack_ml' => 1000, 'price_minor' => 1200, 'supplier' => 'Isle Factors'],
            ['If-Match' => '"' . $soap->version . '"'],
        )->assertOk();
        $this->putJson('/api/v1/round', [
            'on' => '2026-11-26',
            'vehicle_ids' => [$estate->id, $hearse->id],
        ])->assertOk();
        $load = $this->getJson('/api/v1/load?from=2026-11-26')->assertOk()->json();
        self::assertSame(['The blue estate', 'Hearse'], array_column($load['visits'], 'name'));
        $row = array_values(
            array_filter($load['products'], static fn(array $one): bool => $one['product_id'] === $soap->id),
        )[0];
        self::assertGreaterThan(20, $row['need_ml']);
        self::assertEqualsWithDelta(1.2 * ($row['need_ml'] + $row['maybe_ml']), $row['take_ml'], 0.2);
        self::assertSame(1, $row['packs']);
        $shop = array_values(
            array_filter($load['shopping'], static fn(array $one): bool => $one['supplier'] === 'Isle Factors'),
        )[0];
        self::assertSame([$soap->name, true], [$shop['lines'][0]['name'], $shop['lines'][0]['urgent']]);
        self::assertSame(1200, $shop['total_minor']);
        self::assertStringContainsString(
            "\"Isle Factors\",\"{$soap->name}\",1,",
            (string) $this->get('/api/v1/load/shopping?from=2026-11-26')->assertOk()->getContent(),
        );
        self::assertNotEmpty($load['fills']);
        $wheels = array_values(
            array_filter($load['towels'], static fn(array $one): bool => $one['use'] === 'wheels'),
        )[0];
        self::assertSame(['black', 3, 0], [$wheels['colour'], $wheels['clean'], $wheels['dirty']]);
        self::assertSame(max(0, $wheels['need'] - 3), $wheels['short']);
        // A sheet that is laid out counts instead of what is expected.
        $this->postJson('/api/v1/sheets', [
            'vehicle_id' => $hearse->id,
            'on' => '2026-11-26',
            'crew' => 1,
        ])->assertCreated();
        self::assertSame(
            [false, true],
            array_column($this->getJson('/api/v1/load?from=2026-11-26')->json('visits'), 'sheet'),
        );
        // What lies in the van is ticked, once, for these days only.
        $tick = ['from' => '2026-11-26', 'to' => '2026-11-26', 'line' => "product:{$soap->id}", 'ticked' => true];
        $this->putJson('/api/v1/load/ticks', $tick)->assertNoContent();
        $this->putJson('/api/v1/load/ticks', $tick)->assertNoContent();
        $ticked = fn(string $query): array => array_column(
            array_filter(
                $this->getJson("/api/v1/load?{$query}")->json('products'),
                static fn(array $one): bool => $one['ticked'],
            ),
            'name',
        );
        self::assertSame([$soap->name], $ticked('from=2026-11-26'));
        self::assertSame([], $ticked('from=2026-11-26&to=2026-11-27'));
        $this->putJson('/api/v1/load/ticks', [...$tick, 'ticked' => false])->assertNoContent();
        self::assertSame([], $ticked('from=2026-11-26'));
        $this->assertProblem(
            $this->putJson('/api/v1/load/ticks', [...$tick, 'line' => 'everything']),
            422,
            '',
            '/line',
        );
        [$stranger] = $this->business('Elsewhere');
        Auth::forgetGuards();
        $this->actingAs($stranger, 'web');
        self::assertSame([], $this->getJson('/api/v1/load?from=2026-11-26')->json('visits'));
        self::assertNotNull($towels['wear']);
    }

    public function testTheShelfsBookExplainsWhatACountFinds(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $product = $this->product($workspace, 'topper', 'silica');
        $this->actingAs($owner);
        $path = "/api/v1/products/{$product->id}/stock";
        $this->postJson($path, ['kind' => 'count', 'ml' => 100, 'note' => 'First look'])
            ->assertCreated()
            ->assertJsonPath('stock_ml', 100);
        $this->clock->modify('+1 hour');
        $this->postJson(
            $path,
            ['kind' => 'buy', 'ml' => 500, 'batch' => 'A1', 'expires_on' => '2027-05-01'],
            ['Idempotency-Key' => 'buy'],
        )->assertCreated();
        $this->postJson(
            $path,
            ['kind' => 'buy', 'ml' => 500, 'batch' => 'A1', 'expires_on' => '2027-05-01'],
            ['Idempotency-Key' => 'buy'],
        )
            ->assertCreated()
            ->assertJsonPath('stock_ml', 600);
        $this->clock->modify('+1 hour');
        $this->postJson($path, ['kind' => 'waste', 'ml' => 70, 'note' => 'Froze'])->assertCreated();
        $this->postJson($path, ['kind' => 'mix', 'ml' => 30])->assertCreated();
        $this->clock->modify('+1 hour');
        $turn = $this->postJson(
            "/api/v1/vehicles/{$vehicle->id}/turns",
            $this->turn([
                'worked_at' => $this->clock->now()->format(DATE_ATOM),
                'products' => [['product_id' => $product->id, 'zone' => 'paint', 'quantity_ml' => 60]],
            ]),
        )
            ->assertCreated()
            ->json();
        self::assertSame(
            'A1',
            $turn['entries'][0]['products'][0]['batch'],
            'the 100 from before are gone, the batch is in use',
        );
        $this->clock->modify('+1 hour');
        $this->assertProblem(
            $this->postJson($path, ['kind' => 'count', 'ml' => 380]),
            422,
            'The book says 440 ml',
            '/note',
        );
        $stock = $this->postJson($path, ['kind' => 'count', 'ml' => 380, 'note' => 'One visit not written down'])
            ->assertCreated()
            ->json();
        self::assertEquals(380, $stock['stock_ml']);
        self::assertEquals(
            [
                'bought_ml' => 500,
                'used_ml' => 60,
                'turns' => 1,
                'other_ml' => 100,
                'difference_ml' => -60,
                'counted_ml' => 380,
                'note' => 'One visit not written down',
            ],
            array_intersect_key($stock['counts'][0], [
                'bought_ml' => 1,
                'used_ml' => 1,
                'turns' => 1,
                'other_ml' => 1,
                'difference_ml' => 1,
                'counted_ml' => 1,
                'note' => 1,
            ]),
        );
        self::assertEquals([['batch' => 'A1', 'expires' => '2027-05-01', 'ml' => 380]], $stock['batches']);
        $this->assertProblem($this->postJson($path, ['kind' => 'waste', 'ml' => 0]), 422, 'nothing', '/ml');
        // Typed over in the form it is a count as well; nothing is lost.
        $version = $this->getJson("/api/v1/products/{$product->id}")->json('version');
        $this->patchJson("/api/v1/products/{$product->id}", ['stock_ml' => 400], ['If-Match' => "\"{$version}\""])
            ->assertOk()
            ->assertJsonPath('stock_ml', 400);
        self::assertEqualsWithDelta(
            20.0,
            $this->inside(
                $workspace,
                static fn(): float => StockMove::query()
                    ->where('product_id', $product->id)
                    ->orderByDesc('id')
                    ->firstOrFail()->ml,
            ),
            1e-9,
        );
        self::assertEqualsWithDelta(
            400.0,
            $this->inside($workspace, static fn(): float => Product::query()->findOrFail($product->id)->stock_ml),
            1e-9,
        );
    }

    /** Whoever saves a turn reads no years of movements: what went out in one go leaves what it leaves one by one. */
    public function testWhatIsLeftOfABatchIsTheSameByEitherWayOfReading(): void
    {
        [, $workspace] = $this->business();
        $random = new Randomizer(new Xoshiro256StarStar(5));
        $products = Collection::make(['topper', 'soap', 'iron'])
            ->map(fn(string $role): Product => $this->product($workspace, $role))
            ->keyBy('id');
        $this->inside($workspace, function () use ($products, $random): void {
            foreach ([40, 15, 0] as $i => $moves) {
                $rows = [];
                for ($n = 0; $n < $moves; $n++) {
                    $in = $random->getInt(0, 4) === 0;
                    $rows[] = [
                        'product_id' => $products->keys()[$i],
                        'kind' => $in ? 'buy' : 'use',
                        'ml' => $in ? 500.0 : -$random->getInt(1, 2000) / 10,
                        // Several in the same minute, too.
                        'at' => CarbonImmutable::instance($this->clock->now())->addMinutes(intdiv($n, 3)),
                        'batch' => $in && $random->getInt(0, 2) > 0 ? 'B' . $n : null,
                        'expires_on' => $in ? '2027-05-0' . $random->getInt(1, 9) : null,
                    ];
                }
                StockMove::insertAll($rows);
            }
            $read = StockBook::of(array_map(strval(...), array_values($products->keys()->all())));
            $short = StockBook::batchesOf($products);
            self::assertEqualsCanonicalizing($products->keys()->take(2)->all(), array_keys($short));
            foreach ($products->intersectByKeys($short) as $id => $product) {
                self::assertEqualsWithDelta($read->batches($product)->left, $short[$id]->left, 1e-6);
                self::assertSame($read->batches($product)->inUse(), $short[$id]->inUse());
            }
        });
    }

    /** The book can't hold less than nothing; what was taken all the same is no gift to whoever corrects it. */
    public function testWhatIsCorrectedFromBelowNothingComesOutOfNothing(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $product = $this->product($workspace, 'topper', 'silica');
        $this->actingAs($owner);
        $path = "/api/v1/products/{$product->id}/stock";
        $this->postJson($path, ['kind' => 'count', 'ml' => 100, 'note' => 'First look'])->assertCreated();
        $used = fn(int $ml): array => $this->turn([
            'products' => [['product_id' => $product->id, 'zone' => 'paint', 'quantity_ml' => $ml]],
        ]);
        $stock = fn(): float => (float) $this->getJson("/api/v1/products/{$product->id}")->json('stock_ml');
        $turn = $this->postJson("/api/v1/vehicles/{$vehicle->id}/turns", $used(150))
            ->assertCreated()
            ->json('id');
        self::assertSame(0.0, $stock());
        $revision = 1;
        $correct = function (int $ml) use ($turn, $used, &$revision): void {
            $this->postJson(
                "/api/v1/turns/{$turn}/corrections",
                [...$used($ml), 'reason' => 'Measured again'],
                ['If-Match' => "\"{$revision}\""],
            )->assertSuccessful();
            $revision++;
        };
        foreach ([[100, 0.0], [90, 10.0], [130, 0.0], [60, 40.0]] as [$ml, $left]) {
            $correct($ml);
            self::assertSame($left, $stock(), "{$ml} ml were taken of 100");
        }
        $correct(150);
        $this->postJson($path, ['kind' => 'buy', 'ml' => 500])->assertCreated();
        $correct(100);
        self::assertSame(500.0, $stock(), 'what was bought is there; the bottle of before was empty either way');
    }

    public function testTowelsAgeAndOnlyGoDown(): void
    {
        [$owner] = $this->business();
        $this->actingAs($owner);
        $wheels = $this->postJson('/api/v1/gear', [
            'kind' => 'towel',
            'name' => 'Wheel towels',
            'facts' => ['count' => 4, 'use' => 'wheels'],
        ])
            ->assertCreated()
            ->json();
        $wash = $this->postJson('/api/v1/gear', [
            'kind' => 'towel',
            'name' => 'Wash towels',
            'facts' => ['count' => 10, 'use' => 'wash', 'cycles' => 2],
        ])
            ->assertCreated()
            ->assertJsonPath('wear', ['cycles' => 0, 'of' => 2, 'due' => false, 'down' => 'sills'])
            ->json();
        $note = fn(array $gear, string $kind, array $facts) => $this->postJson("/api/v1/gear/{$gear['id']}/events", [
            'kind' => $kind,
            'facts' => $facts,
        ]);
        $this->assertProblem(
            $note($wheels, 'moved', ['count' => 2, 'to' => 'wash']),
            422,
            'Grit from a wheel does not wash out',
            '/facts/to',
        );
        $note($wash, 'moved', ['count' => 3, 'to' => 'sills'])
            ->assertCreated()
            ->assertJsonPath('facts.count', 7);
        $sills = array_values(
            array_filter(
                $this->getJson('/api/v1/gear')->json('data'),
                static fn(array $one): bool => ($one['facts']['use'] ?? '') === 'sills',
            ),
        );
        self::assertSame(
            [3],
            array_map(static fn(array $one): int => $one['facts']['count'], $sills),
            'a pool is made where there was none',
        );
        $note($wash, 'thrown', ['count' => 2])
            ->assertCreated()
            ->assertJsonPath('facts.count', 5);
        $note($wash, 'bought', ['count' => 15])
            ->assertCreated()
            ->assertJsonPath('facts.count', 20);
        $this->assertProblem($note($wash, 'thrown', ['count' => 50]), 422, '', '/facts/count');
    }
}
