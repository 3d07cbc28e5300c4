<?php

declare(strict_types=1);

namespace App\Tenancy;

use Carbon\CarbonImmutable;
use DateTimeInterface;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Vicissa\Core\House\House;
use Vicissa\Core\House\Numbers;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Money\Rates;

/**
 * A business: everything recorded belongs to one.
 *
 * @property string $id
 * @property string $name
 * @property string $time_zone
 * @property string $units
 * @property string $hardness_unit  in which the hardness of water is told (Vicissa\Core\Units\Hardness)
 * @property array<string, string> $schools  sides taken, by school
 * @property list<int> $salt_months  months whose roads are salted here; new vehicles begin with them
 * @property array<string, float|int|string> $rates  what things cost; empty: the core's defaults
 * @property array<string, float|int> $numbers  of the rules, where they differ from the defaults
 * @property int $version
 * @property CarbonImmutable|null $ends_at  when it goes with all that is in it, unless an owner keeps it
 */
class Workspace extends Model
{
    use HasUuids;

    protected $guarded = [];

    protected $attributes = [
        'time_zone' => 'UTC',
        'units' => 'metric',
        'hardness_unit' => 'mg/l',
        'schools' => '{}',
        'salt_months' => '[]',
        'rates' => '{}',
        'numbers' => '{}',
        'version' => 1,
        'ends_at' => null,
    ];

    /** What is looked at before it is taken: as somebody types it, or an archive brings it. */
    public const RULES = [
        'name' => ['sometimes', 'string', 'min:1', 'max:120'],
        'time_zone' => ['sometimes', 'timezone:all'],
        'units' => ['sometimes', 'in:metric,us,imperial'],
        'hardness_unit' => ['sometimes', 'in:mg/l,ppm,°dH,°fH,°e,gpg'],
        'schools' => ['sometimes', 'array'],
        'salt_months' => ['sometimes', 'array', 'max:12'],
        'salt_months.*' => ['integer', 'between:1,12', 'distinct'],
    ];

    /** @var array{string, Numbers}|null the numbers as they are kept, and as they were read */
    private ?array $read = null;

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'schools' => 'array',
            'salt_months' => 'array',
            'rates' => 'array',
            'numbers' => 'array',
            'version' => 'integer',
            'ends_at' => 'immutable_datetime',
        ];
    }

    /** @return HasMany<Membership, $this> */
    public function memberships(): HasMany
    {
        return $this->hasMany(Membership::class);
    }

    /** The rules, with this workspace's own numbers laid over them. */
    public function house(): House
    {
        return $this->numbers()->house();
    }

    public function numbers(): Numbers
    {
        $kept = (string) ($this->attributes['numbers'] ?? '');
        if ($this->read === null || $this->read[0] !== $kept) {
            $this->read = [$kept, Numbers::of($this->numbers)];
        }

        return $this->read[1];
    }

    public function rates(): Rates
    {
        return Rates::read($this->rates);
    }

    public function sides(): Schools
    {
        return Schools::of($this->schools);
    }

    /** Noon of a calendar day where the workspace is: a day without an hour must not slip across a border. */
    public function noon(string $date): CarbonImmutable
    {
        return CarbonImmutable::parse($date . ' 12:00', $this->time_zone)->utc();
    }

    /** The first moment of a calendar day where the workspace is. */
    public function begins(string $date): CarbonImmutable
    {
        return CarbonImmutable::parse($date, $this->time_zone)->startOfDay()->utc();
    }

    public function dateOf(DateTimeInterface $moment): string
    {
        return CarbonImmutable::instance($moment)->setTimezone($this->time_zone)->toDateString();
    }
}
