<?php

declare(strict_types=1);

namespace App\Turns\Http;

use App\Book\Vehicle;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Takes;
use App\Http\Paged;
use App\Http\Versioned;
use App\Problems\Problem;
use App\Record\Overtaken;
use App\Record\Turn;
use App\Tenancy\User;
use App\Turns\FinishTurn;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** The record: turns as they were saved, and their corrections beside them. */
final class TurnController
{
    use Paged;
    use Versioned;

    public const WHOLE = [
        'vehicle',
        'entries.readings',
        'entries.products.product',
        'entries.writer',
        'photos',
        'sheet.events.writer',
    ];

    #[
        OA\Get(
            path: '/api/v1/vehicles/{vehicle}/turns',
            operationId: 'listTurns',
            summary: 'Newest first, paged by cursor',
            tags: ['Turns'],
        ),
    ]
    #[Returns('Turn', page: true)]
    public function index(Request $request, Vehicle $vehicle): JsonResponse
    {
        Gate::authorize('view', $vehicle);

        return $this->page(
            Turn::query()
                ->where('vehicle_id', $vehicle->id)
                ->with(self::WHOLE)
                ->orderByDesc('worked_at')
                ->orderByDesc('id')
                ->cursorPaginate($this->size($request)),
            TurnResource::class,
        );
    }

    #[
        OA\Post(
            path: '/api/v1/vehicles/{vehicle}/turns',
            operationId: 'finishTurn',
            summary: 'Record a turn',
            tags: ['Turns'],
        ),
    ]
    #[Takes('TurnInput')]
    #[Returns('Turn', 201)]
    public function store(TurnRequest $request, Vehicle $vehicle, FinishTurn $finishTurn): JsonResponse
    {
        Gate::authorize('update', $vehicle);
        $turn = $finishTurn($vehicle, $this->writer($request), $request->validated());

        return (new TurnResource($turn->load(self::WHOLE)))->response()->setStatusCode(201);
    }

    #[OA\Get(path: '/api/v1/turns/{turn}', operationId: 'showTurn', tags: ['Turns'])]
    #[Returns('Turn')]
    public function show(Turn $turn): JsonResponse
    {
        Gate::authorize('view', $turn->vehicle()->firstOrFail());

        return (new TurnResource($turn->load(self::WHOLE)))->response()->header('ETag', $this->revision($turn));
    }

    #[
        OA\Post(
            path: '/api/v1/turns/{turn}/corrections',
            operationId: 'correctTurn',
            summary: 'Correct a turn; what was saved before stays beside it',
            tags: ['Turns'],
            parameters: [
                new OA\HeaderParameter(
                    name: 'If-Match',
                    required: true,
                    description: 'The revision that was read, as its ETag',
                    schema: new OA\Schema(type: 'string'),
                ),
            ],
        ),
    ]
    #[Takes('TurnInput')]
    #[Returns('Turn', 201)]
    public function correct(TurnRequest $request, Turn $turn, FinishTurn $finishTurn): JsonResponse
    {
        Gate::authorize('update', $turn->vehicle()->firstOrFail());
        try {
            $turn = $finishTurn->correct(
                $turn,
                $this->writer($request),
                $request->validated(),
                $request->string('reason')->value(),
                (int) trim($this->seen($request), '"'),
            );
        } catch (Overtaken) {
            /** @var array<string, mixed> $current */
            $current = json_decode(
                (string) json_encode((new TurnResource($turn->load(self::WHOLE)))->resolve($request)),
                true,
            );
            throw Problem::outdated($current);
        }

        return (new TurnResource($turn->load(self::WHOLE)))
            ->response()
            ->setStatusCode(201)
            ->header('ETag', $this->revision($turn));
    }

    private function revision(Turn $turn): string
    {
        return sprintf('"%d"', $turn->entries()->max('revision'));
    }

    private function writer(Request $request): User
    {
        /** @var User */
        return $request->user();
    }
}
