<?php

declare(strict_types=1);

namespace App\Tenancy;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A person in a workspace, as owner or technician.
 *
 * @property string $id
 * @property string $workspace_id
 * @property string $user_id
 * @property string $role
 */
class Membership extends Model
{
    use OfWorkspace;

    protected $guarded = [];

    public function isOwner(): bool
    {
        return $this->role === 'owner';
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
