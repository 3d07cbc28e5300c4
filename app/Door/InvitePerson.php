<?php

declare(strict_types=1);

namespace App\Door;

use App\Problems\Problem;
use App\Says\Teller;
use App\Standins\Messenger;
use App\Tenancy\Membership;
use App\Tenancy\Tenancy;
use App\Tenancy\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Says\Said;

/** Invites someone to the workspace, and takes the invitation up. */
final readonly class InvitePerson
{
    public function __construct(
        private Tenancy $tenancy,
        private ClockInterface $clock,
        private Messenger $messenger,
        private DoorLog $doorLog,
    ) {}

    public function __invoke(User $inviter, string $email, string $role): Invitation
    {
        $email = mb_strtolower($email);
        if (Membership::query()->whereHas('user', static fn($query) => $query->where('email', $email))->exists()) {
            throw Problem::field('email', Said::of('door.works-here'));
        }
        $token = Str::random(48);
        $workspace = $this->tenancy->workspace();

        return DB::transaction(function () use ($inviter, $email, $role, $token, $workspace): Invitation {
            Invitation::query()->where('email', $email)->whereNull('accepted_at')->delete();
            $days = config()->integer('vicissa.invitation_days');
            $invitation = Invitation::query()->create([
                'email' => $email,
                'role' => $role,
                'token_hash' => hash('sha256', $token),
                'invited_by' => $inviter->id,
                'expires_at' => $this->clock->now()->modify("+{$days} days"),
            ]);
            $link = url('/join?' . http_build_query(['token' => $token]));
            // Nobody knows yet what they read in: whoever invites does.
            $teller = Teller::here();
            $this->messenger->send(
                $email,
                $teller->say('letter.invitation', inviter: $inviter->name, business: $workspace->name),
                $teller->say('letter.join', business: $workspace->name, role: $role, days: $days, link: $link),
                $workspace->id,
            );

            return $invitation;
        });
    }

    /**
     * Opens the workspace of an invitation by its token, or says why not.
     */
    public function open(string $token): Invitation
    {
        $row = DB::selectOne('select invitation_workspace(?) as id', [hash('sha256', $token)]);
        $workspaceId = $row->id ?? throw Problem::field('token', Said::of('door.invitation-unknown'));
        $this->tenancy->enter($workspaceId);
        $invitation = Invitation::query()->where('token_hash', hash('sha256', $token))->firstOrFail();
        if ($invitation->accepted_at !== null) {
            throw Problem::field('token', Said::of('door.invitation-used'));
        }
        if ($invitation->expires_at < $this->clock->now()) {
            throw Problem::field('token', Said::of('door.invitation-over'));
        }

        return $invitation;
    }

    /**
     * @param array{name: string, password: string} $person  of someone new; someone known gives their own password
     */
    public function accept(Invitation $invitation, array $person, ?User $known): User
    {
        return DB::transaction(function () use ($invitation, $person, $known): User {
            $locked = Invitation::query()->whereKey($invitation->id)->lockForUpdate()->firstOrFail();
            if ($locked->accepted_at !== null) {
                throw Problem::field('token', Said::of('door.invitation-used'));
            }
            $user = $known ?? User::query()->create([...$person, 'email' => $invitation->email]);
            Membership::query()->firstOrCreate(
                ['workspace_id' => $invitation->workspace_id, 'user_id' => $user->id],
                ['role' => $invitation->role],
            );
            $locked->update(['accepted_at' => $this->clock->now()]);
            $this->doorLog->note('joined', ['role' => $invitation->role], $user);

            return $user;
        });
    }
}
