<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Tenancy\Audited;
use App\Tenancy\OfWorkspace;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * Days on which a vehicle is away, a place is shut, or, with neither, nobody works at all.
 *
 * @property string $id
 * @property string|null $vehicle_id
 * @property string|null $site_id
 * @property Carbon $from_on
 * @property Carbon $to_on
 * @property string|null $note
 */
class Closure extends Model
{
    use Audited;
    use OfWorkspace;

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['from_on' => 'date:Y-m-d', 'to_on' => 'date:Y-m-d'];
    }
}
