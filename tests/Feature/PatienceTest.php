<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Proof\KeepProof;
use App\Proof\WeighProof;
use App\Tenancy\Patience;
use App\Tenancy\Tenancy;
use App\Weeks\DrawWeeks;
use App\Weeks\LayAhead;
use Illuminate\Support\Facades\Queue;
use Tests\TestCase;

/** Who would wait too long is told so at once, and what they wait for is made meanwhile. */
final class PatienceTest extends TestCase
{
    public function testWeeksThatTakeLongAreLaidByTheQueue(): void
    {
        [$owner, $workspace] = $this->business();
        foreach (['One', 'Two', 'Three'] as $name) {
            $this->vehicle($workspace, name: $name);
        }
        $this->actingAs($owner);
        $this->postJson('/api/v1/crews', ['name' => 'Van', 'minutes' => [1 => 420, 4 => 420]])->assertCreated();
        $queue = Queue::fake();
        app(Patience::class)->lasts(0);
        $first = $this->getJson('/api/v1/weeks')
            ->assertStatus(503)
            ->assertHeader('Retry-After', '3')
            ->assertJsonPath('type', '/problems/being-laid');
        self::assertStringContainsString('1 of 3', (string) $first->json('detail'));
        // What was laid stays laid: whoever asks again comes further.
        $second = (string) $this->getJson('/api/v1/weeks')->assertStatus(503)->json('detail');
        self::assertStringContainsString('2 of 3', $second);
        Queue::assertPushedOn('long', LayAhead::class);
        $job = $queue->pushed(LayAhead::class)->first();
        self::assertInstanceOf(LayAhead::class, $job);
        $job->handle(app(Tenancy::class), app(Patience::class), app(DrawWeeks::class));
        $this->getJson('/api/v1/weeks')->assertOk()->assertJsonCount(3, 'vehicles');
    }

    public function testProofOfALargeBookIsWeighedByTheQueue(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $topper = $this->product($workspace, 'topper');
        $turn = fn(string $at) => $this->postJson(
            "/api/v1/vehicles/{$vehicle->id}/turns",
            $this->turn([
                'worked_at' => $at,
                'products' => [['product_id' => $topper->id, 'zone' => 'paint', 'quantity_ml' => 30]],
                'readings' => [['stage' => 'after_wash', 'zone' => 'paint', 'behaviour' => 'good']],
            ]),
        )->assertCreated();
        $this->actingAs($owner);
        $turn('2026-11-05T09:00:00Z');
        $turn('2026-11-12T09:00:00Z');
        config(['vicissa.limits.followed' => 0]);
        app('cache')->clear();
        $queue = Queue::fake();
        app(Patience::class)->lasts(60_000);
        $this->getJson('/api/v1/proof')->assertStatus(503)->assertJsonPath('type', '/problems/being-weighed');
        Queue::assertPushedOn('long', KeepProof::class);
        $this->weigh($queue->pushed(KeepProof::class)->first());
        $first = $this->getJson('/api/v1/proof')->assertOk()->assertJsonPath('newer', false)->json();
        self::assertSame(1, count($first['products']));

        // Something new: what was weighed last is told as such until that is weighed as well.
        $turn('2026-11-19T09:00:00Z');
        $this->clock->modify('+1 hour');
        $stale = $this->getJson('/api/v1/proof')->assertOk()->assertJsonPath('newer', true);
        $stale->assertHeader('Retry-After');
        self::assertSame($first['products'], $stale->json('products'));
        self::assertSame($first['weighed_at'], $stale->json('weighed_at'));
        // Of two that were asked for the last does it.
        $this->weigh(
            $queue
                ->pushed(KeepProof::class)
                ->slice(-2, 1)
                ->first(),
        );
        $this->getJson('/api/v1/proof')->assertOk()->assertJsonPath('newer', true);
        $this->weigh($queue->pushed(KeepProof::class)->last());
        $now = $this->getJson('/api/v1/proof')->assertOk()->assertJsonPath('newer', false)->json();
        self::assertGreaterThan($first['products'][0]['layers'], $now['products'][0]['layers']);
        self::assertNotSame($first['weighed_at'], $now['weighed_at']);
    }

    private function weigh(mixed $job): void
    {
        self::assertInstanceOf(KeepProof::class, $job);
        $job->handle(app(Tenancy::class), app(Patience::class), app(WeighProof::class));
    }
}
