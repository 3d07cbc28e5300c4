<?php

declare(strict_types=1);

namespace App\Archive;

use App\Tenancy\Tenancy;
use App\Tenancy\User;
use Closure;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Storage;
use Throwable;
use Vicissa\Core\Says\Refusal;
use Vicissa\Core\Says\Said;

/**
 * What takes too long for a request: taking in a file that was handed in, an archive or a long table, all of it or
 * nothing; writing an archive. In the lane for long work; a workspace has one at a time there (BeginRun), so that nobody
 * waits behind another's many.
 */
abstract class LongRun implements ShouldQueue
{
    use Queueable;

    public int $tries = 1;

    public int $timeout = 600;

    // Not private: what is private here is not brought back when the queue reads it again.
    public function __construct(protected string $workspaceId, protected string $runId, protected string $path)
    {
        $this->onQueue('long');
    }

    /**
     * @param Closure(User, string, Closure(float): int): array<string, mixed> $take  the file, and how far it is; what
     *     is noted of it. The file itself is gone afterwards.
     */
    protected function taken(Tenancy $tenancy, Closure $take): void
    {
        // How far it is has to be seen while it goes on.
        $tenancy->within($this->workspaceId, fn() => $this->take($take), transaction: false);
    }

    /** @param Closure(User, string, Closure(float): int): array<string, mixed> $take */
    private function take(Closure $take): void
    {
        $run = ArchiveRun::query()->find($this->runId);
        $by = $run?->asked_by === null ? null : User::query()->find($run->asked_by);
        if ($run === null || $by === null || $run->status !== 'waiting') {
            @unlink($this->path);

            return;
        }
        $run->update(['status' => 'running']);
        app(ArchiveFiles::class)->bring($this->path);
        $told = static fn(float $share): int => ArchiveRun::query()
            ->whereKey($run->id)
            ->update(['progress' => round($share, 3)]);
        try {
            $run->update(['status' => 'done', 'progress' => 1, ...$take($by, $this->path, $told)]);
        } catch (Refusal $e) {
            $run->update(['status' => 'refused', 'says' => $e->says]);
        } catch (Throwable $e) {
            $run->update(['status' => 'refused', 'says' => $this->broke()]);

            throw $e;
        } finally {
            app(ArchiveFiles::class)->gone($this->path);
        }
    }

    /** What is said when it broke for no fault of the file. */
    protected function broke(): Said
    {
        return Said::of('archive.broke');
    }

    /** The worker itself was stopped. */
    public function failed(?Throwable $e): void
    {
        app(ArchiveFiles::class)->gone($this->path);
        app(Tenancy::class)->within($this->workspaceId, function (): void {
            ArchiveRun::query()
                ->whereKey($this->runId)
                ->whereIn('status', ['waiting', 'running'])
                ->update(['status' => 'refused', 'says' => json_encode($this->broke())]);
            if (ReadArchive::isEmpty()) {
                Storage::disk('photos')->deleteDirectory($this->workspaceId);
            }
        });
    }
}
