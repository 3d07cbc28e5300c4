<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Tests\TestCase;

/** What a client reads: on paper, and behind an address that can be revoked. */
final class RecordTest extends TestCase
{
    public function testALinkShowsOneRecordAndARevokedOneNothing(): void
    {
        Storage::fake('photos');
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $other = $this->vehicle($workspace, 'polymer', '2026-08-01', 'Another');
        $topper = $this->product($workspace, 'topper', 'silica');
        $this->actingAs($owner);
        $first = $this->postJson(
            "/api/v1/vehicles/{$vehicle->id}/turns",
            $this->turn([
                'worked_at' => '2026-11-10T09:00:00Z',
                'note' => 'A chip on the bonnet',
                'readings' => [['stage' => 'after_wash', 'zone' => 'paint', 'behaviour' => 'weak', 'angle_deg' => 71]],
                'products' => [['product_id' => $topper->id, 'zone' => 'paint', 'quantity_ml' => 40]],
            ]),
        )
            ->assertCreated()
            ->json();
        $second = $this->postJson("/api/v1/vehicles/{$vehicle->id}/turns", $this->turn())
            ->assertCreated()
            ->json();
        $photo = Str::uuid7()->toString();
        $this->post("/api/v1/vehicles/{$vehicle->id}/photos", [
            'file' => UploadedFile::fake()->image('a.jpg', 640, 480),
            'id' => $photo,
            'zone' => 'paint',
            'stage' => 'after',
            'taken_at' => '2026-11-10T10:00:00Z',
        ])->assertCreated();
        $make = fn(array $body): array => $this->postJson("/api/v1/vehicles/{$vehicle->id}/record-links", $body)
            ->assertCreated()
            ->json();
        $turn = $make(['kind' => 'turn', 'turn_id' => $first['id']]);
        $history = $make(['kind' => 'history']);
        $this->postJson("/api/v1/vehicles/{$other->id}/record-links", [
            'kind' => 'turn',
            'turn_id' => $first['id'],
        ])->assertNotFound();
        $this->getJson("/api/v1/vehicles/{$vehicle->id}/record-links")
            ->assertOk()
            ->assertJsonCount(2, 'data')
            ->assertJsonMissingPath('data.0.url');
        Auth::forgetGuards();
        $this->app?->make('auth')->forgetGuards();
        $address = static fn(array $link): string => str_replace(
            'http://127.0.0.1:8680/r/',
            '/api/v1/records/',
            $link['url'],
        );
        $record = $this->getJson($address($turn))->assertOk()->assertHeader('X-Robots-Tag', 'noindex')->json();
        self::assertSame(
            ['The blue estate', [$first['id']]],
            [$record['vehicle']['name'], array_column($record['turns'], 'id')],
        );
        self::assertSame('A chip on the bonnet', $record['turns'][0]['note']);
        self::assertEquals(71, $record['turns'][0]['readings'][0]['angle_deg']);
        self::assertSame(
            [$second['id'], $first['id']],
            array_column($this->getJson($address($history))->assertOk()->json('turns'), 'id'),
        );
        self::assertStringStartsWith(
            '%PDF-',
            (string) $this->get($address($history) . '/pdf')
                ->assertOk()
                ->getContent(),
        );
        // A picture that is in no turn of it is not shown.
        $this->getJson($address($turn) . "/photos/{$photo}")->assertNotFound();
        $this->getJson('/api/v1/turns/' . $first['id'])->assertUnauthorized();
        $this->getJson('/api/v1/records/' . str_repeat('a', 40))->assertNotFound();
        $this->actingAs($owner, 'web');
        $this->deleteJson("/api/v1/record-links/{$turn['id']}")->assertNoContent();
        Auth::forgetGuards();
        $this->assertProblem($this->getJson($address($turn)), 404, 'not shown any more');
        $this->getJson($address($turn) . '/pdf')->assertNotFound();
        $this->getJson($address($history))->assertOk();
    }

    public function testTheRecordOnPaperAndWhoMayPrintIt(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace, 'ceramic', '2025-05-01');
        $this->actingAs($owner);
        $turn = $this->postJson(
            "/api/v1/vehicles/{$vehicle->id}/turns",
            $this->turn([
                'readings' => [
                    ['stage' => 'arrival', 'zone' => 'paint', 'behaviour' => 'flat'],
                    ['stage' => 'after_wash', 'zone' => 'paint', 'behaviour' => 'tight'],
                ],
            ]),
        )
            ->assertCreated()
            ->json();
        foreach (["kind=turn&turn_id={$turn['id']}", 'kind=year', 'kind=history'] as $query) {
            $pdf = (string) $this->get("/api/v1/vehicles/{$vehicle->id}/record?{$query}")
                ->assertOk()
                ->assertHeader('Content-Type', 'application/pdf')
                ->getContent();
            self::assertStringStartsWith('%PDF-', $pdf);
            self::assertGreaterThan(8000, strlen($pdf));
        }
        $this->assertProblem($this->getJson("/api/v1/vehicles/{$vehicle->id}/record?kind=turn"), 422, '', '/turn_id');
        [$stranger] = $this->business('Elsewhere');
        Auth::forgetGuards();
        $this->actingAs($stranger, 'web')
            ->getJson("/api/v1/vehicles/{$vehicle->id}/record?kind=year")
            ->assertNotFound();
    }
}
