<?php

declare(strict_types=1);

namespace App\Archive;

use App\Tenancy\Tenancy;
use App\Tenancy\User;
use Closure;
use RuntimeException;
use Vicissa\Core\Says\Said;

/** The whole workspace as one file, to be fetched within a day. */
final class MakeArchive extends LongRun
{
    public function handle(Tenancy $tenancy, WriteArchive $writeArchive): void
    {
        $this->taken($tenancy, function (User $by, string $path, Closure $told) use ($writeArchive): array {
            $written = $writeArchive->into($path, $told);
            // Whole under its own name, or not at all.
            if (!rename($path, "{$path}.zip")) {
                throw new RuntimeException('There is no room for an archive.');
            }

            return $written;
        });
    }

    protected function broke(): Said
    {
        return Said::of('archive.not-written');
    }
}
