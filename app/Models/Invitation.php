<?php

declare(strict_types=1);

namespace App\Models;

use App\Tenancy\OfWorkspace;
use Illuminate\Database\Eloquent\Model;

/** An offer to join a workspace; only the hash of its token is kept. */
class Invitation extends Model
{
    use OfWorkspace;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['expires_at' => 'immutable_datetime', 'accepted_at' => 'immutable_datetime'];
    }
}
