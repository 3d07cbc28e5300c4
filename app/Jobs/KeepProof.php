<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\WeighProof;
use App\Tenancy\Tenancy;
use Illuminate\Contracts\Queue\ShouldBeUniqueUntilProcessing;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Weighs the proof as soon as there is something new in it, so that nobody waits for it on a screen. Many turns at once are weighed once. */
final class KeepProof implements ShouldBeUniqueUntilProcessing, ShouldQueue
{
    use Queueable;

    public int $tries = 2;

    public int $uniqueFor = 300;

    public function __construct(private readonly string $workspaceId) {}

    public function uniqueId(): string
    {
        return $this->workspaceId;
    }

    public function handle(Tenancy $tenancy, WeighProof $weighProof): void
    {
        $tenancy->within($this->workspaceId, $weighProof);
    }
}
