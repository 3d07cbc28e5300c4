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

    /**
     * Many that are written once, in few statements: with the keys and in the form each would have, without its events.
     *
     * @param array<array<string, mixed>> $rows  all of the same columns
     * @return list<self>
     */
    public static function insertAll(array $rows): array
    {
        $workspace = app(Tenancy::class)->workspace()->id;
        $models = array_map(static function (array $row) use ($workspace): self {
            $model = new self([...$row, 'workspace_id' => $workspace]);
            $model->setUniqueIds();
            $model->exists = true;

            return $model;
        }, array_values($rows));
        foreach (array_chunk($models, 500) as $chunk) {
            self::query()->insert(array_map(static fn(self $model): array => $model->getAttributes(), $chunk));
        }

        return $models;
    }

    /** @return BelongsTo<Workspace, $this> */
    public function workspace(): BelongsTo
    {
        return $this->belongsTo(Workspace::class);
    }
}
