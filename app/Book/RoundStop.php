<?php

declare(strict_types=1);

namespace App\Book;

use App\Tenancy\OfWorkspace;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A vehicle on a day's round.
 *
 * @property string $id
 * @property Carbon $on
 * @property string $vehicle_id
 * @property int $position
 * @property int|null $begins_min  minutes of the day
 */
class RoundStop extends Model
{
    use OfWorkspace;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['on' => 'date:Y-m-d', 'position' => 'integer', 'begins_min' => 'integer'];
    }

    /** @return BelongsTo<Vehicle, $this> */
    public function vehicle(): BelongsTo
    {
        return $this->belongsTo(Vehicle::class);
    }
}
