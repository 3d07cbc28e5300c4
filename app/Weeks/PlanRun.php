<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Tenancy\OfWorkspace;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * A search for a plan that was asked for.
 *
 * @property string $id
 * @property string $workspace_id
 * @property string|null $asked_by
 * @property string $status
 * @property float $progress
 * @property string|null $says
 * @property string|null $plan_id
 * @property CarbonImmutable $asked_at
 */
class PlanRun extends Model
{
    use OfWorkspace;

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['progress' => 'float', 'says' => 'json', 'asked_at' => 'immutable_datetime'];
    }
}
