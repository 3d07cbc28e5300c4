<?php

declare(strict_types=1);

namespace App\Tenancy;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A row of one workspace: takes its workspace from the one entered. What may be seen is the database's business
 * (row-level security), not a scope's.
 *
 * @mixin Model
 */
trait OfWorkspace
{
    use HasUuids;

    public static function bootOfWorkspace(): void
    {
        static::creating(static function (Model $model): void {
            if ($model->getAttribute('workspace_id') === null) {
                $model->setAttribute('workspace_id', app(Tenancy::class)->workspace()->id);
            }
        });
    }

    /**
     * Moments are kept as UTC, whatever zone they are said in.
     *
     * @param mixed $value
     */
    public function fromDateTime($value): ?string
    {
        return empty($value)
            ? null
            : CarbonImmutable::instance($this->asDateTime($value))->utc()->format($this->getDateFormat());
    }

    /** @return BelongsTo<Workspace, $this> */
    public function workspace(): BelongsTo
    {
        return $this->belongsTo(Workspace::class);
    }
}
