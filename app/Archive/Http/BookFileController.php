<?php

declare(strict_types=1);

namespace App\Archive\Http;

use App\Archive\ArchiveRun;
use App\Archive\BeginRun;
use App\Archive\BookFile;
use App\Archive\ImportBook;
use App\Archive\TakeTable;
use App\Book\Vehicle;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Takes;
use App\Http\TableFile;
use App\Problems\Problem;
use App\Tables\Counted;
use App\Tables\UnreadableFile;
use App\Tenancy\Tenancy;
use App\Tenancy\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** The book as tables, out and in. */
final readonly class BookFileController
{
    private const LARGEST = 5_000_000;

    /** So many rows are taken in at once; more go to the queue. */
    private const AT_ONCE = 40;

    public function __construct(private Tenancy $tenancy) {}

    #[
        OA\Get(
            path: '/api/v1/book/{kind}',
            operationId: 'bookFile',
            summary: 'clients, sites, vehicles, turns or readings as CSV',
            tags: ['Archive'],
            parameters: [new KindOfTable()],
            responses: [
                new OA\Response(
                    response: 200,
                    description: 'CSV',
                    content: new OA\MediaType(mediaType: 'text/csv', schema: new OA\Schema(type: 'string')),
                ),
            ],
        ),
    ]
    public function out(string $kind): Response
    {
        Gate::authorize('viewAny', Vehicle::class);

        return TableFile::of(
            "vicissa-{$kind}.csv",
            BookFile::COLUMNS[$kind],
            BookFile::rows($kind, $this->tenancy->workspace()),
        );
    }

    #[
        OA\Post(
            path: '/api/v1/book/{kind}',
            operationId: 'importBook',
            summary: 'Look at a table, or take it into the book; with one wrong row nothing is done',
            tags: ['Archive'],
            parameters: [new KindOfTable()],
        ),
    ]
    #[Takes('ProductImportInput')]
    #[Returns('ProductImport')]
    #[Returns('ArchiveRun', 202)]
    public function in(Request $request, string $kind, ImportBook $importBook, BeginRun $beginRun): JsonResponse
    {
        Gate::authorize('create', Vehicle::class);
        $facts = $request->validate([
            'text' => ['required', 'string', 'max:' . self::LARGEST],
            'commit' => ['sometimes', 'boolean'],
        ]);
        $user = $request->user();
        abort_unless($user instanceof User, 401);
        if (($facts['commit'] ?? false) && substr_count($facts['text'], "\n") > self::AT_ONCE) {
            $run = $beginRun(
                $user->id,
                static fn(string $path) => file_put_contents($path, $facts['text']),
                fn(ArchiveRun $run, string $path) => TakeTable::dispatch(
                    $this->tenancy->workspace()->id,
                    $run->id,
                    $path,
                    $kind,
                )->afterCommit(),
            );

            return new JsonResponse(ArchiveController::told($run->refresh()), 202);
        }
        try {
            $result = $importBook($kind, $facts['text'], (bool) ($facts['commit'] ?? false), $user);
        } catch (UnreadableFile $e) {
            throw Problem::field('text', $e->says);
        }

        return new JsonResponse([...$result, 'rows' => Counted::told($result['rows'])]);
    }
}
