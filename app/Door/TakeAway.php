<?php

declare(strict_types=1);

namespace App\Door;

use App\Tenancy\Tenancy;
use App\Tenancy\User;
use App\Tenancy\Workspace;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Psr\Clock\ClockInterface;

/**
 * Whoever has left, and workspaces that have ended, once their days to come back are over. What a person has written
 * down for a business stays the business's; that it was they goes.
 */
final readonly class TakeAway
{
    public function __construct(
        private Tenancy $tenancy,
        private ClockInterface $clock,
        private EndSessions $endSessions,
        private ShutDoors $shutDoors,
    ) {}

    public function __invoke(): void
    {
        $now = $this->clock->now();
        foreach (DB::select('select workspaces_ended(?) as id', [$now]) as $row) {
            $this->workspace((string) $row->id);
        }
        foreach (User::query()->where('leaves_at', '<=', $now)->orderBy('id')->get() as $user) {
            $this->person($user);
        }
    }

    private function workspace(string $id): void
    {
        $this->tenancy->within($id, static function () use ($id): void {
            Workspace::query()->whereKey($id)->delete();
        });
        Storage::disk('photos')->deleteDirectory($id);
    }

    private function person(User $user): void
    {
        if (DB::select('select alone_in(?)', [$user->id]) !== []) {
            return;
        }
        $this->tenancy->actAs($user->id);
        $in = DB::table('memberships')->where('user_id', $user->id)->pluck('workspace_id');
        $this->tenancy->leave();
        foreach ($in as $workspace) {
            $this->tenancy->within((string) $workspace, function () use ($user, $workspace): void {
                ($this->shutDoors)((string) $workspace, $user->id);
                DB::table('memberships')->where('user_id', $user->id)->delete();
            });
        }
        DB::transaction(function () use ($user): void {
            ($this->endSessions)($user, tokens: true);
            DB::table('recovery_codes')->where('user_id', $user->id)->delete();
            $user
                ->forceFill([
                    'name' => 'Somebody who has left',
                    'email' => $user->id . '@gone.invalid',
                    'password' => Str::random(60),
                    'second_secret' => null,
                    'second_since' => null,
                    'new_email' => null,
                    'new_email_hash' => null,
                    'leaves_at' => null,
                ])
                ->save();
        });
    }
}
