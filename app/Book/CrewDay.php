<?php

declare(strict_types=1);

namespace App\Book;

use App\Tenancy\OfWorkspace;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A day on which a crew works otherwise than on its weekday.
 *
 * @property string $id
 * @property string $crew_id
 * @property Carbon $on
 * @property int $minutes  0 is a day off
 * @property string|null $note
 */
class CrewDay extends Model
{
    use OfWorkspace;

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['on' => 'date:Y-m-d', 'minutes' => 'integer'];
    }
}
