<?php

declare(strict_types=1);

namespace App\Archive;

use App\Tables\UnreadableFile;
use App\Tenancy\Tenancy;
use App\Tenancy\User;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Throwable;
use Vicissa\Core\Says\Said;

/** Takes a long table into the book, all of it or nothing, in the lane for long work. */
final class TakeTable implements ShouldQueue
{
    use Queueable;

    public int $tries = 1;

    public int $timeout = 600;

    public function __construct(
        private readonly string $workspaceId,
        private readonly string $runId,
        private readonly string $kind,
        private readonly string $path,
    ) {
        $this->onQueue(TakeArchive::LANE);
    }

    public function handle(Tenancy $tenancy, ImportBook $importBook): void
    {
        $tenancy->within($this->workspaceId, fn() => $this->take($importBook), transaction: false);
    }

    private function take(ImportBook $importBook): void
    {
        $run = ArchiveRun::query()->find($this->runId);
        $by = $run?->asked_by === null ? null : User::query()->find($run->asked_by);
        if ($run === null || $by === null || $run->status !== 'waiting') {
            return;
        }
        $run->update(['status' => 'running']);
        try {
            $result = $importBook($this->kind, (string) file_get_contents($this->path), true, $by);
            $run->update([
                'status' => $result['done'] ? 'done' : 'refused',
                'says' => $result['done'] ? null : Said::of('archive.rows-wrong', count: $result['wrong']),
                'progress' => 1,
                'rows' => count($result['rows']),
                'result' => array_diff_key($result, ['rows' => 1]),
            ]);
        } catch (UnreadableFile $e) {
            $run->update(['status' => 'refused', 'says' => $e->says]);
        } catch (Throwable $e) {
            $run->update(['status' => 'refused', 'says' => Said::of('archive.broke')]);

            throw $e;
        } finally {
            @unlink($this->path);
        }
    }
}
