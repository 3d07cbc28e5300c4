<?php

declare(strict_types=1);

namespace App\Archive\Http;

use App\Archive\ArchiveFiles;
use App\Archive\ArchiveRun;
use App\Archive\BadArchive;
use App\Archive\BeginRun;
use App\Archive\ForgetClient;
use App\Archive\HostileZip;
use App\Archive\MakeArchive;
use App\Archive\TakeArchive;
use App\Archive\WriteArchive;
use App\Book\Client;
use App\Door\DoorLog;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\ReturnsFile;
use App\Http\OpenApi\Shape;
use App\Http\Paged;
use App\Problems\Problem;
use App\Tenancy\Change;
use App\Tenancy\Tenancy;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Vicissa\Core\Says\Said;

/** Nothing locked in: everything out, everything back in, who changed what, and whoever wants to be forgotten. */
#[Shape('Forgotten', new Field('gone', 'string[]'), new Field('stays', 'string[]'))]
#[
    Shape(
        'ArchiveRun',
        new Field('id', 'uuid'),
        new Field('kind', 'string', 'Taken in or written', [ArchiveRun::IN, ArchiveRun::OUT]),
        new Field('status', 'string', null, ['waiting', 'running', 'done', 'refused']),
        new Field('progress', 'number', '0 to 1'),
        new Field('rows', 'integer?'),
        new Field('photos', 'integer?'),
        new Field('says', 'said?', 'Why it was refused; nothing of it stays'),
        new Field('result', 'TableTaken?', 'Of a table'),
    ),
]
final readonly class ArchiveController
{
    use Paged;

    private const MOST_KB = 600_000;

    public function __construct(private Tenancy $tenancy, private ClockInterface $clock, private DoorLog $doorLog) {}

    #[
        OA\Get(
            path: '/api/v1/archive',
            operationId: 'archive',
            summary: 'The whole workspace: archive.json (docs/schemas/archive.schema.json) and photos, as ZIP; a large one is asked for as a run',
            tags: ['Archive'],
        ),
    ]
    #[ReturnsFile('application/zip', 'ZIP')]
    public function out(WriteArchive $writeArchive): BinaryFileResponse
    {
        Gate::authorize('manage', $this->tenancy->workspace());
        $most = config()->integer('vicissa.limits.archive_rows');
        if ($writeArchive->weight() > $most) {
            throw Problem::dear(Said::of('archive.too-heavy', most: $most));
        }
        $this->doorLog->note('exported');

        return $this->download($writeArchive())->deleteFileAfterSend();
    }

    #[
        OA\Post(
            path: '/api/v1/archive/runs',
            operationId: 'makeArchive',
            summary: 'Have the whole workspace written as one file by the queue; ask for the run to hear how far it is',
            tags: ['Archive'],
        ),
    ]
    #[Returns('ArchiveRun', 202)]
    public function make(Request $request, BeginRun $beginRun): JsonResponse
    {
        Gate::authorize('manage', $this->tenancy->workspace());
        $run = $beginRun(
            (string) $request->user()?->getAuthIdentifier(),
            null,
            fn(ArchiveRun $run, string $path) => MakeArchive::dispatch(
                $this->tenancy->workspace()->id,
                $run->id,
                $path,
            )->afterCommit(),
            ArchiveRun::OUT,
        );
        $this->doorLog->note('exported');

        return new JsonResponse(self::told($run->refresh()), 202);
    }

    #[
        OA\Get(
            path: '/api/v1/archive/runs/{run}/file',
            operationId: 'fetchArchive',
            summary: 'The archive that was asked for, within a day',
            tags: ['Archive'],
        ),
    ]
    #[ReturnsFile('application/zip', 'ZIP')]
    public function file(ArchiveRun $run, ArchiveFiles $files): BinaryFileResponse
    {
        Gate::authorize('manage', $this->tenancy->workspace());
        abort_unless(
            $run->kind === ArchiveRun::OUT &&
                $run->status === 'done' &&
                $run->asked_at > $this->clock->now()->modify('-' . ArchiveRun::KEPT_HOURS . ' hours'),
            404,
        );
        $file = $files->fetch($run);
        abort_if($file === null, 404);
        $this->doorLog->note('exported');

        return $this->download($file)->deleteFileAfterSend(ArchiveFiles::isShared());
    }

    private function download(string $file): BinaryFileResponse
    {
        return (new BinaryFileResponse($file, 200, ['Content-Type' => 'application/zip']))->setContentDisposition(
            'attachment',
            'vicissa-' . $this->tenancy->workspace()->dateOf($this->clock->now()) . '.zip',
        );
    }

    #[
        OA\Post(
            path: '/api/v1/archive',
            operationId: 'takeArchive',
            summary: 'An archive into an empty workspace (multipart: file; despite=1 also where pictures are missing)',
            tags: ['Archive'],
        ),
    ]
    #[Returns('ArchiveRun', 202)]
    public function in(Request $request, BeginRun $beginRun): JsonResponse
    {
        Gate::authorize('manage', $this->tenancy->workspace());
        $despite =
            (bool) ($request->validate([
                'file' => ['required', 'file', 'max:' . self::MOST_KB],
                'despite' => ['sometimes', 'boolean'],
            ])['despite'] ?? false);
        $file = $request->file('file');
        abort_unless($file instanceof UploadedFile, 422);
        try {
            HostileZip::open($file->getPathname())->close();
        } catch (BadArchive $e) {
            throw Problem::field('file', $e->says);
        }
        $run = $beginRun(
            (string) $request->user()?->getAuthIdentifier(),
            static fn(string $path) => $file->move(dirname($path), basename($path)),
            fn(ArchiveRun $run, string $path) => TakeArchive::dispatch(
                $this->tenancy->workspace()->id,
                $run->id,
                $path,
                $despite,
            )->afterCommit(),
        );
        $this->doorLog->note('archive-taken');

        return new JsonResponse(self::told($run->refresh()), 202);
    }

    #[OA\Get(path: '/api/v1/archive/runs/{run}', operationId: 'showArchiveRun', tags: ['Archive'])]
    #[Returns('ArchiveRun')]
    public function run(Request $request, ArchiveRun $run): JsonResponse
    {
        // Whoever handed it in, and owners.
        if ($run->asked_by !== $request->user()?->getAuthIdentifier()) {
            Gate::authorize('manage', $this->tenancy->workspace());
        }

        return new JsonResponse(self::told($run));
    }

    /** @return Told<'ArchiveRun'> */
    public static function told(ArchiveRun $run): array
    {
        return [
            ...$run->only(['id', 'kind', 'status', 'progress', 'rows', 'photos']),
            'says' => $run->says === null ? null : Said::kept($run->says),
            'result' => $run->result,
        ];
    }

    #[
        OA\Get(
            path: '/api/v1/changes',
            operationId: 'listChanges',
            summary: 'Who changed what, newest first, paged by cursor',
            tags: ['Archive'],
            parameters: [
                new OA\QueryParameter(
                    name: 'row',
                    description: 'Of one row only',
                    schema: new OA\Schema(type: 'string', format: 'uuid'),
                ),
            ],
        ),
    ]
    #[Returns('Change', page: true)]
    public function changes(Request $request): JsonResponse
    {
        Gate::authorize('manage', $this->tenancy->workspace());
        $row = $request->validate(['row' => ['sometimes', 'uuid']])['row'] ?? null;

        return $this->page(
            Change::query()
                ->with('person:id,name')
                ->when($row !== null, static fn($query) => $query->where('row_id', $row))
                ->orderByDesc('at')
                ->orderByDesc('id')
                ->cursorPaginate($this->size($request)),
            ChangeResource::class,
        );
    }

    #[
        OA\Post(
            path: '/api/v1/clients/{client}/forget',
            operationId: 'forgetClient',
            summary: 'Everything that names them goes; says what stays and why',
            tags: ['Archive'],
        ),
    ]
    #[Returns('Forgotten')]
    public function forget(Client $client, ForgetClient $forgetClient): JsonResponse
    {
        Gate::authorize('manage', $this->tenancy->workspace());

        return new JsonResponse($forgetClient($client));
    }
}
