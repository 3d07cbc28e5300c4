<?php

declare(strict_types=1);

namespace App\Proof;

use App\Tenancy\Patience;
use App\Tenancy\Tenancy;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Weighs the proof as soon as there is something new in it, so that nobody waits for it on a screen. What has been
 * weighed for the same evidence is not weighed again, and of many askings in a row only the last is heeded.
 */
final class KeepProof implements ShouldQueue
{
    use Queueable;

    private const ASKED_S = 3600;

    public int $tries = 2;

    public int $timeout = 500;

    private function __construct(private readonly string $workspaceId, private readonly string $asking)
    {
        $this->onQueue('long');
    }

    /**
     * Once what it was asked in stands: within it the asking's row would be held until then, and whoever finishes
     * another turn would wait for it. A lock of the framework's would even break the transaction (PostgreSQL).
     */
    public static function for(string $workspaceId): void
    {
        DB::afterCommit(static function () use ($workspaceId): void {
            $asking = Str::random(16);
            Cache::put(self::key($workspaceId), $asking, self::ASKED_S);
            dispatch(new self($workspaceId, $asking));
        });
    }

    public function handle(Tenancy $tenancy, Patience $patience, WeighProof $weighProof): void
    {
        if (Cache::get(self::key($this->workspaceId), $this->asking) === $this->asking) {
            $patience->without(fn() => $tenancy->within($this->workspaceId, $weighProof));
        }
    }

    private static function key(string $workspaceId): string
    {
        return "proof/asked/{$workspaceId}";
    }
}
