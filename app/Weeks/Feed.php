<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Tenancy\OfWorkspace;
use App\Tenancy\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * An address at which a calendar reads the plan.
 *
 * @property string $id
 * @property string $workspace_id
 * @property string|null $crew_id
 * @property string|null $vehicle_id
 * @property string $name
 * @property string $secret_hash
 * @property string|null $made_by
 * @property CarbonImmutable $made_at
 * @property CarbonImmutable|null $revoked_at
 * @property CarbonImmutable|null $read_at
 */
class Feed extends Model
{
    use OfWorkspace;

    public $timestamps = false;

    protected $guarded = [];

    /** @return BelongsTo<User, $this> */
    public function maker(): BelongsTo
    {
        return $this->belongsTo(User::class, 'made_by');
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'made_at' => 'immutable_datetime',
            'revoked_at' => 'immutable_datetime',
            'read_at' => 'immutable_datetime',
        ];
    }
}
