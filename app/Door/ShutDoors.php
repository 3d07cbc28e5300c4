<?php

declare(strict_types=1);

namespace App\Door;

use App\Tenancy\PersonalAccessToken;
use Illuminate\Support\Facades\DB;
use Psr\Clock\ClockInterface;

/**
 * What somebody has opened in a workspace is shut: calendars, record links, invitations that wait, tokens. Calendars and
 * links are rows of rooms above, known here by their tables alone: whoever makes such an address writes `made_by` and
 * `revoked_at`.
 */
final readonly class ShutDoors
{
    private const ADDRESSES = ['feeds', 'record_links'];

    public function __construct(private ClockInterface $clock) {}

    /** In the workspace that is open. */
    public function __invoke(string $workspaceId, string $userId): void
    {
        foreach (self::ADDRESSES as $table) {
            DB::table($table)
                ->where('workspace_id', $workspaceId)
                ->where('made_by', $userId)
                ->whereNull('revoked_at')
                ->update(['revoked_at' => $this->clock->now()]);
        }
        Invitation::query()->where('invited_by', $userId)->whereNull('accepted_at')->delete();
        PersonalAccessToken::query()->where('workspace_id', $workspaceId)->where('tokenable_id', $userId)->delete();
    }
}
