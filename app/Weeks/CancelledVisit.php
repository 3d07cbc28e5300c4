<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Tenancy\OfWorkspace;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A visit that was planned once and is not any more, so that calendars hear of it.
 *
 * @property string $id  that of the visit
 * @property string $vehicle_id
 * @property string $crew_id
 * @property Carbon $on
 * @property list<string> $kinds
 * @property int $sequence
 * @property string|null $why
 * @property string|null $cancelled_by  us, client, weather; null where the plan moved on
 * @property Carbon|null $until_on  the last day on which it is not planned again
 * @property CarbonImmutable $cancelled_at
 */
class CancelledVisit extends Model
{
    use OfWorkspace;

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'on' => 'date:Y-m-d',
            'until_on' => 'date:Y-m-d',
            'kinds' => 'array',
            'sequence' => 'integer',
            'cancelled_at' => 'immutable_datetime',
        ];
    }
}
