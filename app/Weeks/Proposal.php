<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Book\Client;
use App\Book\Vehicle;
use App\Tenancy\OfWorkspace;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A planned visit as a client was asked about it.
 *
 * @property string $id
 * @property string $workspace_id
 * @property string $visit_id
 * @property string $vehicle_id
 * @property string $client_id
 * @property Carbon $on
 * @property list<string> $kinds
 * @property string $status  waiting, sent, accepted, asked (for another day)
 * @property Carbon|null $wish_on
 * @property string|null $wish
 * @property CarbonImmutable $asked_at
 * @property CarbonImmutable|null $sent_at
 * @property CarbonImmutable|null $answered_at
 * @property CarbonImmutable|null $reminded_at
 */
class Proposal extends Model
{
    use OfWorkspace;

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'on' => 'date:Y-m-d',
            'wish_on' => 'date:Y-m-d',
            'kinds' => 'array',
            'asked_at' => 'immutable_datetime',
            'sent_at' => 'immutable_datetime',
            'answered_at' => 'immutable_datetime',
            'reminded_at' => 'immutable_datetime',
        ];
    }

    /** What its link is signed with: known to whoever has the letter, and good for this one question. */
    public function signature(): string
    {
        return substr(hash_hmac('sha256', 'proposal ' . $this->id, config()->string('app.key')), 0, 40);
    }

    /** @return BelongsTo<Vehicle, $this> */
    public function vehicle(): BelongsTo
    {
        return $this->belongsTo(Vehicle::class);
    }

    /** @return BelongsTo<Client, $this> */
    public function client(): BelongsTo
    {
        return $this->belongsTo(Client::class);
    }
}
