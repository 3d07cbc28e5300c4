<?php

declare(strict_types=1);

namespace App\Door;

use App\Tenancy\PersonalAccessToken;
use App\Tenancy\User;
use Illuminate\Support\Str;

/** Whoever is signed in as somebody is so no longer, but for one session that is spared. */
final readonly class EndSessions
{
    public function __construct(private SessionBook $sessions) {}

    public function __invoke(User $user, ?string $but = null, bool $tokens = false): void
    {
        $user->forceFill(['remember_token' => Str::random(60)])->save();
        $this->sessions->endAll($user->id, $but);
        if ($tokens) {
            PersonalAccessToken::query()->where('tokenable_id', $user->id)->delete();
        }
    }
}
