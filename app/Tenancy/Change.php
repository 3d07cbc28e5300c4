<?php

declare(strict_types=1);

namespace App\Tenancy;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Who changed what. Written once.
 *
 * @property string $id
 * @property string $what   client, site, vehicle, product, gear, crew, programme …
 * @property string $row_id
 * @property string $name
 * @property string $did    created, changed, removed
 * @property array<string, mixed> $before
 * @property array<string, mixed> $after
 * @property string|null $by
 * @property CarbonImmutable $at
 */
class Change extends Model
{
    use OfWorkspace;

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['before' => 'array', 'after' => 'array', 'at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<User, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by');
    }
}
