<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Book\Vehicle;
use App\Tenancy\Audited;
use App\Tenancy\OfWorkspace;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A day by which a vehicle has to have been visited, not too long before.
 *
 * @property string $id
 * @property string $vehicle_id
 * @property Carbon $on
 * @property int $within_days
 * @property string|null $note
 */
class Deadline extends Model
{
    use Audited;
    use OfWorkspace;

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['on' => 'date:Y-m-d', 'within_days' => 'integer'];
    }

    /** @return BelongsTo<Vehicle, $this> */
    public function vehicle(): BelongsTo
    {
        return $this->belongsTo(Vehicle::class);
    }
}
