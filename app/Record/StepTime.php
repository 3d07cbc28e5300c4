<?php

declare(strict_types=1);

namespace App\Record;

use App\Tenancy\OfWorkspace;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * How long a kind of step took on one visit, beside what the rules say. Written once.
 *
 * @property string $id
 * @property string $turn_id
 * @property string $kind
 * @property float $estimated_min
 * @property float $took_min
 * @property CarbonImmutable $at
 */
class StepTime extends Model
{
    use OfWorkspace;

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['estimated_min' => 'float', 'took_min' => 'float', 'at' => 'immutable_datetime'];
    }
}
