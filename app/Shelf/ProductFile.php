<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Tables\Tables;
use App\Tables\UnreadableFile;
use Illuminate\Support\Collection;
use JsonException;
use Vicissa\Core\Says\Said;

/**
 * Products as files: JSON as in docs/schemas/product-file.schema.json, or CSV with the same names as columns. Surfaces
 * in a cell are separated by "; ", cautions by " | "; each way of use has a column of its own (dilution_bucket …).
 */
final class ProductFile
{
    public const SCHEMA = 'vicissa-products/1';

    private const TEXTS = ['name', 'line', 'maker', 'supplier', 'role', 'leaves', 'strips', 'family', 'applied'];

    private const NUMBERS = [
        'ph',
        'dwell_min_s',
        'dwell_max_s',
        'min_c',
        'max_c',
        'label_low_weeks',
        'label_high_weeks',
        'pack_ml',
        'price_minor',
        'stock_ml',
        'reorder_ml',
    ];

    private const FLAGS = ['solvent', 'may_dry', 'rinse'];

    private const LISTS = ['surfaces', 'cautions'];

    /** @return list<string> in the order of the CSV */
    public static function columns(): array
    {
        return [
            ...Product::IS,
            ...array_map(static fn(string $way): string => 'dilution_' . $way, ProductRules::WAYS),
            ...Product::WORKS,
            ...Product::HOLDS,
        ];
    }

    /** @return array<string, mixed> one product as it stands in a file */
    public static function facts(Product $product): array
    {
        $facts = $product->only([...self::TEXTS, ...self::NUMBERS, ...self::FLAGS, ...self::LISTS]);

        return [
            ...array_filter($facts, static fn(mixed $value): bool => $value !== null),
            'dilutions' => (object) $product->dilutions,
        ];
    }

    /** @param Collection<int, Product> $products */
    public static function json(Collection $products): string
    {
        return json_encode(
            ['format' => self::SCHEMA, 'products' => $products->map(self::facts(...))->values()],
            JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR,
        ) . "\n";
    }

    /** @param Collection<int, Product> $products */
    public static function csv(Collection $products): string
    {
        return Tables::write(
            self::columns(),
            $products->map(static function (Product $product): array {
                $facts = self::facts($product);
                $labels = (array) $facts['dilutions'];

                return array_map(static function (string $column) use ($facts, $labels): string {
                    $value = str_starts_with($column, 'dilution_')
                        ? $labels[substr($column, 9)] ?? ''
                        : $facts[$column] ?? '';

                    return match (true) {
                        is_array($value) => implode(
                            $column === 'cautions' ? ' | ' : '; ',
                            array_map(strval(...), $value),
                        ),
                        is_bool($value) => $value ? 'yes' : 'no',
                        is_scalar($value) => (string) $value,
                        default => '',
                    };
                }, self::columns());
            }),
        );
    }

    /**
     * @return list<array{row: int, facts: array<string, mixed>, unknown: list<string>}> rows by their line or number in
     *     the file
     *
     * @throws UnreadableFile
     */
    public static function read(string $text, int $most): array
    {
        $text = trim(preg_replace('/^\x{FEFF}/u', '', $text) ?? throw new UnreadableFile(Said::of('file.utf-8')));
        if ($text === '') {
            throw new UnreadableFile(Said::of('file.empty'));
        }

        return $text[0] === '{' || $text[0] === '[' ? self::readJson($text, $most) : self::readCsv($text, $most);
    }

    /** @return list<array{row: int, facts: array<string, mixed>, unknown: list<string>}> */
    private static function readJson(string $text, int $most): array
    {
        try {
            $data = json_decode($text, true, 32, JSON_THROW_ON_ERROR);
        } catch (JsonException $e) {
            throw new UnreadableFile(Said::of('file.json', why: $e->getMessage()));
        }
        $products = is_array($data) && array_is_list($data) ? $data : $data['products'] ?? null;
        if (!is_array($products) || !array_is_list($products)) {
            throw new UnreadableFile(Said::of('file.no-products', format: self::SCHEMA));
        }
        if (count($products) > $most) {
            throw new UnreadableFile(Said::of('file.most-products', most: $most));
        }
        $known = [...self::TEXTS, ...self::NUMBERS, ...self::FLAGS, ...self::LISTS, 'dilutions'];
        $rows = [];
        foreach ($products as $i => $product) {
            $facts = is_array($product) ? $product : [];
            $rows[] = [
                'row' => $i + 1,
                'facts' => array_intersect_key($facts, array_flip($known)),
                'unknown' => array_values(
                    array_map(strval(...), array_diff(array_keys($facts), [...$known, 'id', 'version', 'archived'])),
                ),
            ];
        }

        return $rows;
    }

    /** @return list<array{row: int, facts: array<string, mixed>, unknown: list<string>}> */
    private static function readCsv(string $text, int $most): array
    {
        ['head' => $head, 'rows' => $read] = Tables::read($text, $most);
        if (!in_array('name', $head, true) || !in_array('role', $head, true)) {
            throw new UnreadableFile(Said::of('file.columns'));
        }
        $unknown = array_values(array_filter(array_diff($head, self::columns())));
        $rows = [];
        foreach ($read as ['row' => $row, 'cells' => $cells]) {
            $facts = [];
            foreach ($cells as $column => $cell) {
                if (str_starts_with($column, 'dilution_')) {
                    $facts['dilutions'][substr($column, 9)] = $cell;
                } elseif (in_array($column, self::columns(), true)) {
                    $facts[$column] = self::cell($column, $cell);
                }
            }
            $rows[] = ['row' => $row, 'facts' => $facts, 'unknown' => $unknown];
        }

        return $rows;
    }

    /** A cell as the field wants it; what can't be read stays text, and the rules say so. */
    private static function cell(string $column, string $cell): mixed
    {
        if (in_array($column, self::LISTS, true)) {
            return array_values(
                array_filter(
                    array_map(trim(...), preg_split($column === 'surfaces' ? '/[;,|]/' : '/\|/', $cell) ?: []),
                    static fn(string $item): bool => $item !== '',
                ),
            );
        }
        if (in_array($column, self::FLAGS, true)) {
            return match (strtolower($cell)) {
                'yes', 'true', '1', 'y', 'x' => true,
                'no', 'false', '0', 'n', '-' => false,
                default => $cell,
            };
        }
        if (in_array($column, self::NUMBERS, true)) {
            $number = str_replace(',', '.', $cell);

            return is_numeric($number) ? $number + 0 : $cell;
        }

        return $cell;
    }
}
