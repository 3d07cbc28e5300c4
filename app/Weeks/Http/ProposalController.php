<?php

declare(strict_types=1);

namespace App\Weeks\Http;

use App\Book\PlannedVisit;
use App\Book\Vehicle;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Shape;
use App\Http\OpenApi\Takes;
use App\Problems\Problem;
use App\Says\Teller;
use App\Tenancy\Tenancy;
use App\Weeks\CancelVisit;
use App\Weeks\OpenQuestion;
use App\Weeks\Proposal;
use App\Weeks\ProposeVisits;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Says\Said;

/** Asking clients about days, and their answers by a signed link that shows nothing else. */
#[Shape('ProposeInput', new Field('visits?', 'uuid[]', 'These; or all until a day'), new Field('until?', 'date'))]
#[
    Shape(
        'Proposed',
        new Field('asked', 'integer'),
        new Field('unreachable', 'string[]', 'Vehicles whose owner has no address'),
    ),
]
#[
    Shape(
        'Asked',
        new Field('vehicle', 'string'),
        new Field('from', 'string', 'Who asks'),
        new Field('on', 'date'),
        new Field('kinds', 'string[]'),
        new Field('status', 'string', null, ['sent', 'accepted', 'asked', 'cancelled', 'moved']),
        new Field('language', 'string?', 'What the client reads in', ['en', 'de']),
        new Field('wish_on', 'date?'),
        new Field('wish', 'string?'),
    ),
]
#[
    Shape(
        'AnswerInput',
        new Field('accept', 'boolean'),
        new Field('cancel?', 'boolean', 'Not accepted, and no other day either: the visit is left out'),
        new Field('wish_on?', 'date?', 'Another day'),
        new Field('wish?', 'string?'),
    ),
]
final readonly class ProposalController
{
    public function __construct(
        private Tenancy $tenancy,
        private ClockInterface $clock,
        private OpenQuestion $openQuestion,
        private CancelVisit $cancelVisit,
    ) {}

    #[
        OA\Post(
            path: '/api/v1/weeks/proposals',
            operationId: 'proposeVisits',
            summary: 'Ask the clients about planned visits; each visit and day once',
            tags: ['Weeks'],
        ),
    ]
    #[Takes('ProposeInput')]
    #[Returns('Proposed')]
    public function propose(Request $request, ProposeVisits $proposeVisits): JsonResponse
    {
        Gate::authorize('create', Vehicle::class);
        $asked = $request->validate([
            'visits' => ['required_without:until', 'array', 'max:200'],
            'visits.*' => ['uuid'],
            'until' => ['required_without:visits', 'date_format:Y-m-d'],
        ]);

        return new JsonResponse(
            $proposeVisits(isset($asked['visits']) ? array_values($asked['visits']) : null, $asked['until'] ?? null),
        );
    }

    #[
        OA\Get(
            path: '/api/v1/answers/{proposal}/{signature}',
            operationId: 'showAsked',
            summary: 'What a client is asked; for whoever has the link',
            tags: ['Weeks'],
            parameters: [
                new OA\PathParameter(name: 'proposal', required: true, schema: new OA\Schema(type: 'string')),
                new OA\PathParameter(name: 'signature', required: true, schema: new OA\Schema(type: 'string')),
            ],
        ),
    ]
    #[Returns('Asked')]
    public function show(string $proposal, string $signature): JsonResponse
    {
        return ($this->openQuestion)(
            $proposal,
            $signature,
            fn(Proposal $row): JsonResponse => new JsonResponse($this->told($row)),
        );
    }

    #[
        OA\Post(
            path: '/api/v1/answers/{proposal}/{signature}',
            operationId: 'answerAsked',
            summary: 'Accept the day, ask for another, or cancel',
            tags: ['Weeks'],
            parameters: [
                new OA\PathParameter(name: 'proposal', required: true, schema: new OA\Schema(type: 'string')),
                new OA\PathParameter(name: 'signature', required: true, schema: new OA\Schema(type: 'string')),
            ],
        ),
    ]
    #[Takes('AnswerInput')]
    #[Returns('Asked')]
    public function answer(Request $request, string $proposal, string $signature): JsonResponse
    {
        return ($this->openQuestion)($proposal, $signature, function (Proposal $row) use ($request): JsonResponse {
            $today = $this->tenancy->workspace()->dateOf($this->clock->now());
            $facts = $request->validate(
                [
                    'accept' => ['required', 'boolean'],
                    'cancel' => ['sometimes', 'boolean', 'declined_if:accept,true'],
                    'wish_on' => ['sometimes', 'nullable', 'date_format:Y-m-d', 'after:' . $today],
                    'wish' => ['sometimes', 'nullable', 'string', 'max:400'],
                ],
                ['wish_on.after' => Teller::here()->say('weeks.day-begun')],
            );
            $visit = $this->standing($row);
            if ($visit === null) {
                throw Problem::conflict(Said::of('weeks.day-changed'));
            }
            DB::transaction(function () use ($row, $facts, $visit): void {
                if ($facts['cancel'] ?? false) {
                    $row->update([
                        'status' => 'cancelled',
                        'wish_on' => null,
                        'wish' => $facts['wish'] ?? null,
                        'answered_at' => $this->clock->now(),
                    ]);
                    ($this->cancelVisit)($visit, 'client', $facts['wish'] ?? 'By the link of the letter', false);

                    return;
                }
                $row->update(
                    $facts['accept']
                        ? [
                            'status' => 'accepted',
                            'wish_on' => null,
                            'wish' => null,
                            'answered_at' => $this->clock->now(),
                        ]
                        : [
                            'status' => 'asked',
                            'wish_on' => $facts['wish_on'] ?? null,
                            'wish' => $facts['wish'] ?? null,
                            'answered_at' => $this->clock->now(),
                        ],
                );
                // What was promised on both sides stays where it is.
                if ($facts['accept']) {
                    $visit->update(['locked' => true]);
                }
            });

            return new JsonResponse($this->told($row->refresh()));
        });
    }

    private function standing(Proposal $row): ?PlannedVisit
    {
        return PlannedVisit::query()
            ->whereKey($row->visit_id)
            ->where('on', $row->on->toDateString())
            ->where('on', '>=', $this->tenancy->workspace()->dateOf($this->clock->now()))
            ->first();
    }

    /** @return Told<'Asked'> */
    private function told(Proposal $row): array
    {
        return [
            'vehicle' => $row->vehicle->name ?? '',
            'from' => $this->tenancy->workspace()->name,
            'on' => $row->on->toDateString(),
            'kinds' => $row->kinds,
            'status' => $row->status !== 'cancelled' && $this->standing($row) === null ? 'moved' : $row->status,
            'language' => $row->client?->language,
            'wish_on' => $row->wish_on?->toDateString(),
            'wish' => $row->wish,
        ];
    }
}
