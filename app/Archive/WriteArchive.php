<?php

declare(strict_types=1);

namespace App\Archive;

use App\Record\Photo;
use App\Tenancy\OneMoment;
use App\Tenancy\Tenancy;
use App\Tenancy\User;
use Closure;
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

    /** How often one hears how far it is. */
    private const TOLD_EACH = 20;

    /** @return string path of a file that is the caller's to remove */
    public function __invoke(): string
    {
        $path = tempnam(sys_get_temp_dir(), 'vicissa-archive');
        if ($path === false) {
            throw new RuntimeException('There is no room for an archive.');
        }
        $this->into($path);

        return $path;
    }

    /** Rows and photos of the open workspace, counted by the database. */
    public function weight(): int
    {
        $counts = array_map(
            static fn(string $table): string => "(select count(*) from {$table} where workspace_id = :workspace)",
            ArchivedTables::ALL,
        );

        return (int) DB::scalar('select ' . implode(' + ', $counts), ['workspace' => $this->tenancy->workspace()->id]);
    }

    /**
     * @param (Closure(float): mixed)|null $told  hears how far it is, 0 to 1
     * @return array{rows: int, photos: int}
     */
    public function into(string $path, ?Closure $told = null): array
    {
        $zip = new ZipArchive();
        if ($zip->open($path, ZipArchive::CREATE | ZipArchive::OVERWRITE) !== true) {
            throw new RuntimeException('There is no room for an archive.');
        }
        $data = $this->data();
        $told === null || $told(0.3);
        $zip->addFromString(
            'archive.json',
            json_encode(
                $data,
                JSON_PRETTY_PRINT |
                    JSON_UNESCAPED_UNICODE |
                    JSON_UNESCAPED_SLASHES |
                    JSON_PRESERVE_ZERO_FRACTION |
                    JSON_THROW_ON_ERROR,
            ),
        );
        $of = max(1, Photo::query()->count());
        $photos = $seen = 0;
        foreach (Photo::query()->orderBy('id')->cursor() as $photo) {
            if ($told !== null && ++$seen % self::TOLD_EACH === 0) {
                $told(0.3 + 0.6 * min(1, $seen / $of));
            }
            $file = Storage::disk('photos')->get($photo->path());
            if ($file !== null) {
                $zip->addFromString("photos/{$photo->id}.jpg", $file);
                $zip->setCompressionName("photos/{$photo->id}.jpg", ZipArchive::CM_STORE);
                $photos++;
            }
        }
        if (!$zip->close()) {
            throw new RuntimeException('There is no room for an archive.');
        }
        /** @var array<string, list<array<string, mixed>>> $tables */
        $tables = $data['tables'];

        return ['rows' => array_sum(array_map(count(...), $tables)), 'photos' => $photos];
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
