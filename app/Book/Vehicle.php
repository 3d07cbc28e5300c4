<?php

declare(strict_types=1);

namespace App\Book;

use App\Tenancy\Audited;
use App\Tenancy\OfWorkspace;
use App\Tenancy\Workspace;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use Vicissa\Core\Matching\Finish;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Protection\Habits;
use Vicissa\Core\Protection\Road;
use Vicissa\Core\Protection\Storage;

/**
 * What is kept clean: its surfaces, its habits, its rhythm.
 *
 * @property string $id
 * @property string $workspace_id
 * @property string|null $client_id
 * @property string|null $site_id
 * @property string $name
 * @property string|null $model
 * @property string|null $plate
 * @property Carbon|null $in_service_on
 * @property string $body
 * @property string|null $colour
 * @property string $tone
 * @property string $hardness
 * @property list<string> $finish
 * @property string $wheel_finish
 * @property float $paint_m2
 * @property string $storage
 * @property string $road
 * @property int $km_per_week
 * @property list<int> $salt_months  months whose roads are salted where it drives
 * @property int $cadence_min
 * @property int $cadence_target
 * @property int $cadence_max
 * @property string|null $programme_id
 * @property int|null $salt_target   days between visits in salt months; null as in the others
 * @property int|null $topper_weeks  every so many weeks; null by forecast
 * @property int|null $decon_days    every so many days; null when the surface asks
 * @property string $scope  quick, usual, full, or what it takes in
 * @property int|null $full_every  every so many visits it is a full one
 * @property int|null $topper_washes  a topper every so many washes, if that comes before its date
 * @property int|null $own_minutes  of a visit, typed
 * @property float|null $own_estimate  what the rules said of that visit
 * @property string $material
 * @property bool $base_unknown  nobody knows what lies on the paint, unless a base layer stands there now
 * @property array<string, string> $schools  its own sides, where it differs from the workspace
 * @property string|null $note
 * @property CarbonImmutable|null $archived_at
 * @property int $version
 */
class Vehicle extends Model
{
    use Audited;
    use OfWorkspace;

    /** What its outside is like: what a method, a topper, an amount goes by. */
    public const LOOKS = ['colour', 'tone', 'hardness', 'finish', 'wheel_finish', 'paint_m2'];

    protected $guarded = [];

    protected $attributes = [
        'version' => 1,
        'tone' => 'mid',
        'hardness' => 'medium',
        'finish' => '[]',
        'wheel_finish' => 'painted',
        'storage' => 'outdoors',
        'road' => 'normal',
        'km_per_week' => 200,
        'cadence_min' => 7,
        'cadence_target' => 14,
        'cadence_max' => 28,
        'material' => 'steel',
        'base_unknown' => false,
        'schools' => '{}',
        'salt_months' => '[]',
        'scope' => 'usual',
    ];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'finish' => 'array',
            'schools' => 'array',
            'salt_months' => 'array',
            'base_unknown' => 'boolean',
            'paint_m2' => 'float',
            'km_per_week' => 'integer',
            'in_service_on' => 'date:Y-m-d',
            'archived_at' => 'immutable_datetime',
            ...Rhythm::CASTS,
            'own_minutes' => 'integer',
            'own_estimate' => 'float',
            'version' => 'integer',
        ];
    }

    public function habits(): Habits
    {
        return Habits::of(
            Storage::from($this->storage),
            Road::from($this->road),
            (float) $this->km_per_week,
            $this->salt_months,
        );
    }

    public function sides(): Schools
    {
        return Schools::of($this->schools);
    }

    /** Its own sides over its workspace's. */
    public function sidesIn(Workspace $workspace): Schools
    {
        return $workspace->sides()->under($this->sides());
    }

    /** @return list<Finish> what is special about the paint; softness counts as a finish */
    public function finishes(): array
    {
        /** @var list<string> $flags */
        $flags = $this->finish;
        $finishes = array_map(Finish::from(...), $flags);
        if ($this->hardness === 'soft' && !in_array(Finish::Soft, $finishes, true)) {
            $finishes[] = Finish::Soft;
        }

        return $finishes;
    }

    /** @return BelongsTo<Client, $this> */
    public function client(): BelongsTo
    {
        return $this->belongsTo(Client::class);
    }

    /** @return BelongsTo<Site, $this> */
    public function site(): BelongsTo
    {
        return $this->belongsTo(Site::class);
    }

    /** @return HasMany<Layer, $this> */
    public function layers(): HasMany
    {
        return $this->hasMany(Layer::class)->orderBy('on_at')->orderBy('id');
    }

    /** @return HasMany<Layer, $this> those that are on */
    public function standing(): HasMany
    {
        return $this->layers()->whereNull('ended_at');
    }
}
