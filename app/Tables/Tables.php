<?php

declare(strict_types=1);

namespace App\Tables;

use Symfony\Component\Serializer\Encoder\CsvEncoder;
use Vicissa\Core\Says\Said;

/**
 * Tables as spreadsheets write and read them (RFC 4180): a head, rows, UTF-8 with its mark on the way out, with or
 * without on the way in; commas, semicolons or tabs. No cell goes out that a spreadsheet would take for a formula; the
 * mark that keeps it from that is taken off again on the way in.
 */
final class Tables
{
    /** What makes a formula of a cell, in any width of letters. A number below nought is none. */
    private const FORMULA = '/^[=+\-@\t\r\n＝＋－＠]/u';

    private const MARKED = '/^\'(?=[=+\-@\t\r\n＝＋－＠])/u';

    /**
     * @param list<string> $head
     * @param iterable<list<string>> $rows
     * @param string $comma  what stands between cells; semicolons where the comma is a decimal's
     */
    public static function write(array $head, iterable $rows, string $comma = ','): string
    {
        $lines = [$head];
        foreach ($rows as $row) {
            $lines[] = array_map(
                static fn(string $cell): string => preg_match(self::FORMULA, $cell) === 1 && !is_numeric($cell)
                    ? "'" . $cell
                    : $cell,
                $row,
            );
        }

        return (new CsvEncoder())->encode($lines, CsvEncoder::FORMAT, [
            CsvEncoder::NO_HEADERS_KEY => true,
            CsvEncoder::DELIMITER_KEY => $comma,
            CsvEncoder::OUTPUT_UTF8_BOM_KEY => true,
            CsvEncoder::ESCAPE_CHAR_KEY => '',
        ]);
    }

    /**
     * @return array{head: list<string>, rows: list<array{row: int, cells: array<string, string>}>} the head in small
     *     letters; rows by their line in the file, the head's being the first; empty cells and rows are left out
     *
     * @throws UnreadableFile
     */
    public static function read(string $text, int $most): array
    {
        $text = preg_replace('/^\x{FEFF}/u', '', $text) ?? throw new UnreadableFile(Said::of('file.utf-8'));
        if (trim($text) === '') {
            throw new UnreadableFile(Said::of('file.empty'));
        }
        $first = strtok($text, "\r\n") ?: '';
        $found = [
            ',' => substr_count($first, ','),
            ';' => substr_count($first, ';'),
            "\t" => substr_count($first, "\t"),
        ];
        arsort($found);
        /** @var list<array<array-key, string|null>> $lines */
        $lines = (new CsvEncoder())->decode($text, CsvEncoder::FORMAT, [
            CsvEncoder::NO_HEADERS_KEY => true,
            CsvEncoder::DELIMITER_KEY => (string) array_key_first($found),
            CsvEncoder::ESCAPE_CHAR_KEY => '',
        ]);
        $head = array_map(
            static fn(?string $cell): string => mb_strtolower(trim((string) $cell)),
            array_values(array_shift($lines) ?? []),
        );
        if (count(array_unique($head)) !== count($head)) {
            throw new UnreadableFile(Said::of('file.column-twice'));
        }
        $rows = [];
        foreach ($lines as $i => $line) {
            $cells = [];
            foreach ($head as $at => $column) {
                $cell = preg_replace(self::MARKED, '', trim($line[$at] ?? '')) ?? '';
                if ($cell !== '' && $column !== '') {
                    $cells[$column] = $cell;
                }
            }
            if ($cells !== []) {
                $rows[] = ['row' => $i + 2, 'cells' => $cells];
            }
            if (count($rows) > $most) {
                throw new UnreadableFile(Said::of('file.most', most: $most));
            }
        }

        return ['head' => $head, 'rows' => $rows];
    }
}
