<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Tenancy\Patience;
use App\Tenancy\Tenancy;
use Illuminate\Contracts\Queue\ShouldBeUnique;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Lays the visits of the weeks out for whoever would wait too long for them on a screen; what is laid is kept. */
final class LayAhead implements ShouldBeUnique, ShouldQueue
{
    use Queueable;

    public int $tries = 1;

    public int $timeout = 500;

    /** Should it end before it begins. */
    public int $uniqueFor = 600;

    public function __construct(private readonly string $workspaceId)
    {
        $this->onQueue('long');
    }

    public function uniqueId(): string
    {
        return $this->workspaceId;
    }

    public function handle(Tenancy $tenancy, Patience $patience, DrawWeeks $drawWeeks): void
    {
        // What is laid is there for others before all of it is.
        $patience->without(fn() => $tenancy->within($this->workspaceId, $drawWeeks, transaction: false));
    }
}
