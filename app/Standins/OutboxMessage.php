<?php

declare(strict_types=1);

namespace App\Standins;

use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;

/** A message the stand-in for outgoing mail kept instead of sending. */
class OutboxMessage extends Model
{
    use HasUuids;

    public const UPDATED_AT = null;

    protected $guarded = [];
}
