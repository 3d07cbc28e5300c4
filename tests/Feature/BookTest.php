<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Book\Client;
use App\Shelf\Product;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;

/** Lists, edits, two editors at once, the film and the ranked shelf. */
final class BookTest extends TestCase
{
    public function testTwoEditorsNeverOverwriteEachOtherSilently(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $path = "/api/v1/vehicles/{$vehicle->id}";
        $tag = (string) $this->actingAs($owner)->getJson($path)->headers->get('ETag');
        $this->assertProblem($this->patchJson($path, ['name' => 'Mine']), 428, 'If-Match');
        // As it comes back through a server that compresses.
        $this->patchJson($path, ['name' => 'Hers'], ['If-Match' => "W/{$tag}"])
            ->assertOk()
            ->assertHeader('ETag', '"2"');
        $late = $this->patchJson($path, ['name' => 'Mine'], ['If-Match' => $tag]);
        $this->assertProblem($late, 412, 'Your text is still here');
        self::assertSame('Hers', $late->json('current.name'));
        self::assertSame('Hers', $this->getJson($path)->json('name'));
    }

    public function testHabitsMoveTheDate(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace, since: '2026-11-20');
        $path = "/api/v1/vehicles/{$vehicle->id}";
        $before = $this->actingAs($owner)->getJson($path)->json('layers.0.forecast.due_on');
        $after = $this->patchJson($path, ['storage' => 'heated-garage', 'km_per_week' => 20], ['If-Match' => '"1"'])
            ->assertOk()
            ->json('layers.0.forecast.due_on');
        self::assertGreaterThan($before, $after);
        $this->assertProblem(
            $this->patchJson($path, ['cadence_min' => 20], ['If-Match' => '"2"']),
            422,
            'between the shortest and the longest',
            '/cadence_target',
        );
        $this->assertProblem(
            $this->patchJson($path, ['in_service_on' => '2026-11-22'], ['If-Match' => '"2"']),
            422,
            'before that date',
            '/in_service_on',
        );
    }

    public function testCautionMovesEveryDateOfTheWorkspace(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $due = fn(): string => (string) $this->actingAs($owner)
            ->getJson("/api/v1/vehicles/{$vehicle->id}")
            ->json('layers.0.forecast.due_on');
        $middle = $due();
        $this->patchJson('/api/v1/workspace', ['schools' => ['caution' => '10']], ['If-Match' => '"1"'])->assertOk();
        $careful = $due();
        $this->patchJson('/api/v1/workspace', ['schools' => ['caution' => '50']], ['If-Match' => '"2"'])->assertOk();
        self::assertLessThan($middle, $careful);
        self::assertGreaterThan($middle, $due());
    }

    public function testListsAreWalkedByCursorAndSearched(): void
    {
        [$owner, $workspace] = $this->business();
        $this->inside($workspace, static function (): void {
            foreach (range(1, 7) as $i) {
                Client::query()->create(['name' => "Client {$i}", 'contact' => $i === 4 ? '100% Odile' : null]);
            }
        });
        $this->actingAs($owner);
        $seen = [];
        $cursor = null;
        do {
            $page = $this->getJson('/api/v1/clients?limit=3' . ($cursor === null ? '' : "&cursor={$cursor}"))
                ->assertOk()
                ->json();
            array_push($seen, ...array_column($page['data'], 'name'));
            $cursor = $page['next_cursor'];
        } while ($cursor !== null);
        self::assertSame(array_map(static fn(int $i): string => "Client {$i}", range(1, 7)), $seen);
        self::assertSame(
            ['Client 4'],
            array_column($this->getJson('/api/v1/clients?search=' . urlencode('100% od'))->json('data'), 'name'),
        );
        self::assertSame([], $this->getJson('/api/v1/clients?search=%25%25')->json('data'));
    }

    public function testTheFilmPutsTheMostUrgentFirst(): void
    {
        [$owner, $workspace] = $this->business();
        $this->vehicle($workspace, 'bare', '2026-11-01', 'Bare');
        $this->vehicle($workspace, 'ceramic', '2026-11-01', 'Coated');
        $this->vehicle($workspace, 'wax', '2026-09-01', 'Waxed');
        $ribbons = $this->actingAs($owner)->getJson('/api/v1/film')->assertOk()->json('ribbons');
        self::assertSame(
            [['Waxed', 'due'], ['Coated', 'later'], ['Bare', 'bare']],
            array_map(static fn(array $ribbon): array => [$ribbon['name'], $ribbon['state']], $ribbons),
        );
        self::assertSame(1.0, (float) $ribbons[1]['segments'][0]['points'][0]['left']);
        self::assertGreaterThan($ribbons[1]['spread']['p10'], $ribbons[1]['spread']['p90']);
    }

    public function testTheShelfIsRankedForTheVehicleAndSaysWhatIsRuledOut(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace, 'ceramic', '2026-01-01');
        $this->inside(
            $workspace,
            static fn() => Product::query()
                ->where('leaves', 'wax')
                ->update(['stock_ml' => 0]),
        );
        $shelf = array_column(
            (array) $this->actingAs($owner)
                ->getJson("/api/v1/vehicles/{$vehicle->id}/shelf?panel_c=32")
                ->assertOk()
                ->json('data'),
            null,
            'role',
        );
        [$best, $ruledOut] = $shelf['topper']['products'];
        self::assertFalse($best['allowed']);
        self::assertSame(['too-hot'], array_column($best['remarks'], 'code'));
        self::assertSame(['masks-layer', 'out-of-stock', 'too-hot'], array_column($ruledOut['remarks'], 'code'));
        self::assertTrue($shelf['soap']['products'][0]['allowed']);
        $dry = array_column(
            (array) $this->getJson("/api/v1/vehicles/{$vehicle->id}/shelf?water=none")->json('data'),
            null,
            'role',
        );
        self::assertSame(['needs-water'], array_column($dry['soap']['products'][0]['remarks'], 'code'));
        self::assertTrue($dry['rinseless']['products'][0]['allowed']);
    }

    public function testPuttingAwayAndTakingOutLosesNothing(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $this->actingAs($owner)
            ->deleteJson("/api/v1/vehicles/{$vehicle->id}")
            ->assertNoContent();
        self::assertSame([], $this->getJson('/api/v1/film')->json('ribbons'));
        $this->postJson("/api/v1/vehicles/{$vehicle->id}/restore")->assertNoContent();
        self::assertCount(1, $this->getJson('/api/v1/film')->json('ribbons'));
        $layer = $this->getJson("/api/v1/vehicles/{$vehicle->id}")->json('layers.0.id');
        $this->deleteJson("/api/v1/layers/{$layer}")->assertNoContent();
        self::assertSame('bare', $this->getJson('/api/v1/film')->json('ribbons.0.state'));
    }

    public function testALabelIsPhotographedOnceAndReadBesideItsForm(): void
    {
        Storage::fake('photos');
        [$owner, $workspace] = $this->business();
        $product = $this->product($workspace, 'soap');
        $this->actingAs($owner);
        $sent = fn(UploadedFile $file): TestResponse => $this->post(
            "/api/v1/products/{$product->id}/photos",
            ['file' => $file, 'id' => '0193a000-0000-7000-8000-000000000001', 'taken_at' => '2026-11-25T10:00:00Z'],
            ['Accept' => 'application/json'],
        );
        $this->assertProblem($sent(UploadedFile::fake()->createWithContent('a.jpg', '<svg/>')), 422, 'picture');
        $sent(UploadedFile::fake()->image('a.jpg', 640, 480))->assertCreated();
        $photo = $sent(UploadedFile::fake()->image('a.jpg', 640, 480))
            ->assertCreated()
            ->json();
        self::assertSame([$photo], $this->getJson("/api/v1/products/{$product->id}/photos")->json('data'));
        self::assertSame([640, 480, $product->id], [$photo['width'], $photo['height'], $photo['product_id']]);
        // The same id for something else is somebody else's photo.
        $other = $this->product($workspace, 'topper');
        $this->assertProblem(
            $this->post(
                "/api/v1/products/{$other->id}/photos",
                [
                    'file' => UploadedFile::fake()->image('b.jpg', 40, 30),
                    'id' => $photo['id'],
                    'taken_at' => $photo['taken_at'],
                ],
                ['Accept' => 'application/json'],
            ),
            422,
            'Another photo has this id',
        );
        $this->get($photo['url'])->assertOk()->assertHeader('Content-Type', 'image/jpeg');
        $this->deleteJson($photo['url'])->assertNoContent();
        self::assertSame([], $this->getJson("/api/v1/products/{$product->id}/photos")->json('data'));
        self::assertSame([], Storage::disk('photos')->allFiles());
    }
}
