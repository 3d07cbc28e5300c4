<?php

declare(strict_types=1);

namespace App\Tables;

use Vicissa\Core\Says\Said;

/** Rows of a file that was looked at, or taken in: with one that is wrong nothing is done. */
final class Counted
{
    /**
     * @param list<array{does: string, ...}> $rows
     */
    public static function mayBeDone(array $rows, bool $commit): bool
    {
        return $commit && !in_array('wrong', array_column($rows, 'does'), true);
    }

    /**
     * @template Row of array{does: string, ...}
     *
     * @param list<Row> $rows
     * @return array{rows: list<Row>, done: bool, new: int, changed: int, same: int, wrong: int}
     */
    public static function of(array $rows, bool $done): array
    {
        $count = array_count_values(array_column($rows, 'does'));

        return [
            'rows' => $rows,
            'done' => $done,
            'new' => $count['new'] ?? 0,
            'changed' => $count['change'] ?? 0,
            'same' => $count['same'] ?? 0,
            'wrong' => $count['wrong'] ?? 0,
        ];
    }

    /**
     * Errors as a list, as the API gives them.
     *
     * @template Row of array{row: int, name: string, does: string, changes: list<string>, unknown: list<string>, errors: array<string, string|Said>}
     *
     * @param list<Row> $rows
     * @return list<Told<'ImportRow'>>
     */
    public static function told(array $rows): array
    {
        return array_map(
            static fn(array $row): array => [
                ...$row,
                'errors' => array_map(
                    static fn(string $field, string|Said $says): array => ['field' => $field, 'says' => $says],
                    array_keys($row['errors']),
                    array_values($row['errors']),
                ),
            ],
            $rows,
        );
    }
}
