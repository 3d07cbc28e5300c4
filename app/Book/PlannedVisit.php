<?php

declare(strict_types=1);

namespace App\Book;

use App\Tenancy\OfWorkspace;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A visit of the plan: not a promise until it is locked.
 *
 * @property string $id
 * @property string $workspace_id
 * @property string $vehicle_id
 * @property string $crew_id
 * @property Carbon $on
 * @property list<string> $kinds
 * @property string $scope
 * @property bool $locked
 * @property int $sequence  how often it was changed
 * @property CarbonImmutable $changed_at
 */
class PlannedVisit extends Model
{
    use OfWorkspace;

    public $timestamps = false;

    protected $guarded = [];

    protected $attributes = ['scope' => 'usual'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'on' => 'date:Y-m-d',
            'kinds' => 'array',
            'locked' => 'boolean',
            'sequence' => 'integer',
            'changed_at' => 'immutable_datetime',
        ];
    }

    /** @return BelongsTo<Vehicle, $this> */
    public function vehicle(): BelongsTo
    {
        return $this->belongsTo(Vehicle::class);
    }
}
