<?php

declare(strict_types=1);

namespace App\Book;

use App\Tenancy\Audited;
use App\Tenancy\OfWorkspace;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * People who go together, and when they work.
 *
 * @property string $id
 * @property string $workspace_id
 * @property string $name
 * @property array<int|string, int> $minutes  by weekday, 1 Monday to 7 Sunday
 * @property int $people  how many they are
 * @property list<string> $members  those of them who sign in here, ids
 * @property CarbonImmutable|null $archived_at
 * @property int $version
 */
class Crew extends Model
{
    use Audited;
    use OfWorkspace;

    protected $attributes = ['version' => 1, 'people' => 1, 'members' => '[]'];

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'minutes' => 'array',
            'people' => 'integer',
            'members' => 'array',
            'archived_at' => 'immutable_datetime',
            'version' => 'integer',
        ];
    }

    /** @return HasMany<CrewDay, $this> */
    public function days(): HasMany
    {
        return $this->hasMany(CrewDay::class)->orderBy('on');
    }
}
