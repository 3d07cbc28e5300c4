<?php

declare(strict_types=1);

namespace App\Door;

use App\Problems\Problem;
use App\Tenancy\Membership;
use App\Tenancy\PersonalAccessToken;
use Illuminate\Support\Facades\DB;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Says\Said;

/** Whoever goes takes along what they opened: calendars, record links, invitations, tokens and sessions. */
final readonly class RemoveMember
{
    public function __construct(
        private ClockInterface $clock,
        private EndSessions $endSessions,
        private DoorLog $doorLog,
    ) {}

    public function __invoke(Membership $member): void
    {
        DB::transaction(function () use ($member): void {
            $owners = Membership::query()
                ->where('workspace_id', $member->workspace_id)
                ->where('role', 'owner')
                ->lockForUpdate()
                ->pluck('id');
            if ($member->isOwner() && $owners->count() < 2) {
                throw Problem::conflict(Said::of('door.last-owner'));
            }
            $now = $this->clock->now();
            PersonalAccessToken::query()
                ->where('workspace_id', $member->workspace_id)
                ->where('tokenable_id', $member->user_id)
                ->delete();
            // Rows of rooms above, by their tables: what opens a door is the door's business.
            foreach (['feeds', 'record_links'] as $table) {
                DB::table($table)
                    ->where('workspace_id', $member->workspace_id)
                    ->where('made_by', $member->user_id)
                    ->whereNull('revoked_at')
                    ->update(['revoked_at' => $now]);
            }
            Invitation::query()->where('invited_by', $member->user_id)->whereNull('accepted_at')->delete();
            $user = $member->user;
            if ($user !== null) {
                ($this->endSessions)($user);
            }
            $member->delete();
            $this->doorLog->note('member-removed', ['person' => $member->user_id]);
        });
    }
}
