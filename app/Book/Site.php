<?php

declare(strict_types=1);

namespace App\Book;

use App\Standins\Whereabouts;
use App\Tenancy\Audited;
use App\Tenancy\OfWorkspace;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use Vicissa\Core\Matching\Turn\Place;
use Vicissa\Core\Matching\Water;

/**
 * A place of work: its water, its power, its rules.
 *
 * @property string $id
 * @property string $workspace_id
 * @property string|null $client_id
 * @property string $name
 * @property string|null $address
 * @property string $water
 * @property float|null $tds_mg_l
 * @property float|null $hardness_mg_l  of the tap water, CaCO₃
 * @property float|null $treated_tds_mg_l
 * @property bool $power
 * @property bool $pressure
 * @property bool $shade
 * @property bool $bay
 * @property float|null $latitude
 * @property float|null $longitude
 * @property string|null $surface
 * @property string|null $run_off
 * @property string|null $hours
 * @property string|null $access
 * @property Carbon|null $certificate_expires_on
 * @property int $travel_min
 * @property bool $by_register  only who is on its register is let in
 * @property int $version
 */
class Site extends Model
{
    use Audited;
    use OfWorkspace;

    /** What it is like there, and how one comes in. */
    public const TOLD = [
        'address',
        'water',
        'tds_mg_l',
        'hardness_mg_l',
        'treated_tds_mg_l',
        'power',
        'pressure',
        'shade',
        'bay',
        'latitude',
        'longitude',
        'surface',
        'run_off',
        'hours',
        'access',
    ];

    protected $guarded = [];

    protected $attributes = [
        'version' => 1,
        'water' => 'tap',
        'power' => true,
        'pressure' => true,
        'shade' => false,
        'bay' => false,
        'travel_min' => 0,
        'by_register' => false,
    ];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'tds_mg_l' => 'float',
            'hardness_mg_l' => 'float',
            'treated_tds_mg_l' => 'float',
            'latitude' => 'float',
            'longitude' => 'float',
            'power' => 'boolean',
            'pressure' => 'boolean',
            'shade' => 'boolean',
            'bay' => 'boolean',
            'by_register' => 'boolean',
            'certificate_expires_on' => 'date:Y-m-d',
            'travel_min' => 'integer',
        ];
    }

    public function place(): Place
    {
        return new Place(
            Water::from($this->water),
            $this->tds_mg_l,
            $this->treated_tds_mg_l,
            $this->pressure,
            $this->power,
            $this->shade,
            $this->bay,
            $this->run_off,
            tapHardness: $this->hardness_mg_l,
        );
    }

    /** @return BelongsTo<Client, $this> */
    public function client(): BelongsTo
    {
        return $this->belongsTo(Client::class);
    }

    /** @return HasMany<Admission, $this> */
    public function admissions(): HasMany
    {
        return $this->hasMany(Admission::class)->orderBy('person')->orderBy('crew_id');
    }

    /** @return HasMany<Vehicle, $this> */
    public function vehicles(): HasMany
    {
        return $this->hasMany(Vehicle::class);
    }

    /** As the outside is told of it. */
    public function whereabouts(): Whereabouts
    {
        return new Whereabouts(
            $this->id,
            $this->latitude,
            $this->longitude,
            $this->travel_min,
            $this->tds_mg_l ?? $this->hardness_mg_l,
            $this->treated_tds_mg_l,
        );
    }
}
