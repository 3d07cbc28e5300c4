<?php

declare(strict_types=1);

namespace App\Archive;

use App\Problems\Problem;
use Closure;
use Illuminate\Support\Facades\DB;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Says\Said;

/** Notes what shall be done with an archive or a long table and lets the queue do it: one at a time for each workspace. */
final readonly class BeginRun
{
    /** What has not ended by then was lost with its worker, and stands in nobody's way. */
    private const HOURS = 1;

    public function __construct(private ClockInterface $clock, private ArchiveFiles $files) {}

    /**
     * @param (Closure(string): mixed)|null $put  puts the file that was handed in where it is told
     * @param Closure(ArchiveRun, string): mixed $send  to the queue
     */
    public function __invoke(string $by, ?Closure $put, Closure $send, string $kind = ArchiveRun::IN): ArchiveRun
    {
        return DB::transaction(function () use ($by, $put, $send, $kind): ArchiveRun {
            // Two at once: the second sees the first.
            DB::select("select pg_advisory_xact_lock(hashtext('hand in ' || current_setting('vicissa.workspace')))");
            $now = $this->clock->now();
            $goesOn = ArchiveRun::query()
                ->whereIn('status', ['waiting', 'running'])
                ->where('asked_at', '>', $now->modify('-' . self::HOURS . ' hours'))
                ->exists();
            if ($goesOn) {
                throw Problem::conflict(Said::of('archive.goes-on'));
            }
            $run = ArchiveRun::query()->create(['kind' => $kind, 'asked_by' => $by, 'asked_at' => $now]);
            is_dir(ArchiveRun::folder()) || mkdir(ArchiveRun::folder(), 0700, true);
            $put === null || $put($run->path());
            $this->files->handedIn($run);
            $send($run, $run->path());

            return $run->refresh();
        });
    }
}
