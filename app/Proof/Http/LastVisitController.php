<?php

declare(strict_types=1);

namespace App\Proof\Http;

use App\Http\OpenApi\Field;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\ReturnsFile;
use App\Http\OpenApi\Shape;
use App\Problems\Problem;
use App\Proof\DrawRecord;
use App\Record\Photo;
use App\Record\Turn;
use App\Weeks\OpenQuestion;
use App\Weeks\Proposal;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Storage;
use OpenApi\Attributes as OA;
use Vicissa\Core\Says\Said;

/** What a client who is asked about a day may see beside it: the last visit to that vehicle, and what is due why. */
#[
    Shape(
        'LastVisit',
        new Field('turn', 'RecordTurn?', 'The last one; null where there was none'),
        new Field('due', 'RecordDue[]'),
    ),
]
final readonly class LastVisitController
{
    public function __construct(private OpenQuestion $openQuestion, private DrawRecord $drawRecord) {}

    #[
        OA\Get(
            path: '/api/v1/answers/{proposal}/{signature}/last',
            operationId: 'showLastVisit',
            summary: 'The last visit to the vehicle a client is asked about; for whoever has the link',
            tags: ['Weeks'],
            parameters: [
                new OA\PathParameter(name: 'proposal', required: true, schema: new OA\Schema(type: 'string')),
                new OA\PathParameter(name: 'signature', required: true, schema: new OA\Schema(type: 'string')),
            ],
        ),
    ]
    #[Returns('LastVisit')]
    public function show(string $proposal, string $signature): JsonResponse
    {
        return ($this->openQuestion)(
            $proposal,
            $signature,
            fn(Proposal $row): JsonResponse => new JsonResponse($this->last($row)),
        );
    }

    #[
        OA\Get(
            path: '/api/v1/answers/{proposal}/{signature}/photos/{photo}',
            operationId: 'readLastPhoto',
            tags: ['Weeks'],
            security: [],
            parameters: [
                new OA\PathParameter(name: 'proposal', required: true, schema: new OA\Schema(type: 'string')),
                new OA\PathParameter(name: 'signature', required: true, schema: new OA\Schema(type: 'string')),
            ],
        ),
    ]
    #[ReturnsFile('image/jpeg', 'JPEG')]
    public function photo(string $proposal, string $signature, string $photo): Response
    {
        return ($this->openQuestion)($proposal, $signature, function (Proposal $row) use ($photo): Response {
            $shown = array_column($this->last($row)['turn']['photos'] ?? [], 'id');
            $file = in_array($photo, $shown, true) ? Photo::query()->find($photo) : null;
            $bytes = $file === null ? null : Storage::disk('photos')->get($file->path());

            return $bytes === null
                ? throw Problem::missing(Said::of('record.no-picture'))
                : new Response($bytes, 200, ['Content-Type' => 'image/jpeg', 'X-Robots-Tag' => 'noindex']);
        });
    }

    /** @return Told<'LastVisit'> */
    private function last(Proposal $row): array
    {
        $vehicle = $row->vehicle ?? throw Problem::missing(Said::of('weeks.no-link'));
        $turn = Turn::query()
            ->where('vehicle_id', $row->vehicle_id)
            ->orderByDesc('worked_at')
            ->orderByDesc('id')
            ->first();
        $record = $turn === null ? null : ($this->drawRecord)($vehicle, 'turn', $turn);

        return ['turn' => $record['turns'][0] ?? null, 'due' => $record['due'] ?? []];
    }
}
