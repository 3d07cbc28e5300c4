<?php

declare(strict_types=1);

namespace App\Proof;

use App\Book\Vehicle;
use App\Record\Turn;
use App\Tenancy\OfWorkspace;
use App\Tenancy\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * An address at which a client reads a record, and nothing else.
 *
 * @property string $id
 * @property string $vehicle_id
 * @property string|null $turn_id
 * @property 'turn'|'year'|'history' $kind
 * @property CarbonImmutable|null $from_on
 * @property CarbonImmutable|null $to_on
 * @property CarbonImmutable $made_at
 * @property CarbonImmutable|null $revoked_at
 * @property CarbonImmutable|null $read_at
 */
class RecordLink extends Model
{
    use OfWorkspace;

    public $timestamps = false;

    protected $guarded = [];

    protected $hidden = ['secret_hash'];

    /** @return BelongsTo<User, $this> */
    public function maker(): BelongsTo
    {
        return $this->belongsTo(User::class, 'made_by');
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'from_on' => 'immutable_date',
            'to_on' => 'immutable_date',
            'made_at' => 'immutable_datetime',
            'revoked_at' => 'immutable_datetime',
            'read_at' => 'immutable_datetime',
        ];
    }

    /** @return BelongsTo<Vehicle, $this> */
    public function vehicle(): BelongsTo
    {
        return $this->belongsTo(Vehicle::class);
    }

    /** @return BelongsTo<Turn, $this> */
    public function turn(): BelongsTo
    {
        return $this->belongsTo(Turn::class);
    }
}
