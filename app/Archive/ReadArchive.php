<?php

declare(strict_types=1);

namespace App\Archive;

use App\Book\Client;
use App\Book\Vehicle;
use App\Film\ForecastLayers;
use App\Record\Photo;
use App\Tenancy\Tenancy;
use App\Tenancy\User;
use App\Turns\DrawAnew;
use Closure;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use JsonException;
use Throwable;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

/**
 * Takes an archive into an empty workspace. Every row gets an id of its own, so that the same archive can live twice;
 * nothing in it can reach into another workspace, since whatever it refers to must be in it.
 */
final readonly class ReadArchive
{
    private const UUID = '/[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/';

    private const CHUNK = 400;

    /** How deep an archive is nested at the most. */
    private const DEEP = 64;

    /** Who is named in one. */
    private const PEOPLE = 500;

    public function __construct(private Tenancy $tenancy, private ForecastLayers $forecastLayers) {}

    public static function isEmpty(): bool
    {
        return Vehicle::query()->doesntExist() && Client::query()->doesntExist();
    }

    /**
     * @param (Closure(float): mixed)|null $told  hears how far it is, 0 to 1
     * @param bool $despite  take it in though pictures are missing or can't be read
     * @return array{rows: int, photos: int}
     *
     * @throws BadArchive  and nothing of it stays
     */
    public function fromFile(string $path, User $by, ?Closure $told = null, bool $despite = false): array
    {
        $told ??= static fn(float $share): null => null;
        $zip = HostileZip::open($path);
        try {
            $data = json_decode($zip->json(), true, self::DEEP, JSON_THROW_ON_ERROR);
        } catch (JsonException $e) {
            throw new BadArchive(Said::of('archive.unread', why: $e->getMessage()));
        }
        if (!is_array($data)) {
            throw new BadArchive(Said::of('archive.holds-none'));
        }
        $told(0.1);
        $empty = Storage::disk('photos')->files($this->tenancy->workspace()->id) === [];

        try {
            return DB::transaction(function () use ($zip, $data, $by, $told, $despite): array {
                [$rows, $ids] = $this->data($data, $by);
                $told(0.6);

                return ['rows' => $rows, 'photos' => $this->photos($zip, array_flip($ids), $told, $despite)];
            });
        } catch (Throwable $e) {
            // Rows are undone by themselves; pictures are not.
            if ($empty) {
                Storage::disk('photos')->deleteDirectory($this->tenancy->workspace()->id);
            }

            throw $e;
        } finally {
            $zip->close();
        }
    }

    /**
     * @param array<string, string> $old  ids by new
     * @param Closure(float): mixed $told
     */
    private function photos(HostileZip $zip, array $old, Closure $told, bool $despite): int
    {
        $all = Photo::query()
            ->orderBy('id')
            ->get(['id', 'workspace_id']);
        $kept = $missing = $broken = 0;
        foreach ($all as $i => $photo) {
            $file = isset($old[$photo->id]) ? $zip->photo($old[$photo->id]) : null;
            try {
                if ($file === null) {
                    $missing++;
                } else {
                    Storage::disk('photos')->put($photo->path(), DrawAnew::of($file));
                    $kept++;
                }
            } catch (InvalidInput) {
                // Only pictures are kept as pictures.
                $broken++;
            }
            if ($i % 20 === 0) {
                $told(0.6 + (0.4 * $i) / count($all));
            }
        }

        if ($missing + $broken > 0 && !$despite) {
            throw new BadArchive(Said::of('archive.photos-gone', missing: $missing, broken: $broken));
        }

        return $kept;
    }

    /**
     * @param array<array-key, mixed> $data
     * @return array{int, array<string, string>} rows, and new ids by old
     *
     * @throws BadArchive
     */
    public function data(array $data, User $by): array
    {
        if (($data['format'] ?? null) !== ArchivedTables::FORMAT) {
            throw new BadArchive(Said::of('archive.format', format: ArchivedTables::FORMAT));
        }
        $tables = is_array($data['tables'] ?? null)
            ? $data['tables']
            : throw new BadArchive(Said::of('archive.no-tables'));
        if (!self::isEmpty()) {
            throw new BadArchive(Said::of('archive.not-empty'));
        }
        $ids = $this->ids($tables);

        return DB::transaction(function () use ($data, $tables, $ids, $by): array {
            $this->clear();
            $people = $this->people(is_array($data['people'] ?? null) ? $data['people'] : [], $by);
            $this->settings(is_array($data['workspace'] ?? null) ? $data['workspace'] : []);
            $count = 0;
            foreach (ArchivedTables::ALL as $table) {
                /** @var list<array<string, mixed>> $rows */
                $rows = $tables[$table] ?? [];
                foreach (array_chunk($rows, self::CHUNK) as $chunk) {
                    $this->insert(
                        $table,
                        array_map(fn(array $row): array => $this->row($table, $row, $ids, $people, $by), $chunk),
                    );
                    $count += count($chunk);
                }
            }
            foreach (ArchivedTables::LATER as $table => $column) {
                foreach ($tables[$table] ?? [] as $row) {
                    if (is_array($row) && is_string($row['id'] ?? null) && is_string($row[$column] ?? null)) {
                        DB::update("update {$table} set {$column} = ? where id = ?", [
                            $ids[$row[$column]] ??
                            throw new BadArchive(Said::of('archive.dangling', table: $table, column: $column)),
                            $ids[$row['id']],
                        ]);
                    }
                }
            }
            /** @var list<string> $vehicles */
            $vehicles = Vehicle::query()->whereNull('archived_at')->orderBy('id')->pluck('id')->all();
            ($this->forecastLayers)($vehicles, past: false);

            return [$count, $ids];
        });
    }

    /**
     * A new id for every row, in the order of the old ones; lists that are ordered by them stay in order.
     *
     * @param array<array-key, mixed> $tables
     * @return array<string, string> new by old
     */
    private function ids(array $tables): array
    {
        $old = [];
        foreach (ArchivedTables::ALL as $table) {
            $rows = $tables[$table] ?? [];
            if (!is_array($rows) || !array_is_list($rows)) {
                throw new BadArchive(Said::of('archive.rows', table: $table));
            }
            foreach ($rows as $i => $row) {
                $id = is_array($row) ? $row[$table === 'forecasts_made' ? 'layer_id' : 'id'] ?? null : null;
                if (!is_string($id) || !Str::isUuid($id)) {
                    throw new BadArchive(Said::of('archive.no-id', row: $i + 1, table: $table));
                }
                if ($table !== 'forecasts_made' && isset($old[$id])) {
                    throw new BadArchive(Said::of('archive.id-twice', row: $i + 1, table: $table));
                }
                $old[$id] = true;
            }
        }
        ksort($old);
        $new = [];
        foreach (array_keys($old) as $id) {
            $new[$id] = Str::uuid7()->toString();
        }

        return $new;
    }

    /** What a new workspace begins with makes room. */
    private function clear(): void
    {
        foreach (['gear', 'crews', 'programmes', 'sites', 'products', 'prices'] as $table) {
            DB::table($table)
                ->where('workspace_id', $this->tenancy->workspace()->id)
                ->delete();
        }
    }

    /**
     * Who is named in the archive stays named. Only whoever takes it in can sign in as themselves; the others are
     * invited anew.
     *
     * @param array<array-key, mixed> $people
     * @return array<string, string> new ids by old
     */
    private function people(array $people, User $by): array
    {
        if (count($people) > self::PEOPLE) {
            throw new BadArchive(Said::of('archive.people', most: self::PEOPLE));
        }
        $map = [];
        foreach ($people as $person) {
            $id = is_array($person) ? $person['id'] ?? null : null;
            $name = is_array($person) ? $person['name'] ?? null : null;
            if (!is_string($id) || !Str::isUuid($id) || !is_string($name) || $name === '') {
                throw new BadArchive(Said::of('archive.person'));
            }
            $map[$id] = $name === $by->name ? $by->id : $this->named($name);
        }

        return $map;
    }

    /** Somebody who is named and signs in nowhere: there is no password whose hash this would be. */
    private function named(string $name): string
    {
        $id = Str::uuid7()->toString();
        DB::table('users')->insert([
            'id' => $id,
            'name' => mb_substr($name, 0, 120),
            'email' => Str::uuid7()->toString() . '@archive.invalid',
            'password' => '!',
            'created_at' => now(),
            'updated_at' => now(),
        ]);

        return $id;
    }

    /** @param array<array-key, mixed> $settings */
    private function settings(array $settings): void
    {
        $workspace = $this->tenancy->workspace();
        $known = WorkspaceSettings::checked(array_intersect_key($settings, array_flip(ArchivedTables::WORKSPACE)));
        $workspace->fill($known);
        $workspace->version++;
        $workspace->save();
        $this->tenancy->renew($workspace->refresh());
    }

    /**
     * @param array<string, mixed> $row
     * @param array<string, string> $ids
     * @param array<string, string> $people
     * @return array<string, mixed>
     */
    private function row(string $table, array $row, array $ids, array $people, User $by): array
    {
        foreach ($row as $column => $value) {
            $row[$column] = match (true) {
                in_array($column, ArchivedTables::PEOPLE, true) => is_string($value)
                    ? $people[$value] ?? $by->id
                    : null,
                // Who signs in is asked anew.
                $table === 'crews' && $column === 'members' => [],
                $column === (ArchivedTables::LATER[$table] ?? null) => null,
                in_array($column, ArchivedTables::LOOSE, true) => is_string($value) ? $ids[$value] ?? $value : $value,
                $column === 'id' || str_ends_with($column, '_id') => match (true) {
                    $value === null => null,
                    is_string($value) && isset($ids[$value]) => $ids[$value],
                    default => throw new BadArchive(Said::of('archive.dangling', table: $table, column: $column)),
                },
                default => $this->replaced($value, $ids),
            };
        }

        return [...$row, 'workspace_id' => $this->tenancy->workspace()->id];
    }

    /** @param array<string, string> $ids */
    private function replaced(mixed $value, array $ids): mixed
    {
        if (is_string($value)) {
            return strlen($value) < 36
                ? $value
                : preg_replace_callback(self::UUID, static fn(array $m): string => $ids[$m[0]] ?? $m[0], $value);
        }
        if (!is_array($value)) {
            return $value;
        }
        $out = [];
        foreach ($value as $key => $one) {
            $out[is_string($key) ? $ids[$key] ?? $key : $key] = $this->replaced($one, $ids);
        }

        return $out;
    }

    /**
     * @param list<array<string, mixed>> $rows
     *
     * @throws BadArchive
     */
    private function insert(string $table, array $rows): void
    {
        // What this version doesn't know is left out; what the archive doesn't know takes its default.
        $known = Schema::getColumnListing($table);
        $columns = implode(
            ', ',
            array_map(
                static fn(string $column): string => '"' . $column . '"',
                array_values(array_intersect($known, array_keys(array_merge([], ...$rows)))),
            ),
        );
        try {
            DB::insert(
                "insert into {$table} ({$columns}) select {$columns} from jsonb_populate_recordset(null::{$table}, ?::jsonb) r",
                [json_encode($rows, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR)],
            );
        } catch (QueryException $e) {
            throw new BadArchive(
                Said::of(
                    'archive.rule',
                    table: $table,
                    why: Str::limit(Str::before($e->getPrevious()?->getMessage() ?? 'unknown', "\n"), 200),
                ),
                previous: $e,
            );
        }
    }
}
