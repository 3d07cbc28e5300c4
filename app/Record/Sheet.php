<?php

declare(strict_types=1);

namespace App\Record;

use App\Book\Vehicle;
use App\Tenancy\OfWorkspace;
use App\Tenancy\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * A visit laid out: what it was matched by, and the steps that came of it. What happened stands in its events.
 *
 * @property string $id
 * @property string $workspace_id
 * @property string $vehicle_id
 * @property Carbon $on
 * @property int $crew  how many work at it
 * @property string $status  laid, begun, finished, dropped
 * @property Told<'SheetFacts'> $facts  what was seen or expected, with what was planned
 * @property Told<'SheetPlan'> $plan   as Reckon\VisitAnswer makes it
 * @property string|null $holder_id  who has it in hand
 * @property CarbonImmutable|null $begun_at
 * @property CarbonImmutable|null $finished_at
 * @property string|null $turn_id
 * @property int $version
 */
class Sheet extends Model
{
    use OfWorkspace;

    protected $guarded = [];

    protected $attributes = ['version' => 1, 'status' => 'laid'];

    /** @return Builder<self> other sheets of the same visit that are open: one at most */
    public function othersOpen(): Builder
    {
        return self::query()
            ->where('vehicle_id', $this->vehicle_id)
            ->where('on', $this->on->toDateString())
            ->whereIn('status', ['laid', 'begun'])
            ->whereKeyNot($this->id);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'on' => 'date:Y-m-d',
            'crew' => 'integer',
            'facts' => 'array',
            'plan' => 'array',
            'begun_at' => 'immutable_datetime',
            'finished_at' => 'immutable_datetime',
            'version' => 'integer',
        ];
    }

    /** @return BelongsTo<Vehicle, $this> */
    public function vehicle(): BelongsTo
    {
        return $this->belongsTo(Vehicle::class);
    }

    /** @return BelongsTo<User, $this> */
    public function holder(): BelongsTo
    {
        return $this->belongsTo(User::class, 'holder_id');
    }

    /** @return HasMany<SheetEvent, $this> as they happened */
    public function events(): HasMany
    {
        return $this->hasMany(SheetEvent::class)->orderBy('at')->orderBy('device')->orderBy('seq');
    }

    /** @return HasMany<Photo, $this> */
    public function photos(): HasMany
    {
        return $this->hasMany(Photo::class)->orderBy('taken_at')->orderBy('id');
    }
}
