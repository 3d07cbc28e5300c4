<?php

declare(strict_types=1);

namespace App\Archive;

use App\Tenancy\Tenancy;
use App\Tenancy\User;
use Closure;
use Vicissa\Core\Says\Said;

/** The whole workspace as one file, to be fetched within a day. */
final class MakeArchive extends LongRun
{
    public function handle(Tenancy $tenancy, WriteArchive $writeArchive, ArchiveFiles $files): void
    {
        $this->taken($tenancy, function (User $by, string $path, Closure $told) use ($writeArchive, $files): array {
            $written = $writeArchive->into($path, $told);
            $files->written($path);

            return $written;
        });
    }

    protected function broke(): Said
    {
        return Said::of('archive.not-written');
    }
}
