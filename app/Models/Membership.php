<?php

declare(strict_types=1);

namespace App\Models;

use App\Tenancy\OfWorkspace;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/** A person in a workspace, as owner or technician. */
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
