<?php

declare(strict_types=1);

namespace App\Door\Http;

use App\Http\OpenApi\Field;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Shape;
use App\Says\Teller;
use App\Tenancy\Tenancy;
use DateTimeImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** What happened at this workspace's door, for its owners. */
#[
    Shape(
        'DoorEvent',
        new Field('id', 'uuid'),
        new Field('kind', 'string'),
        new Field('says', 'string', 'What it was, without whom'),
        new Field('who', 'string?'),
        new Field('facts', 'object'),
        new Field('address', 'string?'),
        new Field('at', 'date-time'),
    ),
]
final readonly class TrailController
{
    public function __construct(private Tenancy $tenancy) {}

    #[
        OA\Get(
            path: '/api/v1/trail',
            operationId: 'showTrail',
            summary: 'The last two hundred, newest first',
            tags: ['Workspace'],
        ),
    ]
    #[Returns('DoorEvent', list: true)]
    public function __invoke(Request $request): JsonResponse
    {
        Gate::authorize('manage', $this->tenancy->workspace());
        $workspace = $this->tenancy->workspace()->id;
        $rows = DB::table('security_events as e')
            ->leftJoin('users as u', 'u.id', '=', 'e.user_id')
            ->where('e.workspace_id', $workspace)
            ->orderByDesc('e.at')
            ->orderByDesc('e.id')
            ->limit(200)
            ->get(['e.id', 'e.kind', 'e.facts', 'e.address', 'e.at', 'u.name as who']);

        return new JsonResponse([
            'data' => $rows
                ->map(
                    static fn(object $row): array => [
                        'id' => $row->id,
                        'kind' => $row->kind,
                        'says' => Teller::here()->say("trail.{$row->kind}"),
                        'who' => $row->who,
                        'facts' => (object) json_decode((string) $row->facts, true),
                        'address' => $row->address,
                        'at' => (new DateTimeImmutable($row->at))->format('Y-m-d\TH:i:s\Z'),
                    ],
                )
                ->all(),
        ]);
    }
}
