<?php

declare(strict_types=1);

namespace App\Archive;

use App\Record\Photo;
use App\Tenancy\OneMoment;
use App\Tenancy\Tenancy;
use App\Tenancy\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Psr\Clock\ClockInterface;
use RuntimeException;
use stdClass;
use ZipArchive;

/** The whole workspace as one file: archive.json by its published schema, and the photos beside it. */
final readonly class WriteArchive
{
    public function __construct(private Tenancy $tenancy, private ClockInterface $clock) {}

    /** @return string path of a file that is the caller's to remove */
    public function __invoke(): string
    {
        $path = tempnam(sys_get_temp_dir(), 'vicissa-archive');
        $zip = new ZipArchive();
        if ($path === false || $zip->open($path, ZipArchive::OVERWRITE) !== true) {
            throw new RuntimeException('There is no room for an archive.');
        }
        $zip->addFromString(
            'archive.json',
            json_encode(
                $this->data(),
                JSON_PRETTY_PRINT |
                    JSON_UNESCAPED_UNICODE |
                    JSON_UNESCAPED_SLASHES |
                    JSON_PRESERVE_ZERO_FRACTION |
                    JSON_THROW_ON_ERROR,
            ),
        );
        foreach (Photo::query()->orderBy('id')->cursor() as $photo) {
            $file = Storage::disk('photos')->get($photo->path());
            if ($file !== null) {
                $zip->addFromString("photos/{$photo->id}.jpg", $file);
                $zip->setCompressionName("photos/{$photo->id}.jpg", ZipArchive::CM_STORE);
            }
        }
        $zip->close();

        return $path;
    }

    /** @return array<string, mixed> as docs/schemas/archive.schema.json has it */
    public function data(): array
    {
        $workspace = $this->tenancy->workspace();

        return OneMoment::of(function () use ($workspace): array {
            $tables = $people = [];
            foreach (ArchivedTables::ALL as $table) {
                $tables[$table] = self::rows($table, $workspace->id);
                $people += self::named($tables[$table]);
            }
            ksort($people);

            return [
                'format' => ArchivedTables::FORMAT,
                'made_at' => $this->clock->now()->format('Y-m-d\TH:i:s\Z'),
                'workspace' => array_intersect_key(
                    $workspace->only(ArchivedTables::WORKSPACE),
                    array_flip(ArchivedTables::WORKSPACE),
                ),
                'people' => User::query()
                    ->whereIn('id', array_keys($people))
                    ->orderBy('id')
                    ->get()
                    ->map(static fn(User $user): array => ['id' => $user->id, 'name' => $user->name])
                    ->all(),
                'tables' => $tables,
            ];
        });
    }

    /** @return list<array<string, mixed>> */
    private static function rows(string $table, string $workspaceId): array
    {
        $by = $table === 'forecasts_made' ? 'layer_id' : 'id';
        $lines = DB::select(
            "select (to_jsonb(t) - 'workspace_id')::text as row from {$table} t where workspace_id = ? order by {$by}",
            [$workspaceId],
        );

        /** @var list<array<string, mixed>> */
        return array_map(
            static fn(stdClass $line): mixed => json_decode((string) $line->row, true, 512, JSON_THROW_ON_ERROR),
            $lines,
        );
    }

    /**
     * @param list<array<string, mixed>> $rows
     * @return array<string, true> ids of people that are named in them
     */
    private static function named(array $rows): array
    {
        $people = [];
        foreach ($rows as $row) {
            foreach (ArchivedTables::PEOPLE as $column) {
                $people += is_string($row[$column] ?? null) ? [$row[$column] => true] : [];
            }
        }

        return $people;
    }
}
