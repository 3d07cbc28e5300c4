<?php

declare(strict_types=1);

namespace App\Proof;

use App\Tenancy\Tenancy;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/**
 * Weighs the proof as soon as there is something new in it, so that nobody waits for it on a screen. What has been
 * weighed for the same evidence is not weighed again.
 */
final class KeepProof implements ShouldQueue
{
    use Queueable;

    public int $tries = 2;

    public function __construct(private readonly string $workspaceId) {}

    public function handle(Tenancy $tenancy, WeighProof $weighProof): void
    {
        $tenancy->within($this->workspaceId, $weighProof);
    }
}
