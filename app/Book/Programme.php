<?php

declare(strict_types=1);

namespace App\Book;

use App\Tenancy\Audited;
use App\Tenancy\OfWorkspace;
use Illuminate\Database\Eloquent\Model;

/**
 * A rhythm with a name; vehicles follow it until they have their own.
 *
 * @property string $id
 * @property string $workspace_id
 * @property string $name
 * @property int $cadence_min
 * @property int $cadence_target
 * @property int $cadence_max
 * @property int|null $salt_target   days between visits in salt months
 * @property int|null $topper_weeks  every so many weeks; null by forecast
 * @property int|null $decon_days    every so many days; null when the surface asks
 * @property string $scope  quick, usual, full, or what it takes in
 * @property int|null $full_every  every so many visits it is a full one
 * @property int|null $topper_washes  a topper every so many washes, if that comes before its date
 * @property int $version
 */
class Programme extends Model
{
    use Audited;
    use OfWorkspace;

    protected $attributes = ['version' => 1, 'scope' => 'usual'];

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [...Rhythm::CASTS, 'version' => 'integer'];
    }

    /**
     * @return array{cadence_min: int, cadence_target: int, cadence_max: int, salt_target: int|null,
     *     topper_weeks: int|null, decon_days: int|null, scope: string, full_every: int|null, topper_washes: int|null}
     *     what a vehicle takes over
     */
    public function rhythm(): array
    {
        return [
            'cadence_min' => $this->cadence_min,
            'cadence_target' => $this->cadence_target,
            'cadence_max' => $this->cadence_max,
            'salt_target' => $this->salt_target,
            'topper_weeks' => $this->topper_weeks,
            'decon_days' => $this->decon_days,
            'scope' => $this->scope,
            'full_every' => $this->full_every,
            'topper_washes' => $this->topper_washes,
        ];
    }
}
