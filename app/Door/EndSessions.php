<?php

declare(strict_types=1);

namespace App\Door;

use App\Tenancy\PersonalAccessToken;
use App\Tenancy\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Whoever is signed in as somebody is so no longer, but for one session that is spared. */
final readonly class EndSessions
{
    public function __invoke(User $user, ?string $but = null, bool $tokens = false): void
    {
        $user->forceFill(['remember_token' => Str::random(60)])->save();
        DB::table('sessions')
            ->where('user_id', $user->id)
            ->when($but !== null, static fn($query) => $query->where('id', '<>', $but))
            ->delete();
        if ($tokens) {
            PersonalAccessToken::query()->where('tokenable_id', $user->id)->delete();
        }
    }
}
