<?php

declare(strict_types=1);

namespace App\Archive;

use App\Tenancy\Tenancy;
use App\Tenancy\User;
use Illuminate\Contracts\Queue\ShouldBeUnique;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Storage;
use Throwable;
use Vicissa\Core\Says\Said;

/**
 * Takes in an archive that was handed in, all of it or nothing. In the lane for long work, one at a time for each
 * workspace, so that nobody waits behind another's.
 */
final class TakeArchive implements ShouldBeUnique, ShouldQueue
{
    use Queueable;

    public const LANE = 'long';

    public int $tries = 1;

    public int $timeout = 600;

    public function __construct(
        private readonly string $workspaceId,
        private readonly string $runId,
        private readonly string $path,
    ) {
        $this->onQueue(self::LANE);
    }

    public function uniqueId(): string
    {
        return $this->workspaceId;
    }

    public function handle(Tenancy $tenancy, ReadArchive $readArchive): void
    {
        // How far it is has to be seen while it goes on.
        $tenancy->within($this->workspaceId, fn() => $this->take($readArchive), transaction: false);
    }

    private function take(ReadArchive $readArchive): void
    {
        $run = ArchiveRun::query()->find($this->runId);
        $by = $run?->asked_by === null ? null : User::query()->find($run->asked_by);
        if ($run === null || $by === null || $run->status !== 'waiting') {
            return;
        }
        $run->update(['status' => 'running']);
        try {
            $taken = $readArchive->fromFile(
                $this->path,
                $by,
                static fn(float $share): int => ArchiveRun::query()
                    ->whereKey($run->id)
                    ->update(['progress' => round($share, 3)]),
            );
            $run->update([...$taken, 'status' => 'done', 'progress' => 1]);
        } catch (BadArchive $e) {
            $run->update(['status' => 'refused', 'says' => $e->says]);
        } catch (Throwable $e) {
            $run->update(['status' => 'refused', 'says' => Said::of('archive.broke')]);

            throw $e;
        } finally {
            @unlink($this->path);
        }
    }

    /** The worker itself was stopped. */
    public function failed(?Throwable $e): void
    {
        @unlink($this->path);
        app(Tenancy::class)->within($this->workspaceId, function (): void {
            ArchiveRun::query()
                ->whereKey($this->runId)
                ->whereIn('status', ['waiting', 'running'])
                ->update(['status' => 'refused', 'says' => json_encode(Said::of('archive.broke'))]);
            if (ReadArchive::isEmpty()) {
                Storage::disk('photos')->deleteDirectory($this->workspaceId);
            }
        });
    }
}
