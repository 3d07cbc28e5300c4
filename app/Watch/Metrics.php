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
            ...self::family('vicissa_requests', 'counter', 'Answers given by this machine.', '_total', $asked),
            ...self::family(
                'vicissa_answers_repeated',
                'counter',
                'Answers given a second time to the same request.',
                '_total',
                [[[], $all['again'] ?? 0]],
            ),
            ...self::family('vicissa_slow_queries', 'counter', 'Statements that took long.', '_total', [
                [[], $all['slow'] ?? 0],
            ]),
            '# TYPE vicissa_request_seconds histogram',
            '# UNIT vicissa_request_seconds seconds',
            '# HELP vicissa_request_seconds From the request to its answer.',
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
        $gauge = static fn(string $name, string $help, array $rows): array => self::family(
            $name,
            'gauge',
            $help,
            '',
            $rows,
        );
        $versions = $this->versions->told();
        $lines = [
            ...self::family('vicissa_build', 'info', 'What runs here.', '_info', [
                [array_map(static fn(?string $one): string => $one ?? '', $versions), 1],
            ]),
            ...$gauge('vicissa_ready', 'Whether it keeps up.', [[[], (int) $ready['ready']]]),
            ...$gauge('vicissa_disk_free_bytes', 'Left where pictures and logs are.', [
                [[], $ready['disk_mb'] * 1048576],
            ]),
        ];
        try {
            $lanes = $this->lanes->waiting();
            $did = $this->lanes->done();
            $shipped = $this->database->selectOne('select archived_count, failed_count from pg_stat_archiver');
        } catch (Throwable) {
            // vicissa_ready says so.
            return $lines;
        }
        $each = [];
        foreach ($lanes as $lane) {
            foreach (['waiting', 'at_work', 'oldest_s'] as $key) {
                $each[$key][] = [['lane' => $lane['lane']], $lane[$key]];
            }
        }
        $vault = $this->vault->done();

        return [
            ...$lines,
            ...$gauge('vicissa_scheduler_age_seconds', 'Since the scheduler’s last word.', [
                [[], $ready['scheduler_s'] ?? -1],
            ]),
            ...$gauge('vicissa_queue_waiting', 'Jobs that wait.', $each['waiting'] ?? []),
            ...$gauge('vicissa_queue_at_work', 'Jobs at work.', $each['at_work'] ?? []),
            ...$gauge('vicissa_queue_oldest_seconds', 'How long the oldest waits.', $each['oldest_s'] ?? []),
            ...$gauge('vicissa_failed_jobs', 'Jobs that failed and lie there.', [[[], $ready['failed_jobs'] ?? 0]]),
            ...self::family(
                'vicissa_jobs',
                'counter',
                'Jobs done: SearchPlan is the planner, SendLetter the post.',
                '_total',
                [
                    ...array_map(
                        static fn(string $job, array $one): array => [['job' => $job, 'how' => 'done'], $one['done']],
                        array_keys($did),
                        $did,
                    ),
                    ...array_map(
                        static fn(string $job, array $one): array => [
                            ['job' => $job, 'how' => 'failed'],
                            $one['failed'],
                        ],
                        array_keys($did),
                        $did,
                    ),
                ],
            ),
            ...self::family(
                'vicissa_job_seconds',
                'counter',
                'Time jobs took.',
                '_total',
                array_map(
                    static fn(string $job, array $one): array => [['job' => $job], $one['ms'] / 1000],
                    array_keys($did),
                    $did,
                ),
            ),
            ...self::family('vicissa_changes_shipped', 'counter', 'Files of changes handed to the vault.', '_total', [
                [['how' => 'done'], (int) $shipped->archived_count],
                [['how' => 'failed'], (int) $shipped->failed_count],
            ]),
            ...$gauge(
                'vicissa_vault_age_seconds',
                'Since it was last done well.',
                array_values(
                    array_map(
                        fn(array $one): array => [
                            ['kind' => $one['kind']],
                            $this->vault->age((string) $one['well_at']),
                        ],
                        array_filter($vault, static fn(array $one): bool => $one['well_at'] !== null),
                    ),
                ),
            ),
            ...$gauge(
                'vicissa_vault_ok',
                'Whether the last went well.',
                array_map(static fn(array $one): array => [['kind' => $one['kind']], (int) $one['ok']], $vault),
            ),
        ];
    }

    /**
     * @param list<array{array<string, string>, int|float}> $rows
     * @return list<string>
     */
    private static function family(string $name, string $type, string $help, string $suffix, array $rows): array
    {
        $lines = ["# TYPE {$name} {$type}", "# HELP {$name} {$help}"];
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
