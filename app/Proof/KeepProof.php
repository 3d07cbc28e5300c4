<?php

declare(strict_types=1);

namespace App\Proof;

use App\Tenancy\Tenancy;
use App\Tenancy\Patience;
use Illuminate\Contracts\Queue\ShouldBeUniqueUntilProcessing;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/**
 * Weighs the proof as soon as there is something new in it, so that nobody waits for it on a screen. What has been
 * weighed for the same evidence is not weighed again.
 */
final class KeepProof implements ShouldBeUniqueUntilProcessing, ShouldQueue
{
    use Queueable;

    public int $tries = 2;

    public int $timeout = 500;

    /** Many turns of a day are weighed together. */
    public int $uniqueFor = 600;

    public function __construct(private readonly string $workspaceId)
    {
        $this->onQueue('long');
    }

    public function uniqueId(): string
    {
        return $this->workspaceId;
    }

    public function handle(Tenancy $tenancy, Patience $patience, WeighProof $weighProof): void
    {
        $patience->without(fn() => $tenancy->within($this->workspaceId, $weighProof));
    }
}
