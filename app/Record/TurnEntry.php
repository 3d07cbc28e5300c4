<?php

declare(strict_types=1);

namespace App\Record;

use App\Tenancy\OfWorkspace;
use App\Tenancy\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * A turn as someone wrote it down: the record itself, or a correction of it. Never changed.
 *
 * @property string $id
 * @property string $workspace_id
 * @property string $turn_id
 * @property int $revision
 * @property CarbonImmutable $worked_at
 * @property int|null $minutes
 * @property int $soil
 * @property bool $grit
 * @property string $method
 * @property string $purpose
 * @property string $water
 * @property float|null $panel_c
 * @property bool $clay
 * @property bool $looked_over  the base was inspected
 * @property string|null $note
 * @property list<array{zone: string, verdict: string, next: string, says: string}> $diagnoses
 * @property int|null $crew
 * @property float|null $water_l
 * @property array<string, int> $textiles  towels, sides and mitts by kind
 * @property list<array{id: string, name: string, kind: string, took_s: int|null, estimate_min: float|null,
 *     skipped: bool}> $steps as they were worked
 * @property list<array{what: string, why: string}> $refused
 * @property string|null $recommended
 * @property Carbon|null $next_on
 * @property list<string> $next_kinds
 * @property list<Told<'DueDate'>>|null $due_before
 * @property list<Told<'DueDate'>>|null $due_after
 * @property string $scope  what the visit took in
 * @property list<string>|null $kinds  what was planned for it
 * @property list<array{kind: string, why: string}> $left_out  what was planned and not done
 * @property array{seen: list<string>, note?: string|null}|null $inspection
 * @property float|null $estimate_min  what the rules say of it, where its steps were not timed
 * @property string|null $reason
 * @property string $written_by
 * @property CarbonImmutable $written_at
 */
class TurnEntry extends Model
{
    use OfWorkspace;

    /**
     * What was written of each vehicle's last turn, with its vehicle as of_vehicle. Each is looked up by itself: the years
     * before it are not read.
     *
     * @param list<string> $vehicles
     * @return Builder<self>
     */
    public static function lastOf(array $vehicles): Builder
    {
        return self::query()
            ->fromRaw(
                'unnest(?::uuid[]) as v (of_vehicle) cross join lateral (select e.* from (select l.current_entry_id from turns l where l.vehicle_id = v.of_vehicle order by l.worked_at desc, l.id desc limit 1) as last join turn_entries e on e.id = last.current_entry_id) as turn_entries',
                ['{' . implode(',', $vehicles) . '}'],
            )
            ->select('v.of_vehicle');
    }

    public $timestamps = false;

    /** What anybody may write of a turn. */
    public const WRITTEN = ['minutes', 'soil', 'grit', 'method', 'purpose', 'water', 'panel_c', 'clay', 'note'];

    /** What a sheet counts and a form does not ask for. */
    public const COUNTED = [
        'crew',
        'looked_over',
        'water_l',
        'steps',
        'refused',
        'recommended',
        'scope',
        'kinds',
        'left_out',
        'inspection',
    ];

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'worked_at' => 'immutable_datetime',
            'written_at' => 'immutable_datetime',
            'grit' => 'boolean',
            'clay' => 'boolean',
            'looked_over' => 'boolean',
            'panel_c' => 'float',
            'diagnoses' => 'array',
            'refused' => 'array',
            'textiles' => 'array',
            'steps' => 'array',
            'water_l' => 'float',
            'crew' => 'integer',
            'next_on' => 'date:Y-m-d',
            'next_kinds' => 'array',
            'due_before' => 'array',
            'due_after' => 'array',
            'kinds' => 'array',
            'left_out' => 'array',
            'inspection' => 'array',
            'estimate_min' => 'float',
            'soil' => 'integer',
            'minutes' => 'integer',
            'revision' => 'integer',
        ];
    }

    /** @return HasMany<TurnProduct, $this> */
    public function products(): HasMany
    {
        return $this->hasMany(TurnProduct::class, 'entry_id')->orderBy('id');
    }

    /** @return HasMany<Reading, $this> */
    public function readings(): HasMany
    {
        return $this->hasMany(Reading::class, 'entry_id');
    }

    /** @return BelongsTo<User, $this> */
    public function writer(): BelongsTo
    {
        return $this->belongsTo(User::class, 'written_by');
    }
}
