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
    /** How it looked; what was pictured in between is for whoever works. */
    private const SHOWN = ['before', 'after'];

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
            $file = Photo::query()
                ->where('turn_id', self::lastTurn($row)?->id)
                ->whereIn('stage', self::SHOWN)
                ->find($photo);
            $bytes = $file === null ? null : Storage::disk('photos')->get($file->path());

            return $bytes === null
                ? throw Problem::missing(Said::of('record.no-picture'))
                : new Response($bytes, 200, ['Content-Type' => 'image/jpeg', 'X-Robots-Tag' => 'noindex']);
        });
    }

    /**
     * What is the client's to see of it: nobody chose to hand this one out, as a record is. No note, no name of who came,
     * no amounts.
     *
     * @return Told<'LastVisit'>
     */
    private function last(Proposal $row): array
    {
        $turn = self::lastTurn($row);
        $vehicle = $row->vehicle;
        if ($turn === null || $vehicle === null) {
            return ['turn' => null, 'due' => []];
        }
        $record = ($this->drawRecord)($vehicle, 'turn', $turn);
        $told = $record['turns'][0];

        return [
            'turn' => [
                ...$told,
                'by' => null,
                'minutes' => null,
                'water_l' => null,
                'note' => null,
                'corrected' => false,
                'reason' => null,
                'refused' => [],
                'products' => array_map(
                    static fn(array $use): array => [...$use, 'ml' => null, 'batch' => null],
                    $told['products'],
                ),
                'photos' => array_values(
                    array_filter(
                        $told['photos'],
                        static fn(array $photo): bool => in_array($photo['stage'], self::SHOWN, true),
                    ),
                ),
            ],
            'due' => $record['due'],
        ];
    }

    /** Of a vehicle that has gone to somebody else since, nothing. */
    private static function lastTurn(Proposal $row): ?Turn
    {
        return $row->vehicle?->client_id !== $row->client_id
            ? null
            : Turn::query()
                ->where('vehicle_id', $row->vehicle_id)
                ->orderByDesc('worked_at')
                ->orderByDesc('id')
                ->first();
    }
}
