<?php

declare(strict_types=1);

namespace App\Bench;

use App\Tenancy\OfWorkspace;
use App\Tenancy\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What somebody answered in the drill. Written once.
 *
 * @property string $id
 * @property string $user_id
 * @property array<string, mixed> $facts    vehicle, seed, focus
 * @property array<string, string> $given
 * @property array<string, bool> $right     by judgement
 * @property int $level
 * @property CarbonImmutable $at
 */
class DrillAnswer extends Model
{
    use OfWorkspace;

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'facts' => 'array',
            'given' => 'array',
            'right' => 'array',
            'level' => 'integer',
            'at' => 'immutable_datetime',
        ];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
