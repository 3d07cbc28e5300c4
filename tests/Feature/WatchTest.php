<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Watch\Readiness;
use Illuminate\Contracts\Queue\Job;
use Illuminate\Queue\Events\JobFailed;
use Illuminate\Queue\Events\JobProcessed;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Route;
use Psr\Log\LoggerInterface;
use RuntimeException;
use Tests\TestCase;

/** What whoever runs it sees of it. */
final class WatchTest extends TestCase
{
    public function testReadyIsWhoHasAllAndKeepsUp(): void
    {
        config(['queue.default' => 'database']);
        $ready = fn(): array => $this->getJson('/ready')->json();
        self::assertSame([false, null], [$ready()['ready'], $ready()['scheduler_s']], 'the scheduler never spoke');
        app(Readiness::class)->beat();
        $this->getJson('/ready')
            ->assertOk()
            ->assertJson(['ready' => true, 'database' => true, 'queue_s' => 0]);
        $this->clock->modify('+181 seconds');
        $this->getJson('/ready')
            ->assertStatus(503)
            ->assertJson(['scheduler_s' => 181, 'wrong' => ['scheduler']]);
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
            ->assertJson(['queue_s' => 301, 'wrong' => ['queue']]);
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
        $here = fn(array $headers): int => $this->withServerVariables(['REMOTE_ADDR' => '127.0.0.1'])
            ->getJson('/ready', $headers)
            ->getStatusCode();
        self::assertSame(503, $here([]));
        // Behind a proxy that nobody has named everybody is this machine.
        self::assertSame(404, $here(['X-Forwarded-For' => '203.0.113.9']));
        self::assertSame(404, $here(['Forwarded' => 'for=203.0.113.9']));
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

    public function testWhoRunsItSeesHowItFaresAndTriesAgainWhatFailed(): void
    {
        config(['vicissa.watch_token' => 'sea-pink-watch', 'queue.default' => 'database']);
        $token = ['Authorization' => 'Bearer sea-pink-watch'];
        DB::table('failed_jobs')->insert([
            'uuid' => ($id = '018f6e64-0000-7000-8000-000000000001'),
            'connection' => 'database',
            'queue' => 'long',
            'payload' => json_encode(['uuid' => $id, 'displayName' => 'App\Archive\MakeArchive', 'data' => []]),
            'exception' =>
                "RuntimeException: the disk was full (Connection: pgsql, SQL: insert into clients values (Mrs Tolland))\n#0 somewhere",
            'failed_at' => '2026-11-24 03:00:00',
        ]);
        foreach ([[], ['Authorization' => 'Bearer sea-pink']] as $headers) {
            foreach (
                ['GET operator', "POST operator/failed/{$id}/again", "DELETE operator/failed/{$id}", 'GET /metrics']
                as $door
            ) {
                [$method, $path] = explode(' ', $door);
                $this->json($method, $path[0] === '/' ? $path : "/api/v1/{$path}", [], $headers)->assertNotFound();
            }
        }
        @mkdir(storage_path('vault'), recursive: true);
        $note = fn(string $kind, string $at, string $ok): int|false => file_put_contents(
            storage_path("vault/{$kind}.json"),
            "{\"at\":\"{$at}\",\"ok\":{$ok},\"took_s\":7,\"says\":\"said\"}",
        );
        $now = $this->clock->now();
        $note('base', $now->format('Y-m-d\TH:i:s\Z'), 'false');
        $note('base-well', $now->modify('-31 hours')->format('Y-m-d\TH:i:s\Z'), 'true');
        $note('drill-well', $now->modify('-7 days')->format('Y-m-d\TH:i:s\Z'), 'true');
        $seen = $this->getJson('/api/v1/operator', $token)->assertOk()->json();
        self::assertSame(
            [['base', false, true], ['photos', null, true], ['drill', null, false]],
            array_map(static fn(array $one): array => [$one['kind'], $one['ok'], $one['late']], $seen['vault']),
        );
        self::assertSame(
            [
                [
                    'id' => $id,
                    'lane' => 'long',
                    'job' => 'MakeArchive',
                    'says' => 'RuntimeException: the disk was full',
                    'at' => '2026-11-24T03:00:00Z',
                ],
            ],
            $seen['failed'],
        );
        $this->postJson("/api/v1/operator/failed/{$id}/again", [], $token)->assertNoContent();
        $seen = $this->getJson('/api/v1/operator', $token)->json();
        self::assertSame([], $seen['failed']);
        self::assertSame(
            [['default', 0], ['long', 1]],
            array_map(static fn(array $one): array => [$one['lane'], $one['waiting']], $seen['lanes']),
        );
        $this->postJson("/api/v1/operator/failed/{$id}/again", [], $token)->assertNotFound();
        array_map(unlink(...), glob(storage_path('vault/*.json')) ?: []);
        rmdir(storage_path('vault'));
        self::assertSame([], $this->getJson('/api/v1/operator', $token)->json('vault'));
    }

    public function testAStatementThatTakesLongIsWrittenDownWithoutWhatWasPutIntoIt(): void
    {
        config(['vicissa.watch_token' => 'sea-pink-watch', 'vicissa.slow_query_ms' => 40]);
        DB::select('select 1 as quick');
        DB::select('select pg_sleep(0.06), ? as what', ['the client’s name']);
        $slow = $this->getJson('/api/v1/operator', ['Authorization' => 'Bearer sea-pink-watch'])->json('slow');
        self::assertSame('select pg_sleep(0.06), ? as what', $slow[0]['sql']);
        self::assertGreaterThanOrEqual(40, $slow[0]['ms']);
        self::assertStringNotContainsString('the client’s name', (string) json_encode($slow, JSON_UNESCAPED_UNICODE));
        self::assertNotContains('select 1 as quick', array_column($slow, 'sql'));
    }

    public function testALogThatCantBeWrittenFailsNobodysRequest(): void
    {
        config(['vicissa.slow_query_ms' => 0]);
        foreach (['daily' => 'vicissa', 'slow' => 'slow'] as $channel => $name) {
            // Nobody can write where a folder stands.
            mkdir($folder = storage_path("logs/no-{$name}-" . date('Y-m-d') . '.log'), recursive: true);
            config(["logging.channels.{$channel}.path" => storage_path("logs/no-{$name}.log")]);
            Log::forgetChannel($channel);
            $this->beforeApplicationDestroyed(static fn(): bool => rmdir($folder));
        }
        $kept = (string) ini_set('error_log', $own = storage_path('logs/own.log'));
        [$owner] = $this->business();
        $this->actingAs($owner)->getJson('/api/v1/film')->assertOk();
        Log::error('what broke');
        ini_set('error_log', $kept);
        self::assertStringContainsString('what broke', (string) file_get_contents($own));
        unlink($own);
    }

    public function testMetricsAreWhatACollectorReads(): void
    {
        config(['vicissa.watch_token' => 'sea-pink-watch']);
        $this->getJson('/api/v1/me')->assertUnauthorized();
        $this->getJson('/api/v1/vehicles/018f6e64-0000-7000-8000-000000000001')->assertUnauthorized();
        $this->get('/"quoted"')->assertNotFound();
        event(
            new JobProcessed(
                'database',
                ($job = $this->createConfiguredStub(Job::class, ['resolveName' => 'App\Weeks\SearchPlan'])),
            ),
        );
        event(new JobFailed('database', $job, new RuntimeException('no')));
        $answer = $this->get('/metrics', ['Authorization' => 'Bearer sea-pink-watch'])->assertOk();
        self::assertStringStartsWith(
            'application/openmetrics-text; version=1.0.0',
            (string) $answer->headers->get('Content-Type'),
        );
        $text = (string) $answer->getContent();
        foreach (
            [
                'vicissa_requests_total{method="GET",route="/api/v1/me",status="401"} 1',
                'vicissa_requests_total{method="GET",route="/api/v1/vehicles/{vehicle}",status="401"} 1',
                'vicissa_request_seconds_count{route="/api/v1/me"} 1',
                'vicissa_jobs_total{job="SearchPlan",how="done"} 1',
                'vicissa_jobs_total{job="SearchPlan",how="failed"} 1',
                'vicissa_ready 0',
            ]
            as $line
        ) {
            self::assertStringContainsString("\n{$line}\n", $text);
        }
        // A collector's own reader, to the last line.
        $reader = proc_open(
            [
                '/usr/bin/python3',
                '-c',
                'import sys; from prometheus_client.openmetrics.parser import text_string_to_metric_families as read; print(len(list(read(sys.stdin.read()))))',
            ],
            [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']],
            $pipes,
        );
        self::assertIsResource($reader);
        fwrite($pipes[0], $text);
        fclose($pipes[0]);
        $families = (int) stream_get_contents($pipes[1]);
        self::assertSame('', trim((string) stream_get_contents($pipes[2])));
        self::assertSame(0, proc_close($reader));
        self::assertSame(substr_count($text, '# TYPE '), $families);
    }
}
