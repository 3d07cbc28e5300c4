<?php

declare(strict_types=1);

namespace App\Tenancy;

use Laravel\Sanctum\PersonalAccessToken as SanctumToken;

/**
 * A bearer token for scripts, bound to one workspace.
 *
 * @property string $workspace_id
 */
class PersonalAccessToken extends SanctumToken
{
    /** When it was last used is told to the minute: a phone asks every few seconds, and each writing waits for the disk. */
    private const USED_EACH_S = 60;

    protected $fillable = ['name', 'token', 'abilities', 'expires_at', 'workspace_id'];

    protected static function booted(): void
    {
        self::updating(
            static fn(self $token): bool => array_keys($token->getDirty()) !== ['last_used_at'] ||
                $token->getOriginal('last_used_at') === null ||
                now()->diffInSeconds($token->getOriginal('last_used_at'), true) >= self::USED_EACH_S,
        );
    }
}
