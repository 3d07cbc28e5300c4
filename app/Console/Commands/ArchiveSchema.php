<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Archive\ArchivedTables;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * Writes the schema of the archive from the tables there are; with --check, says whether the published one still is it.
 */
final class ArchiveSchema extends Command
{
    protected $signature = 'vicissa:archive-schema {--check : only compare}';

    protected $description = 'Write docs/schemas/archive.schema.json from the tables';

    public function handle(): int
    {
        $path = base_path('docs/schemas/archive.schema.json');
        $schema =
            json_encode(
                $this->schema(),
                JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR,
            ) . "\n";
        if ($this->option('check')) {
            $same = is_file($path) && file_get_contents($path) === $schema;
            $same
                ? $this->info('The published schema is that of the tables.')
                : $this->error(
                    'docs/schemas/archive.schema.json is out of date: run php artisan vicissa:archive-schema.',
                );

            return $same ? self::SUCCESS : self::FAILURE;
        }
        file_put_contents($path, $schema);
        $this->info('docs/schemas/archive.schema.json written.');

        return self::SUCCESS;
    }

    /** @return array<string, mixed> */
    private function schema(): array
    {
        $tables = [];
        foreach (ArchivedTables::ALL as $table) {
            $properties = $required = [];
            foreach (
                DB::select(
                    "select column_name, data_type, is_nullable, character_maximum_length from information_schema.columns where table_schema = 'public' and table_name = ? and column_name <> 'workspace_id' order by ordinal_position",
                    [$table],
                )
                as $column
            ) {
                $properties[(string) $column->column_name] = $this->type($column);
                $required[] = (string) $column->column_name;
            }
            $tables[$table] = [
                'type' => 'array',
                'items' => [
                    'type' => 'object',
                    'properties' => $properties,
                    'required' => $required,
                    'additionalProperties' => false,
                ],
            ];
        }

        return [
            '$schema' => 'https://json-schema.org/draft/2020-12/schema',
            '$id' => 'https://vicissa.example/schemas/archive-1.json',
            'title' => 'A workspace of Vicissa, whole',
            'description' =>
                'archive.json of the ZIP; photos/{id}.jpg lie beside it. Rows as the tables hold them, in SI units; ids are only valid within the file. Left out: ' .
                implode(
                    ', ',
                    array_map(
                        static fn(string $table, string $why): string => "{$table} ({$why})",
                        array_keys(ArchivedTables::LEFT),
                        ArchivedTables::LEFT,
                    ),
                ) .
                '.',
            'type' => 'object',
            'required' => ['format', 'made_at', 'workspace', 'people', 'tables'],
            'additionalProperties' => false,
            'properties' => [
                'format' => ['const' => ArchivedTables::FORMAT],
                'made_at' => ['type' => 'string', 'format' => 'date-time'],
                'workspace' => ['type' => 'object', 'required' => ArchivedTables::WORKSPACE],
                'people' => [
                    'type' => 'array',
                    'items' => [
                        'type' => 'object',
                        'required' => ['id', 'name'],
                        'properties' => [
                            'id' => ['type' => 'string', 'format' => 'uuid'],
                            'name' => ['type' => 'string'],
                        ],
                        'additionalProperties' => false,
                    ],
                ],
                'tables' => [
                    'type' => 'object',
                    'required' => ArchivedTables::ALL,
                    'properties' => $tables,
                    'additionalProperties' => false,
                ],
            ],
        ];
    }

    /** @return array<string, mixed> */
    private function type(stdClass $column): array
    {
        $type = match (true) {
            in_array($column->data_type, ['integer', 'smallint', 'bigint'], true) => ['type' => 'integer'],
            in_array($column->data_type, ['numeric', 'double precision', 'real'], true) => ['type' => 'number'],
            $column->data_type === 'boolean' => ['type' => 'boolean'],
            $column->data_type === 'jsonb' => ['type' => ['object', 'array']],
            $column->data_type === 'uuid' => ['type' => 'string', 'format' => 'uuid'],
            $column->data_type === 'date' => ['type' => 'string', 'format' => 'date'],
            $column->data_type === 'timestamp with time zone' => ['type' => 'string', 'format' => 'date-time'],
            default => ['type' => 'string'] +
                ($column->character_maximum_length === null
                    ? []
                    : ['maxLength' => (int) $column->character_maximum_length]),
        };

        return $column->is_nullable === 'YES' ? [...$type, 'type' => [...(array) $type['type'], 'null']] : $type;
    }
}
