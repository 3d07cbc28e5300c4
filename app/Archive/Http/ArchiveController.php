<?php

declare(strict_types=1);

namespace App\Archive\Http;

use App\Archive\BadArchive;
use App\Archive\ForgetClient;
use App\Archive\ReadArchive;
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
use App\Tenancy\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** Nothing locked in: everything out, everything back in, who changed what, and whoever wants to be forgotten. */
#[Shape('ArchiveTaken', new Field('rows', 'integer'), new Field('photos', 'integer'))]
#[Shape('Forgotten', new Field('gone', 'string[]'), new Field('stays', 'string[]'))]
final readonly class ArchiveController
{
    use Paged;

    private const MOST_KB = 600_000;

    public function __construct(private Tenancy $tenancy, private ClockInterface $clock, private DoorLog $doorLog) {}

    #[
        OA\Get(
            path: '/api/v1/archive',
            operationId: 'archive',
            summary: 'The whole workspace: archive.json (docs/schemas/archive.schema.json) and photos, as ZIP',
            tags: ['Archive'],
        ),
    ]
    #[ReturnsFile('application/zip', 'ZIP')]
    public function out(WriteArchive $writeArchive): BinaryFileResponse
    {
        Gate::authorize('manage', $this->tenancy->workspace());
        self::makeRoom();
        $this->doorLog->note('exported');

        return (new BinaryFileResponse($writeArchive(), 200, ['Content-Type' => 'application/zip']))
            ->setContentDisposition(
                'attachment',
                'vicissa-' . $this->tenancy->workspace()->dateOf($this->clock->now()) . '.zip',
            )
            ->deleteFileAfterSend();
    }

    #[
        OA\Post(
            path: '/api/v1/archive',
            operationId: 'takeArchive',
            summary: 'An archive into an empty workspace (multipart: file)',
            tags: ['Archive'],
        ),
    ]
    #[Returns('ArchiveTaken', 201)]
    public function in(Request $request, ReadArchive $readArchive): JsonResponse
    {
        Gate::authorize('manage', $this->tenancy->workspace());
        $request->validate(['file' => ['required', 'file', 'max:' . self::MOST_KB]]);
        self::makeRoom();
        $file = $request->file('file');
        $user = $request->user();
        abort_unless($file instanceof UploadedFile && $user instanceof User, 422);
        try {
            return new JsonResponse($readArchive->fromFile($file->getPathname(), $user), 201);
        } catch (BadArchive $e) {
            throw Problem::field('file', $e->says);
        }
    }

    /** A whole book is more than a request usually holds. */
    private static function makeRoom(): void
    {
        set_time_limit(300);
        ini_set('memory_limit', '1G');
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
