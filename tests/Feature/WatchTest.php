<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Watch\Readiness;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Psr\Log\LoggerInterface;
use RuntimeException;
use Tests\TestCase;

/** What whoever runs it sees of it. */
final class WatchTest extends TestCase
{
    public function testReadyIsWhoHasAllAndKeepsUp(): void
    {
        $ready = fn(): array => $this->getJson('/ready')->json();
        self::assertSame([false, null], [$ready()['ready'], $ready()['scheduler_s']], 'the scheduler never spoke');
        app(Readiness::class)->beat();
        $this->getJson('/ready')
            ->assertOk()
            ->assertJson(['ready' => true, 'database' => true, 'queue_s' => 0]);
        $this->clock->modify('+181 seconds');
        $this->getJson('/ready')
            ->assertStatus(503)
            ->assertJson(['scheduler_s' => 181]);
        app(Readiness::class)->beat();
        $now = $this->clock->now()->getTimestamp();
        $job = ['queue' => 'default', 'payload' => '{}', 'attempts' => 0, 'created_at' => $now];
        // What is at work, or is put off, is not late.
        DB::table('jobs')->insert([...$job, 'reserved_at' => $now, 'available_at' => $now - 900]);
        DB::table('jobs')->insert([...$job, 'reserved_at' => null, 'available_at' => $now + 900]);
        self::assertTrue($ready()['ready']);
        DB::table('jobs')->insert([...$job, 'reserved_at' => null, 'available_at' => $now - 301]);
        $this->getJson('/ready')
            ->assertStatus(503)
            ->assertJson(['queue_s' => 301]);
    }

    public function testReadyTellsNobodyElse(): void
    {
        $from = fn(array $headers = []): int => $this->withServerVariables(['REMOTE_ADDR' => '203.0.113.9'])
            ->getJson('/ready', $headers)
            ->getStatusCode();
        self::assertSame(404, $from());
        self::assertSame(404, $from(['Authorization' => 'Bearer ']));
        config(['vicissa.watch_token' => 'sea-pink-watch']);
        self::assertSame(404, $from(['Authorization' => 'Bearer wrong']));
        self::assertSame(503, $from(['Authorization' => 'Bearer sea-pink-watch']));
    }

    public function testARequestHasANameInItsAnswerAndInTheLog(): void
    {
        $name = (string) $this->getJson('/up')->headers->get('X-Request-Id');
        self::assertMatchesRegularExpression('/^[0-9a-f-]{36}$/', $name);
        self::assertSame(
            'proxy-12345',
            $this->getJson('/up', ['X-Request-Id' => 'proxy-12345'])->headers->get('X-Request-Id'),
        );
        foreach (["a\r\nb: c", 'short', str_repeat('a', 65), '<b>bold</b>'] as $forged) {
            self::assertNotSame(
                $forged,
                $this->getJson('/up', ['X-Request-Id' => $forged])->headers->get('X-Request-Id'),
            );
        }
        Route::get('api/v1/breaks', static fn() => throw new RuntimeException('It broke.'));
        config(['logging.channels.daily.path' => storage_path('logs/vicissa.log')]);
        $this->app?->instance('log', $this->app->make(LoggerInterface::class));
        $answer = $this->getJson('/api/v1/breaks')->assertStatus(500);
        $name = $answer->headers->get('X-Request-Id');
        self::assertSame($name, $answer->json('request'));
        $lines = array_merge(
            ...array_map(
                static fn(string $file): array => file($file) ?: [],
                glob(storage_path('logs/vicissa-*.log')) ?: [],
            ),
        );
        $last = array_filter(
            array_map(static fn(string $line): mixed => json_decode($line, true), $lines),
            static fn(mixed $line): bool => data_get($line, 'context.request') === $name,
        );
        self::assertCount(1, $last);
        self::assertSame('GET api/v1/breaks', data_get(reset($last), 'context.asked'));
        self::assertArrayNotHasKey('request', $this->getJson('/api/v1/me')->assertUnauthorized()->json());
    }
}
