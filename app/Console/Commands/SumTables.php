<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Database\DatabaseManager;
use Illuminate\Database\QueryException;
use RuntimeException;

/**
 * Rows of each table and a sum over what stands in them, for whoever compares two databases (`bin/restore --check`). The
 * connection is `owner`; who sees all workspaces is named by its settings.
 */
final class SumTables extends Command
{
    protected $signature = 'vicissa:sums {--mark= : the name of a restore point that is set at the very moment}';

    protected $description = 'Prints rows and sums of all tables, a line each';

    /** Milliseconds for which writers may be kept waiting, and how often that is tried. */
    private const PATIENCE_MS = 2000;

    private const TRIES = 20;

    public function handle(DatabaseManager $databases): int
    {
        $reader = $databases->connectUsing('sums', (array) config('database.connections.owner'));
        $tables = array_column(
            $reader->select("select tablename from pg_tables where schemaname = 'public' order by 1"),
            'tablename',
        );
        $mark = $this->option('mark');
        is_string($mark) ? $this->mark($databases, $reader, $mark, $tables) : $reader->beginTransaction();
        foreach ($tables as $table) {
            $sum = "coalesce(sum(('x' || substr(md5(t::text), 1, 15))::bit(60)::bigint), 0)";
            $found = $reader->selectOne("select count(*) as rows, {$sum} as sum from \"{$table}\" t");
            $this->line("{$table} {$found->rows} {$found->sum}");
        }
        $reader->rollBack();

        return self::SUCCESS;
    }

    /**
     * Nobody writes for the moment in which the mark is set and the reader takes its snapshot: they are of the same state.
     *
     * @param list<string> $tables
     */
    private function mark(DatabaseManager $databases, ConnectionInterface $reader, string $mark, array $tables): void
    {
        $holder = $databases->connectUsing('sums-hold', (array) config('database.connections.owner'));
        for ($try = 1; $try <= self::TRIES; $try++) {
            $holder->beginTransaction();
            try {
                $holder->statement('set local lock_timeout = ' . self::PATIENCE_MS);
                $holder->statement('lock table "' . implode('", "', $tables) . '" in share mode');
                $reader->beginTransaction();
                $reader->statement('set transaction isolation level repeatable read');
                $reader->selectOne('select 1');
                $holder->selectOne('select pg_create_restore_point(?)', [$mark]);

                return;
            } catch (QueryException $late) {
                if ($late->getCode() !== '55P03') {
                    throw $late;
                }
                usleep(500_000);
            } finally {
                $holder->rollBack();
            }
        }
        throw new RuntimeException('There was no quiet moment.');
    }
}
