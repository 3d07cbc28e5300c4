<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Response;

/** Rows as a file that spreadsheets read (RFC 4180), with nothing in it they would take for a formula. */
final class Csv
{
    /**
     * @param list<string> $head
     * @param iterable<list<string>> $rows
     */
    public static function text(array $head, iterable $rows): string
    {
        $file = fopen('php://temp', 'r+');
        if ($file === false) {
            return '';
        }
        fputcsv($file, $head, escape: '');
        foreach ($rows as $row) {
            // A number below nought is no formula.
            fputcsv($file, array_map(static fn(string $cell): string => preg_match('/^[=+\-@\t\r]/', $cell) === 1 && ! is_numeric($cell) ? "'".$cell : $cell, $row), escape: '');
        }
        rewind($file);

        return (string) stream_get_contents($file);
    }

    /**
     * @param list<string> $head
     * @param iterable<list<string>> $rows
     */
    public static function file(string $name, array $head, iterable $rows): Response
    {
        return new Response(self::text($head, $rows), 200, ['Content-Type' => 'text/csv; charset=utf-8', 'Content-Disposition' => 'attachment; filename="'.$name.'"']);
    }
}
