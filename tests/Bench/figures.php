<?php

declare(strict_types=1);

/** A figure beside its budget and what it was in the run before (kept in var/bench). */
function line(string $what, float $value, string $unit, string $budget = ''): void
{
    static $before = null;
    static $now = [];
    $file = (getenv('VICISSA_VAR') ?: dirname(__DIR__, 2) . '/var/bench') . '/figures.json';
    $before ??= is_file($file) ? (array) json_decode((string) file_get_contents($file), true) : [];
    $was = is_float($before[$what] ?? null) || is_int($before[$what] ?? null) ? (float) $before[$what] : null;
    $digits = abs($value) < 10 ? 1 : 0;
    printf(
        "%-64s %9s %-3s %-24s %s\n",
        $what,
        number_format($value, $digits, '.', ' '),
        $unit,
        $budget,
        $was === null ? '' : 'before: ' . number_format($was, $digits, '.', ' '),
    );
    $now[$what] = round($value, 3);
    // Other parts of a run keep theirs.
    $kept = is_file("{$file}.now") ? (array) json_decode((string) file_get_contents("{$file}.now"), true) : [];
    file_put_contents("{$file}.now", json_encode([...$kept, ...$now], JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE));
}

/** @param list<float> $values */
function percentile(array $values, float $share): float
{
    sort($values);

    return $values[(int) floor($share * (count($values) - 1))];
}
