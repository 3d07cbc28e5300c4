<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Book\Layer;
use App\Shelf\Product;
use Illuminate\Testing\TestResponse;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;

/** The shelf as a whole: what fits what, files in and out, lines and makers, stock coming in. */
final class ShelfTest extends TestCase
{
    public function testTheFitTableShowsEveryProductAgainstEveryFamily(): void
    {
        [$owner, $workspace] = $this->business();
        $this->vehicle($workspace, 'ceramic');
        $this->vehicle($workspace, 'wax', name: 'The old tourer');
        $table = $this->actingAs($owner)->getJson('/api/v1/products/fit')->assertOk()->json();
        self::assertSame(1, array_column($table['families'], 'vehicles', 'family')['wax']);
        $cells = fn(string $name): array => array_column(
            array_values(array_filter($table['products'], static fn(array $row): bool => $row['name'] === $name))[0][
                'cells'
            ],
            null,
            'family',
        );
        $wax = $cells('Spray wax (unnamed)');
        self::assertFalse($wax['ceramic']['allowed']);
        self::assertSame(['masks-layer'], array_column($wax['ceramic']['remarks'], 'code'));
        self::assertTrue($wax['wax']['allowed']);
        self::assertSame(['no-bond'], array_column($cells('Silica spray sealant (unnamed)')['wax']['remarks'], 'code'));
    }

    public function testAProductIsPreviewedBeforeItIsSaved(): void
    {
        [$owner, $workspace] = $this->business();
        $this->vehicle($workspace, 'ceramic', name: 'The coated one');
        $this->vehicle($workspace, 'wax', name: 'The waxed one');
        $typed = ['name' => 'Not yet', 'role' => 'topper', 'surfaces' => ['paint'], 'leaves' => 'wax'];
        $preview = $this->actingAs($owner)->postJson('/api/v1/products/preview', $typed)->assertOk()->json();
        self::assertSame([1, 2], [$preview['fits'], $preview['of']]);
        self::assertSame(['The coated one'], array_column($preview['refused'], 'name'));
        self::assertSame(0, Product::query()->where('name', 'Not yet')->count());
        $this->assertProblem(
            $this->postJson('/api/v1/products/preview', [...$typed, 'dilutions' => ['bucket' => '3:4']]),
            422,
            '',
            '/dilutions/bucket',
        );
    }

    public function testAnExportComesBackAsItWentInBothFormats(): void
    {
        [$owner] = $this->business();
        [$friend, $there] = $this->business('Friend');
        $this->actingAs($owner);
        $json = (string) $this->get('/api/v1/products/export?format=json')
            ->assertOk()
            ->assertHeader('Content-Disposition', 'attachment; filename="marram-shelf.json"')
            ->getContent();
        $csv = (string) $this->get('/api/v1/products/export?format=csv')->assertOk()->getContent();
        $validator = new Validator();
        $result = $validator->validate(
            json_decode($json),
            (string) file_get_contents(base_path('docs/schemas/product-file.schema.json')),
        );
        self::assertTrue(
            $result->isValid(),
            json_encode($result->error() === null ? null : (new ErrorFormatter())->format($result->error())) ?: '',
        );
        // Everyone begins with the same shelf, so an unchanged export changes nothing elsewhere.
        $this->app['auth']->forgetGuards();
        $this->actingAs($friend, 'web');
        foreach ([$json, $csv] as $file) {
            $seen = $this->import($file)->assertOk()->json();
            self::assertSame(
                [0, 0, 0],
                [$seen['new'], $seen['changed'], $seen['wrong']],
                (string) json_encode(
                    array_filter($seen['rows'], static fn(array $row): bool => $row['does'] !== 'same'),
                ),
            );
            self::assertGreaterThan(8, $seen['same']);
        }
        // Emptied, the file brings everything back.
        $this->inside($there, static fn() => Product::query()->delete());
        $this->import($csv, commit: true)->assertOk()->assertJsonPath('done', true);
        self::assertSame($json, (string) $this->get('/api/v1/products/export?format=json')->getContent());
    }

    public function testWithOneWrongRowNothingIsDoneAndEveryErrorIsTold(): void
    {
        [$owner, $workspace] = $this->business();
        $this->actingAs($owner);
        $count = fn(): int => $this->inside($workspace, static fn(): int => Product::query()->count());
        $before = $count();
        $file =
            "name;role;surfaces;ph;dilution_bucket;may_dry;shine\nGood soap;soap;paint, trim;7,5;1:400;no;5\nBad soap;lather;paint;15;3:4;maybe;\nGood soap;soap;paint;7;1:10;yes;\n;soap;paint;7;;;";
        $seen = $this->import($file, commit: true)->assertOk()->json();
        self::assertFalse($seen['done']);
        self::assertSame($before, $count());
        self::assertSame(['new', 'wrong', 'wrong', 'wrong'], array_column($seen['rows'], 'does'));
        self::assertSame(['shine'], $seen['rows'][0]['unknown']);
        self::assertSame([2, 3, 4, 5], array_column($seen['rows'], 'row'));
        self::assertEqualsCanonicalizing(['role', 'ph', 'may_dry'], array_column($seen['rows'][1]['errors'], 'field'));
        self::assertStringContainsString('row 2', $seen['rows'][2]['errors'][0]['says']);
        // Mended, it goes on, and once more changes nothing.
        $mended = "name;role;surfaces;ph;dilution_bucket;may_dry\nGood soap;soap;paint, trim;7,5;1:400;no";
        self::assertSame([true, 1], [$this->import($mended, commit: true)->json('done'), $count() - $before]);
        $this->import($mended, commit: true)->assertJsonPath('same', 1);
        $this->import(str_replace('1:400', '1:300', $mended), commit: true)
            ->assertJsonPath('changed', 1)
            ->assertJsonPath('rows.0.changes', ['dilutions']);
        $soap = $this->inside(
            $workspace,
            static fn(): Product => Product::query()->where('name', 'Good soap')->firstOrFail(),
        );
        self::assertSame([7.5, false, 'soap', 2], [$soap->ph, $soap->may_dry, $soap->role, $soap->version]);
        self::assertEquals(['bucket' => '1:300'], $soap->dilutions);
    }

    public function testWhatIsNoFileIsSaidInWords(): void
    {
        [$owner] = $this->business();
        $this->actingAs($owner);
        foreach (
            [
                '{"products": 3}' => 'no list of products',
                '{"products": [' => 'not valid JSON',
                "a,b\n1,2" => 'name the columns',
            ]
            as $file => $says
        ) {
            $this->assertProblem($this->import($file), 422, $says, '/text');
        }
        $this->assertProblem($this->import('   '), 422, '', '/text');
        $this->import('[{"name": "No role"}, "not a product"]')->assertOk()->assertJsonPath('wrong', 2);
    }

    public function testAFormulaInANameIsOnlyTextToASpreadsheet(): void
    {
        [$owner, $workspace] = $this->business();
        $this->inside(
            $workspace,
            static fn() => Product::query()->create(['name' => '=1+1', 'role' => 'soap', 'surfaces' => ['paint']]),
        );
        $csv = (string) $this->actingAs($owner)->get('/api/v1/products/export?format=csv')->getContent();
        self::assertStringContainsString("'=1+1", $csv);
        self::assertSame(0, $this->import($csv)->json('new'), 'And comes back under its own name.');
    }

    public function testStockComesInOnceHoweverOftenItIsSent(): void
    {
        [$owner, $workspace] = $this->business();
        $soap = $this->product($workspace, 'soap');
        $this->actingAs($owner);
        foreach ([1, 2] as $_) {
            $this->postJson("/api/v1/products/{$soap->id}/restock", ['ml' => 5000], ['Idempotency-Key' => 'a-delivery'])
                ->assertOk()
                ->assertJsonPath('stock_ml', 6000);
        }
        $this->postJson("/api/v1/products/{$soap->id}/restock", ['ml' => 500], ['Idempotency-Key' => 'another'])
            ->assertOk()
            ->assertJsonPath('stock_ml', 6500);
        $this->assertProblem($this->postJson("/api/v1/products/{$soap->id}/restock", ['ml' => -5]), 422, '', '/ml');
    }

    public function testALineIsRenamedOnTheShelfAndOnTheVehiclesThatCarryIt(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace, 'ceramic');
        $this->inside($workspace, static function () use ($vehicle): void {
            Product::query()->create([
                'name' => 'Veil',
                'role' => 'topper',
                'surfaces' => ['paint'],
                'line' => 'Karst',
                'maker' => 'House',
            ]);
            Layer::query()
                ->where('vehicle_id', $vehicle->id)
                ->update(['line' => 'Karst']);
        });
        $this->actingAs($owner)
            ->postJson('/api/v1/products/rename', ['what' => 'line', 'from' => 'Karst', 'to' => 'Karstic'])
            ->assertOk()
            ->assertJsonPath('products', 1);
        self::assertSame(
            'Karstic',
            $this->inside($workspace, static fn() => Layer::query()->where('vehicle_id', $vehicle->id)->value('line')),
        );
        $this->postJson('/api/v1/products/rename', ['what' => 'maker', 'from' => 'House', 'to' => null])->assertOk();
        self::assertNull(
            $this->inside($workspace, static fn() => Product::query()->where('name', 'Veil')->value('maker')),
        );
    }

    /** @return TestResponse<Response> */
    private function import(string $text, bool $commit = false): TestResponse
    {
        return $this->postJson('/api/v1/products/import', ['text' => $text, 'commit' => $commit]);
    }
}
