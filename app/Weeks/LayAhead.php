<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Tenancy\Patience;
use App\Tenancy\Tenancy;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;

/** Lays the visits of the weeks out for whoever would wait too long for them on a screen; what is laid is kept. */
final class LayAhead implements ShouldQueue
{
    use Queueable;

    /** Should one have broken off, another may begin after so long. */
    private const GOES_ON_S = 600;

    public int $tries = 1;

    public int $timeout = 500;

    private function __construct(private readonly string $workspaceId)
    {
        $this->onQueue('long');
    }

    /** One at a time goes on for a workspace. */
    public static function for(string $workspaceId): void
    {
        DB::afterCommit(static function () use ($workspaceId): void {
            if (Cache::add(self::key($workspaceId), true, self::GOES_ON_S)) {
                dispatch(new self($workspaceId));
            }
        });
    }

    public function handle(Tenancy $tenancy, Patience $patience, DrawWeeks $drawWeeks): void
    {
        try {
            // What is laid is there for others before all of it is.
            $patience->without(fn() => $tenancy->within($this->workspaceId, $drawWeeks, transaction: false));
        } finally {
            Cache::forget(self::key($this->workspaceId));
        }
    }

    private static function key(string $workspaceId): string
    {
        return "weeks/laying/{$workspaceId}";
    }
}
