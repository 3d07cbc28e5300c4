<?php

declare(strict_types=1);

namespace App\Tenancy;

use Carbon\CarbonImmutable;
use DateTimeInterface;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A row of one workspace: takes its workspace from the one entered. What may be seen is the database's business
 * (row-level security), not a scope's.
 *
 * @mixin Model
 */
trait OfWorkspace
{
    use HasUuids;

    private const MOMENT = '/^\d{4}-\d\d-\d\d( \d\d:\d\d:\d\d(\.\d+)?\+00)?$/';

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
            : gmdate(
                $this->getDateFormat(),
                ($value instanceof DateTimeInterface ? $value : $this->asDateTime($value))->getTimestamp(),
            );
    }

    /**
     * Moments and dates as the database writes them are read at once: the framework tries a form first that moments
     * never have, throws, and takes ten times as long.
     *
     * @param mixed $value
     */
    protected function asDateTime($value): Carbon
    {
        return is_string($value) && preg_match(self::MOMENT, $value) === 1
            ? new Carbon($value)
            : parent::asDateTime($value);
    }

    /**
     * @param string $key
     * @param mixed $value
     */
    protected function castAttribute($key, $value): mixed
    {
        return is_string($value) &&
            $this->getCastType($key) === 'immutable_datetime' &&
            preg_match(self::MOMENT, $value) === 1
            ? new CarbonImmutable($value)
            : parent::castAttribute($key, $value);
    }

    /** @return BelongsTo<Workspace, $this> */
    public function workspace(): BelongsTo
    {
        return $this->belongsTo(Workspace::class);
    }
}
