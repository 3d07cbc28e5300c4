<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Tenancy\OfWorkspace;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * What happened to a piece of gear, written once.
 *
 * @property string $id
 * @property string $gear_id
 * @property string $kind  calibration, refill, level, used, washed, bought, thrown, moved
 * @property array<string, float|int|string> $facts
 * @property CarbonImmutable $at
 */
class GearEvent extends Model
{
    use OfWorkspace;

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['facts' => 'array', 'at' => 'immutable_datetime'];
    }
}
