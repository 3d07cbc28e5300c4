<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use DateTimeInterface;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A business: everything recorded belongs to one.
 *
 * @property string $id
 * @property string $name
 * @property string $time_zone
 * @property string $units
 * @property int $caution
 * @property bool $bare_face
 * @property int $version
 */
class Workspace extends Model
{
    use HasUuids;

    protected $guarded = [];

    protected $attributes = ['time_zone' => 'UTC', 'units' => 'metric', 'caution' => 30, 'bare_face' => true, 'version' => 1];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['bare_face' => 'boolean', 'caution' => 'integer', 'version' => 'integer'];
    }

    /** @return HasMany<Membership, $this> */
    public function memberships(): HasMany
    {
        return $this->hasMany(Membership::class);
    }

    /** The accepted risk of renewing too late, as a share. */
    public function risk(): float
    {
        return $this->caution / 100.0;
    }

    /** Noon of a calendar day where the workspace is: a day without an hour must not slip across a border. */
    public function noon(string $date): CarbonImmutable
    {
        return CarbonImmutable::parse($date.' 12:00', $this->time_zone)->utc();
    }

    public function dateOf(DateTimeInterface $moment): string
    {
        return CarbonImmutable::instance($moment)->setTimezone($this->time_zone)->toDateString();
    }
}
