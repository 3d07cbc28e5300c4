<?php

declare(strict_types=1);

namespace App\Archive;

use App\Tenancy\Tenancy;
use App\Tenancy\User;
use Vicissa\Core\Says\Said;

/** A long table, into the book. */
final class TakeTable extends LongRun
{
    public function __construct(string $workspaceId, string $runId, string $path, protected string $kind)
    {
        parent::__construct($workspaceId, $runId, $path);
    }

    public function handle(Tenancy $tenancy, ImportBook $importBook): void
    {
        $this->taken($tenancy, function (User $by, string $path) use ($importBook): array {
            $result = $importBook($this->kind, (string) file_get_contents($path), true, $by);

            return [
                ...$result['done']
                    ? []
                    : ['status' => 'refused', 'says' => Said::of('archive.rows-wrong', count: $result['wrong'])],
                'rows' => count($result['rows']),
                'result' => array_diff_key($result, ['rows' => 1]),
            ];
        });
    }
}
