<?php

declare(strict_types=1);

namespace App\Door;

use App\Tenancy\OfWorkspace;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * An offer to join a workspace; only the hash of its token is kept.
 *
 * @property string $id
 * @property string $workspace_id
 * @property string $email
 * @property string $role
 * @property string $token_hash
 * @property CarbonImmutable $expires_at
 * @property CarbonImmutable|null $accepted_at
 */
class Invitation extends Model
{
    use OfWorkspace;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['expires_at' => 'immutable_datetime', 'accepted_at' => 'immutable_datetime'];
    }
}
