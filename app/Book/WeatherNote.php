<?php

declare(strict_types=1);

namespace App\Book;

use App\Tenancy\OfWorkspace;
use App\Tenancy\User;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A day's weather as somebody says it is; what they don't say is left to the forecast.
 *
 * @property string $id
 * @property Carbon $on
 * @property float|null $low_c
 * @property float|null $high_c
 * @property float|null $wind_m_s
 * @property float|null $rh        0 to 1
 * @property float|null $cloud     0 to 1
 * @property int|null $rain_from   hour of the workspace's day
 * @property int|null $rain_until  the same hour: it stays dry
 * @property string|null $written_by
 */
class WeatherNote extends Model
{
    use OfWorkspace;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'on' => 'date:Y-m-d',
            'low_c' => 'float',
            'high_c' => 'float',
            'wind_m_s' => 'float',
            'rh' => 'float',
            'cloud' => 'float',
            'rain_from' => 'integer',
            'rain_until' => 'integer',
        ];
    }

    /** @return BelongsTo<User, $this> */
    public function writer(): BelongsTo
    {
        return $this->belongsTo(User::class, 'written_by');
    }
}
