<?php

declare(strict_types=1);

namespace App\Tenancy;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\Auth;
use Psr\Clock\ClockInterface;

/**
 * A row whose changes by people are written down: who, when, what it was before. What the program does by itself is
 * nobody's.
 *
 * @mixin Model
 */
trait Audited
{
    public static function bootAudited(): void
    {
        static::created(static fn(Model $row) => self::noted($row, 'created', [], self::plain($row->getAttributes())));
        static::updated(static function (Model $row): void {
            $after = self::plain($row->getChanges());
            if ($after !== []) {
                $before = [];
                foreach (array_keys($after) as $field) {
                    $before[$field] = $row->getRawOriginal($field);
                }
                self::noted($row, 'changed', $before, $after);
            }
        });
        static::deleted(static fn(Model $row) => self::noted($row, 'removed', self::plain($row->getAttributes()), []));
    }

    /**
     * @param array<string, mixed> $attributes
     * @return array<string, mixed> without what says nothing to a person
     */
    private static function plain(array $attributes): array
    {
        return array_filter(
            array_diff_key($attributes, array_flip(['id', 'workspace_id', 'version', 'created_at', 'updated_at'])),
            static fn(mixed $value): bool => $value !== null,
        );
    }

    /**
     * @param array<string, mixed> $before
     * @param array<string, mixed> $after
     */
    private static function noted(Model $row, string $did, array $before, array $after): void
    {
        $by = Auth::id();
        if (!is_string($by)) {
            return;
        }
        $name = $row->getAttribute('name') ?? ($row->getAttribute('note') ?? '');
        Change::query()->create([
            'workspace_id' => $row->getAttribute('workspace_id'),
            'what' => mb_strtolower(class_basename($row)),
            'row_id' => $row->getKey(),
            'name' => mb_substr(is_string($name) ? $name : '', 0, 160),
            'did' => $did,
            'before' => (object) $before,
            'after' => (object) $after,
            'by' => $by,
            'at' => app(ClockInterface::class)->now(),
        ]);
    }
}
