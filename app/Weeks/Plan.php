<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Tenancy\OfWorkspace;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A plan as it was made, with what stood before it.
 *
 * @property string $id
 * @property CarbonImmutable $made_at
 * @property string|null $made_by
 * @property string $why
 * @property Carbon $start_on
 * @property int $days
 * @property list<array{vehicle: string, date: string, crew: string, kinds: list<string>, locked: bool}> $before
 * @property list<array{vehicle: string, date: string, crew: string, kinds: list<string>, locked: bool}> $after
 * @property array<string, mixed> $instance
 * @property float $cost
 * @property float $bound
 * @property array<string, float> $breakdown
 * @property list<array{vehicle: string, what: string, why: string}> $unmet
 * @property CarbonImmutable|null $undone_at
 */
class Plan extends Model
{
    use OfWorkspace;

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'made_at' => 'immutable_datetime',
            'undone_at' => 'immutable_datetime',
            'start_on' => 'date:Y-m-d',
            'why' => 'json',
            'before' => 'array',
            'after' => 'array',
            'instance' => 'array',
            'breakdown' => 'array',
            'unmet' => 'array',
            'cost' => 'float',
            'bound' => 'float',
            'days' => 'integer',
        ];
    }
}
