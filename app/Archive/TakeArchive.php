<?php

declare(strict_types=1);

namespace App\Archive;

use App\Tenancy\Tenancy;
use App\Tenancy\User;
use Closure;

/** An archive, into an empty workspace. */
final class TakeArchive extends LongRun
{
    public function handle(Tenancy $tenancy, ReadArchive $readArchive): void
    {
        $this->taken(
            $tenancy,
            static fn(User $by, string $path, Closure $told): array => $readArchive->fromFile($path, $by, $told),
        );
    }
}
