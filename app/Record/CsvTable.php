<?php

declare(strict_types=1);

namespace App\Record;

/** A table as spreadsheets write it: a head, rows, commas or semicolons, UTF-8 with or without its mark. */
final class CsvTable
{
    /**
     * @return array{head: list<string>, rows: list<array{row: int, cells: array<string, string>}>} rows by their line in the file; empty cells are left out
     *
     * @throws UnreadableFile
     */
    public static function read(string $text, int $most): array
    {
        $text = preg_replace('/^\x{FEFF}/u', '', $text) ?? throw new UnreadableFile('The file is not UTF-8 text. Save it as UTF-8 and try again.');
        if (trim($text) === '') {
            throw new UnreadableFile('The file is empty.');
        }
        $first = strtok($text, "\r\n") ?: '';
        $comma = substr_count($first, ';') > substr_count($first, ',') ? ';' : ',';
        $file = fopen('php://temp', 'r+') ?: throw new UnreadableFile('There is no room to read a file.');
        fwrite($file, $text);
        rewind($file);
        $head = array_map(static fn(?string $cell): string => mb_strtolower(trim((string) $cell)), fgetcsv($file, separator: $comma, escape: '') ?: []);
        if (count(array_unique($head)) !== count($head)) {
            throw new UnreadableFile('Two columns have the same name.');
        }
        $rows = [];
        for ($row = 2; ($cells = fgetcsv($file, separator: $comma, escape: '')) !== false; $row++) {
            $named = [];
            foreach ($head as $i => $column) {
                $cell = trim((string) ($cells[$i] ?? ''));
                if ($cell !== '' && $column !== '') {
                    // What we keep from being taken for a formula on the way out is taken off again on the way in.
                    $named[$column] = preg_match('/^\'[=+\-@]/', $cell) === 1 ? substr($cell, 1) : $cell;
                }
            }
            if ($named !== []) {
                $rows[] = ['row' => $row, 'cells' => $named];
            }
            if (count($rows) > $most) {
                throw new UnreadableFile(sprintf('At most %d rows at a time.', $most));
            }
        }

        return ['head' => array_values($head), 'rows' => $rows];
    }
}
