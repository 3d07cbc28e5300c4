<?php

declare(strict_types=1);

namespace App\Sheets;

use App\Tenancy\OfWorkspace;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * A line of a load list that lies in the van.
 *
 * @property string $id
 * @property CarbonImmutable $from_on
 * @property CarbonImmutable $to_on
 * @property string $line  "product:…", "towels:wash", "water"
 * @property CarbonImmutable $at
 */
class LoadTick extends Model
{
    use OfWorkspace;

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['from_on' => 'immutable_date', 'to_on' => 'immutable_date', 'at' => 'immutable_datetime'];
    }
}
