<?php

declare(strict_types=1);

namespace App\Watch;

use Illuminate\Database\ConnectionInterface;
use Throwable;

/**
 * What a machine that collects figures reads, in the text form of OpenMetrics 1.0: requests of this machine since php-fpm
 * began, and the installation's queue, vault and readiness as they stand.
 */
final readonly class Metrics
{
    public const TYPE = 'application/openmetrics-text; version=1.0.0; charset=utf-8';

    /** Milliseconds up to which an answer counts, cumulated. */
    private const BUCKETS = [50, 100, 250, 500, 1000, 2500, 5000, 10000];

    public function __construct(
        private Tally $tally,
        private Readiness $readiness,
        private Lanes $lanes,
        private Vault $vault,
        private Versions $versions,
        private ConnectionInterface $database,
    ) {}

    /** @param string $route  as it is written down, without what was put into it */
    public function answered(string $method, string $route, int $status, float $ms): void
    {
        $this->tally->add("asked {$method} {$route} {$status}");
        $this->tally->add("took {$route} sum", max(0, (int) round(1000 * $ms)));
        foreach (self::BUCKETS as $bucket) {
            if ($ms <= $bucket) {
                $this->tally->add("took {$route} to{$bucket}");

                break;
            }
        }
        $this->tally->add("took {$route} count");
    }

    /** An answer that was given before, to a phone or page that had not heard it. */
    public function repeated(): void
    {
        $this->tally->add('again');
    }

    public function text(): string
    {
        $lines = [...$this->requests(), ...$this->installation()];

        return implode("\n", [...$lines, '# EOF', '']);
    }

    /** @return list<string> */
    private function requests(): array
    {
        $all = $this->tally->all();
        $asked = $took = [];
        foreach ($all as $name => $many) {
            $parts = explode(' ', $name);
            if ($parts[0] === 'asked') {
                $asked[] = [['method' => $parts[1], 'route' => $parts[2], 'status' => $parts[3]], $many];
            } elseif ($parts[0] === 'took') {
                $took[$parts[1]][$parts[2]] = $many;
            }
        }
        $lines = [
            ...self::family('vicissa_requests', 'counter', '_total', $asked),
            ...self::family('vicissa_answers_repeated', 'counter', '_total', [[[], $all['again'] ?? 0]]),
            ...self::family('vicissa_slow_queries', 'counter', '_total', [[[], $all['slow'] ?? 0]]),
            '# TYPE vicissa_request_seconds histogram',
            '# UNIT vicissa_request_seconds seconds',
        ];
        foreach ($took as $route => $counts) {
            $sofar = 0;
            foreach (self::BUCKETS as $bucket) {
                $sofar += $counts["to{$bucket}"] ?? 0;
                $lines[] = self::line(
                    'vicissa_request_seconds_bucket',
                    ['route' => $route, 'le' => (string) ($bucket / 1000)],
                    $sofar,
                );
            }
            $count = $counts['count'] ?? 0;
            $lines[] = self::line('vicissa_request_seconds_bucket', ['route' => $route, 'le' => '+Inf'], $count);
            $lines[] = self::line('vicissa_request_seconds_count', ['route' => $route], $count);
            $lines[] = self::line('vicissa_request_seconds_sum', ['route' => $route], ($counts['sum'] ?? 0) / 1e6);
        }

        return $lines;
    }

    /** @return list<string> */
    private function installation(): array
    {
        $ready = $this->readiness->look();
        $build = array_map(static fn(?string $one): string => $one ?? '', $this->versions->told());
        $lines = [
            ...self::family('vicissa_build', 'info', '_info', [[$build, 1]]),
            ...self::gauge('vicissa_ready', [[[], (int) $ready['ready']]]),
            ...self::gauge('vicissa_disk_free_bytes', [[[], $ready['disk_mb'] * 1048576]]),
        ];
        try {
            return [
                ...$lines,
                ...self::gauge('vicissa_scheduler_age_seconds', [[[], $ready['scheduler_s'] ?? -1]]),
                ...self::gauge('vicissa_failed_jobs', [[[], $ready['failed_jobs'] ?? 0]]),
                ...$this->work(),
                ...$this->vaulted(),
            ];
        } catch (Throwable) {
            // The database is away: vicissa_ready says so.
            return $lines;
        }
    }

    /** @return list<string> */
    private function work(): array
    {
        $waiting = $putOff = $atWork = $oldest = $jobs = $took = [];
        foreach ($this->lanes->waiting() as $lane) {
            $label = ['lane' => $lane['lane']];
            $waiting[] = [$label, $lane['waiting']];
            $putOff[] = [$label, $lane['put_off']];
            $atWork[] = [$label, $lane['at_work']];
            $oldest[] = [$label, $lane['oldest_s']];
        }
        foreach ($this->lanes->done() as $job => $one) {
            $jobs[] = [['job' => $job, 'how' => 'done'], $one['done']];
            $jobs[] = [['job' => $job, 'how' => 'failed'], $one['failed']];
            $took[] = [['job' => $job], $one['ms'] / 1000];
        }

        return [
            ...self::gauge('vicissa_queue_waiting', $waiting),
            ...self::gauge('vicissa_queue_put_off', $putOff),
            ...self::gauge('vicissa_queue_at_work', $atWork),
            ...self::gauge('vicissa_queue_oldest_seconds', $oldest),
            ...self::family('vicissa_jobs', 'counter', '_total', $jobs),
            ...self::family('vicissa_job_seconds', 'counter', '_total', $took),
        ];
    }

    /** @return list<string> */
    private function vaulted(): array
    {
        $shipped = $this->database->selectOne('select archived_count, failed_count from pg_stat_archiver');
        $ok = $age = [];
        foreach ($this->vault->done() as $one) {
            $ok[] = [['kind' => $one['kind']], (int) $one['ok']];
            if ($one['well_at'] !== null) {
                $age[] = [['kind' => $one['kind']], $this->vault->age($one['well_at'])];
            }
        }

        return [
            ...self::family('vicissa_changes_shipped', 'counter', '_total', [
                [['how' => 'done'], (int) $shipped->archived_count],
                [['how' => 'failed'], (int) $shipped->failed_count],
            ]),
            ...self::gauge('vicissa_vault_ok', $ok),
            ...self::gauge('vicissa_vault_age_seconds', $age),
        ];
    }

    /**
     * @param list<array{array<string, string>, int|float}> $rows
     * @return list<string>
     */
    private static function gauge(string $name, array $rows): array
    {
        return self::family($name, 'gauge', '', $rows);
    }

    /**
     * @param list<array{array<string, string>, int|float}> $rows
     * @return list<string>
     */
    private static function family(string $name, string $type, string $suffix, array $rows): array
    {
        $lines = ["# TYPE {$name} {$type}"];
        foreach ($rows as [$labels, $value]) {
            $lines[] = self::line($name . $suffix, $labels, $value);
        }

        return $lines;
    }

    /** @param array<string, string> $labels */
    private static function line(string $name, array $labels, int|float $value): string
    {
        $told = [];
        foreach ($labels as $key => $label) {
            $told[] = $key . '="' . addcslashes($label, "\\\"\n") . '"';
        }

        return $name . ($told === [] ? '' : '{' . implode(',', $told) . '}') . ' ' . $value;
    }
}
