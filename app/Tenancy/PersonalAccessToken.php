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
    protected $fillable = ['name', 'token', 'abilities', 'expires_at', 'workspace_id'];
}
