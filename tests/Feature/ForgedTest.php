<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Record\Photo;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Furnishes;
use Tests\TestCase;

/** Ids, cursors and origins that are somebody else's or nobody's: told so, never a fault of ours. */
final class ForgedTest extends TestCase
{
    use Furnishes;

    /** @return iterable<string, array{string}> */
    public static function cursors(): iterable
    {
        yield 'no base 64' => ['%%%'];
        yield 'no JSON' => [base64_encode('x')];
        yield 'of another list' => [
            base64_encode((string) json_encode(['nothing' => 1, '_pointsToNextItems' => true])),
        ];
        yield 'of lists' => [
            base64_encode((string) json_encode(['name' => ['a'], 'id' => [1], '_pointsToNextItems' => true])),
        ];
        yield 'with a nought byte' => [
            base64_encode((string) json_encode(['name' => "a\0", 'id' => "\0", '_pointsToNextItems' => true])),
        ];
        yield 'a number' => [base64_encode('7')];
    }

    #[DataProvider('cursors')]
    public function testAForgedCursorIsNoFault(string $cursor): void
    {
        [$owner, $workspace] = $this->business();
        $car = $this->vehicle($workspace);
        $this->actingAs($owner);
        foreach (
            ['clients', 'vehicles', 'products', 'changes', "vehicles/{$car->id}/turns", 'sites', 'water/readings']
            as $list
        ) {
            $status = $this->getJson("/api/v1/{$list}?" . http_build_query(['cursor' => $cursor]))->getStatusCode();
            self::assertContains($status, [200, 400, 404, 422], "{$list}: {$status}");
        }
    }

    /** What a phone names itself it may not name after somebody else's. */
    public function testAnIdThatIsAnothersIsRefused(): void
    {
        Storage::fake('photos');
        [$theirs, $there] = $this->business('Theirs');
        $this->actingAs($theirs);
        $car = $this->vehicle($there);
        $photo = $this->sendPhoto($car->id, UploadedFile::fake()->image('a.jpg', 40, 30))->json('id');
        $turn = $this->postJson("/api/v1/vehicles/{$car->id}/turns", $this->turn())->json('id');
        $sheet = $this->postJson('/api/v1/sheets', ['vehicle_id' => $car->id, 'on' => '2026-11-26'])->json('id');
        [$owner, $here] = $this->business('Ours');
        $own = $this->vehicle($here);
        $this->actingAs($owner);
        foreach (
            [
                [
                    "vehicles/{$own->id}/photos",
                    [
                        'id' => $photo,
                        'zone' => 'paint',
                        'stage' => 'before',
                        'taken_at' => '2026-11-25T09:00:00Z',
                        'file' => UploadedFile::fake()->image('b.jpg', 40, 30),
                    ],
                ],
                ["vehicles/{$own->id}/turns", $this->turn(['id' => $turn])],
                ['sheets', ['id' => $sheet, 'vehicle_id' => $own->id, 'on' => '2026-11-26']],
                ['start', ['id' => $car->id, 'name' => 'A', 'body' => 'van']],
            ]
            as [$path, $body]
        ) {
            $answer = $this->post("/api/v1/{$path}", $body, ['Accept' => 'application/json']);
            self::assertLessThan(500, $answer->getStatusCode(), "{$path}: " . $answer->exception?->getMessage());
        }
        self::assertSame(1, $this->inside($there, static fn(): int => Photo::query()->count()));
    }
}
