<?php

declare(strict_types=1);

namespace App\Record;

use App\Book\Vehicle;
use App\Tenancy\OfWorkspace;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;

/**
 * One visit to a vehicle. What happened stands in its entries; the newest counts, the others are kept.
 *
 * @property string $id
 * @property string $workspace_id
 * @property string $vehicle_id
 * @property string|null $current_entry_id
 * @property CarbonImmutable $worked_at
 */
class Turn extends Model
{
    use OfWorkspace;

    public const UPDATED_AT = null;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['worked_at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<Vehicle, $this> */
    public function vehicle(): BelongsTo
    {
        return $this->belongsTo(Vehicle::class);
    }

    /** @return BelongsTo<TurnEntry, $this> */
    public function current(): BelongsTo
    {
        return $this->belongsTo(TurnEntry::class, 'current_entry_id');
    }

    /** @return HasMany<Photo, $this> */
    public function photos(): HasMany
    {
        return $this->hasMany(Photo::class)->orderBy('taken_at')->orderBy('id');
    }

    /** @return HasOne<Sheet, $this> the sheet it was worked from */
    public function sheet(): HasOne
    {
        return $this->hasOne(Sheet::class);
    }

    /** @return HasMany<TurnEntry, $this> */
    public function entries(): HasMany
    {
        return $this->hasMany(TurnEntry::class)->orderBy('revision');
    }
}
