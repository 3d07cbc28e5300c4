<?php

declare(strict_types=1);

namespace App\Door;

use App\Problems\Problem;
use App\Tenancy\Membership;
use Illuminate\Support\Facades\DB;
use Vicissa\Core\Says\Said;

/** Whoever goes takes along what they opened: calendars, record links, invitations, tokens and sessions. */
final readonly class RemoveMember
{
    public function __construct(
        private ShutDoors $shutDoors,
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
            ($this->shutDoors)($member->workspace_id, $member->user_id);
            $user = $member->user;
            if ($user !== null) {
                ($this->endSessions)($user);
            }
            $member->delete();
            $this->doorLog->note('member-removed', ['person' => $member->user_id]);
        });
    }
}
