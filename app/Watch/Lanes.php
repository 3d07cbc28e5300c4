<?php

declare(strict_types=1);

namespace App\Watch;

use DateTimeImmutable;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Contracts\Queue\Factory;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Queue\Events\JobFailed;
use Illuminate\Queue\Events\JobProcessed;
use Illuminate\Queue\Events\JobProcessing;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Str;
use Psr\Clock\ClockInterface;

/** What waits for the workers, what they did, and what they could not. */
final class Lanes
{
    private const NAMES = ['default', 'long'];

    private const DONE = 'watch.jobs';

    /** So many of what failed are shown. */
    private const SHOWN = 50;

    private float $begun = 0.0;

    public function __construct(
        private readonly ConnectionInterface $database,
        private readonly Factory $queues,
        private readonly Repository $cache,
        private readonly ClockInterface $clock,
    ) {}

    /** @return list<Told<'Lane'>> */
    public function waiting(): array
    {
        $now = $this->clock->now()->getTimestamp();
        $queue = $this->queues->connection();

        return array_map(static function (string $lane) use ($queue, $now): array {
            $oldest = $queue->creationTimeOfOldestPendingJob($lane);

            return [
                'lane' => $lane,
                'waiting' => $queue->pendingSize($lane),
                'put_off' => $queue->delayedSize($lane),
                'at_work' => $queue->reservedSize($lane),
                'oldest_s' => $oldest === null ? 0 : max(0, $now - $oldest),
            ];
        }, self::NAMES);
    }

    /** @return list<Told<'FailedJob'>>  newest first */
    public function failed(): array
    {
        return array_values(
            $this->database
                ->table('failed_jobs')
                ->orderByDesc('failed_at')
                ->limit(self::SHOWN)
                ->get()
                ->map(
                    static fn(object $row): array => [
                        'id' => (string) $row->uuid,
                        'lane' => (string) $row->queue,
                        'job' => self::name((string) (json_decode((string) $row->payload, true)['displayName'] ?? '')),
                        // Without the statement, which names what somebody wrote.
                        'says' => mb_substr(
                            Str::before(strtok((string) $row->exception, "\n") ?: '', ' (Connection: '),
                            0,
                            300,
                        ),
                        'at' => (new DateTimeImmutable((string) $row->failed_at))->format('Y-m-d\TH:i:s\Z'),
                    ],
                )
                ->all(),
        );
    }

    /** Puts it back into its lane; whether it was there. */
    public function again(string $id): bool
    {
        $known = $this->database->table('failed_jobs')->where('uuid', $id)->exists();
        if ($known) {
            Artisan::call('queue:retry', ['id' => [$id]]);
        }

        return $known;
    }

    /** Gives it up; whether it was there. */
    public function drop(string $id): bool
    {
        return $this->database->table('failed_jobs')->where('uuid', $id)->delete() === 1;
    }

    public function begins(JobProcessing $event): void
    {
        $this->begun = microtime(true);
    }

    public function ends(JobProcessed|JobFailed $event): void
    {
        $this->count(self::name($event->job->resolveName()), $event instanceof JobFailed ? 'failed' : 'done');
    }

    /** @return array<string, array{done: int, failed: int, ms: int}>  by the job's name */
    public function done(): array
    {
        $found = [];
        foreach ((array) $this->cache->get(self::DONE, []) as $name) {
            $name = (string) $name;
            $found[$name] = [
                'done' => (int) $this->cache->get(self::DONE . ".{$name}.done", 0),
                'failed' => (int) $this->cache->get(self::DONE . ".{$name}.failed", 0),
                'ms' => (int) $this->cache->get(self::DONE . ".{$name}.ms", 0),
            ];
        }
        ksort($found);

        return $found;
    }

    private function count(string $name, string $how): void
    {
        $known = (array) $this->cache->get(self::DONE, []);
        if (!in_array($name, $known, true)) {
            $this->cache->forever(self::DONE, [...$known, $name]);
        }
        foreach ([$how => 1, 'ms' => (int) round(1000 * (microtime(true) - $this->begun))] as $what => $many) {
            $this->cache->add(self::DONE . ".{$name}.{$what}", 0, 315_360_000);
            $this->cache->increment(self::DONE . ".{$name}.{$what}", $many);
        }
    }

    /** Without its room, as people call it. */
    private static function name(string $class): string
    {
        return substr((string) strrchr("\\{$class}", '\\'), 1);
    }
}
