<?php

declare(strict_types=1);

namespace App\Watch;

use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\Log;

/** Statements that took long, without what was put into them: a line of JSON each, with the name of their request. */
final readonly class SlowQueries
{
    /** So many are read back for the operator. */
    private const SHOWN = 20;

    /** No more of the file than this is read. */
    private const TAIL_BYTES = 65_536;

    public function __construct(private Tally $tally) {}

    public function heard(QueryExecuted $query): void
    {
        if ($query->time < config()->integer('vicissa.slow_query_ms')) {
            return;
        }
        $this->tally->add('slow');
        Log::channel('slow')->warning(mb_substr($query->sql, 0, 2000), ['ms' => (int) round($query->time)]);
    }

    /** @return list<Told<'SlowQuery'>>  today's and yesterday's, newest first */
    public function last(): array
    {
        $found = [];
        foreach (array_reverse(array_slice(glob(storage_path('logs/slow-*.log')) ?: [], -2)) as $file) {
            $from = max(0, (int) filesize($file) - self::TAIL_BYTES);
            foreach (array_reverse(explode("\n", (string) file_get_contents($file, false, null, $from))) as $line) {
                $one = json_decode($line, true);
                if (!is_array($one) || !isset($one['message'], $one['datetime'])) {
                    continue;
                }
                $found[] = [
                    'sql' => (string) $one['message'],
                    'ms' => (int) ($one['context']['ms'] ?? 0),
                    'asked' => (string) ($one['context']['asked'] ?? ''),
                    'at' => (string) $one['datetime'],
                ];
                if (count($found) >= self::SHOWN) {
                    return $found;
                }
            }
        }

        return $found;
    }
}
