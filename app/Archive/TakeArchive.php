<?php

declare(strict_types=1);

namespace App\Archive;

use App\Tenancy\Tenancy;
use App\Tenancy\User;
use Closure;

/** An archive, into an empty workspace. */
final class TakeArchive extends LongRun
{
    public function __construct(string $workspaceId, string $runId, string $path, protected bool $despite = false)
    {
        parent::__construct($workspaceId, $runId, $path);
    }

    public function handle(Tenancy $tenancy, ReadArchive $readArchive): void
    {
        $this->taken(
            $tenancy,
            fn(User $by, string $path, Closure $told): array => $readArchive->fromFile(
                $path,
                $by,
                $told,
                $this->despite,
            ),
        );
    }
}
