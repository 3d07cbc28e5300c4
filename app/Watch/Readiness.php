<?php

declare(strict_types=1);

namespace App\Watch;

use Illuminate\Contracts\Cache\Repository;
use Illuminate\Database\ConnectionInterface;
use Psr\Clock\ClockInterface;
use Throwable;

/** Whether all that Vicissa needs is there and keeps up: what whoever watches over it asks every minute. */
final readonly class Readiness
{
    private const BEAT = 'watch.scheduler';

    /** Seconds after which the oldest job that could go on counts as left lying, and the scheduler as gone. */
    private const LATE = ['queue' => 300, 'scheduler' => 180];

    /** Less than this is left on a disk in no time. */
    private const LEAST_MB = 500;

    public function __construct(
        private ConnectionInterface $database,
        private Repository $cache,
        private Lanes $lanes,
        private ClockInterface $clock,
    ) {}

    /** The scheduler's own word, once a minute. */
    public function beat(): void
    {
        $this->cache->forever(self::BEAT, $this->clock->now()->getTimestamp());
    }

    /**
     * @return array{ready: bool, wrong: list<string>, database: bool, queue_s: int|null, failed_jobs: int|null, scheduler_s: int|null,
     *     disk_mb: int}  seconds the oldest job waits and since the scheduler's last word; null where nobody knows
     */
    public function look(): array
    {
        $now = $this->clock->now()->getTimestamp();
        $disk = (int) floor((float) @disk_free_space(storage_path()) / 1048576);
        $told = [
            'database' => false,
            'queue_s' => null,
            'failed_jobs' => null,
            'scheduler_s' => null,
            'disk_mb' => $disk,
        ];
        try {
            $failed = $this->database->table('failed_jobs')->count();
            $beat = $this->cache->get(self::BEAT);
            $told = [
                'database' => true,
                'queue_s' => max(0, ...array_column($this->lanes->waiting(), 'oldest_s')),
                'failed_jobs' => $failed,
                'scheduler_s' => is_numeric($beat) ? max(0, $now - (int) $beat) : null,
                'disk_mb' => $disk,
            ];
        } catch (Throwable) {
            // That is what was asked.
        }

        $wrong = array_keys(
            array_filter([
                'database' => !$told['database'],
                'queue' => $told['queue_s'] > self::LATE['queue'],
                'scheduler' =>
                    $told['database'] &&
                    ($told['scheduler_s'] === null || $told['scheduler_s'] > self::LATE['scheduler']),
                'disk' => $disk < self::LEAST_MB,
            ]),
        );

        return ['ready' => $wrong === [], 'wrong' => $wrong, ...$told];
    }
}
