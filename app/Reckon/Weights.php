<?php

declare(strict_types=1);

namespace App\Reckon;

/**
 * What a question weighs, before anybody works on it: about so many milliseconds of one processor, by the sizes of what
 * is in it. Found by measuring the worst of each kind (bin/bench prints the dearest); whatever is no list counts for
 * nothing here, the model itself will say what is wrong with it.
 */
final class Weights
{
    /** A request may weigh this much. */
    public const MOST = 1000;

    /** A step has to be laid before and after every other: more of them are no visit any more. */
    public const STEPS = 48;

    /** What the lightest question of each kind weighs. */
    private const LEAST = [
        'diagnose' => 3.0,
        'verdict' => 3.0,
        'window' => 4.0,
        'lance' => 2.0,
        'match' => 10.0,
        'visit' => 25.0,
        'due' => 2.0,
        'curve' => 2.0,
    ];

    /** Schools and places a match is compared with. */
    private const COMPARED = 15.0;

    /** @param array<array-key, mixed> $item */
    public static function of(string $model, array $item): float
    {
        $least = self::LEAST[$model] ?? 1.0;

        return match ($model) {
            'match' => ($least + 0.17 * self::count($item, 'shelf')) *
                (($item['compare'] ?? false) === true ? self::COMPARED : 1.0),
            'visit' => $least +
                0.2 * self::count($item, 'shelf') +
                4.0 * self::count($item, 'hours') +
                0.05 * self::count($item, 'pace'),
            'due' => $least + 0.2 * (self::deep($item['others'] ?? []) + self::count($item, 'own')),
            'tank' => $least + 0.06 * self::count($item, 'draws'),
            'curve' => $least + 0.8 * self::count($item, 'hours'),
            'gauge' => $least + 0.05 * self::count($item, 'drops'),
            'sheet' => self::count($item, 'steps') > self::STEPS ? self::MOST + 1.0 : 8.0 * self::count($item, 'steps'),
            'plan' => $least +
                0.8 *
                    self::count($item, 'vehicles') *
                    (is_numeric($item['days'] ?? null) ? abs((float) $item['days']) : 0.0) *
                    (1.0 + 0.25 * max(0, self::count($item, 'crews') - 1)),
            'wear' => $least + (is_numeric($item['days'] ?? null) ? abs((float) $item['days']) / 5000.0 : 0.0),
            default => $least,
        };
    }

    /** @param array<array-key, mixed> $item */
    private static function count(array $item, string $field): int
    {
        return is_array($item[$field] ?? null) ? count($item[$field]) : 0;
    }

    /** Lists of lists, by what is in them all. */
    private static function deep(mixed $of): int
    {
        return is_array($of)
            ? (int) array_sum(array_map(static fn(mixed $one): int => is_array($one) ? count($one) : 1, $of))
            : 0;
    }
}
