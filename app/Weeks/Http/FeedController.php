<?php

declare(strict_types=1);

namespace App\Weeks\Http;

use App\Book\Vehicle;
use App\Door\DoorLog;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Shape;
use App\Http\OpenApi\Takes;
use App\Tenancy\Tenancy;
use App\Weeks\Feed;
use App\Weeks\WriteFeed;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Says\Said;

/** Addresses at which calendars read the plan; each can be revoked. */
#[
    Shape(
        'Feed',
        new Field('id', 'uuid'),
        new Field('name', 'string'),
        new Field('crew_id', 'uuid?'),
        new Field('vehicle_id', 'uuid?'),
        new Field('made_by', 'string?'),
        new Field('made_at', 'date-time'),
        new Field('read_at', 'date-time?'),
        new Field('url?', 'string', 'Only when it is made: it can’t be shown again'),
    ),
]
#[
    Shape(
        'FeedInput',
        new Field('name', 'string'),
        new Field('crew_id?', 'uuid?'),
        new Field('vehicle_id?', 'uuid?', 'Neither: all visits'),
    ),
]
final readonly class FeedController
{
    public function __construct(private Tenancy $tenancy, private ClockInterface $clock, private DoorLog $doorLog) {}

    #[OA\Get(path: '/api/v1/feeds', operationId: 'listFeeds', tags: ['Weeks'])]
    #[Returns('Feed', list: true)]
    public function index(): JsonResponse
    {
        Gate::authorize('create', Vehicle::class);

        return new JsonResponse([
            'data' => Feed::query()
                ->with('maker')
                ->whereNull('revoked_at')
                ->orderBy('made_at')
                ->get()
                ->map(self::as(...))
                ->all(),
        ]);
    }

    #[OA\Post(path: '/api/v1/feeds', operationId: 'makeFeed', summary: 'The address is shown once', tags: ['Weeks'])]
    #[Takes('FeedInput')]
    #[Returns('Feed', 201)]
    public function store(Request $request): JsonResponse
    {
        Gate::authorize('create', Vehicle::class);
        $mine = fn(string $table) => Rule::exists($table, 'id')->where('workspace_id', $this->tenancy->workspace()->id);
        $facts = $request->validate([
            'name' => ['required', 'string', 'min:1', 'max:120'],
            'crew_id' => ['sometimes', 'nullable', 'uuid', 'prohibits:vehicle_id', $mine('crews')],
            'vehicle_id' => ['sometimes', 'nullable', 'uuid', $mine('vehicles')],
        ]);
        $secret = Str::random(40);
        $feed = Feed::query()->create([
            ...$facts,
            'secret_hash' => hash('sha256', $secret),
            'made_at' => $this->clock->now(),
            'made_by' => $request->user()?->getAuthIdentifier(),
        ]);
        $this->doorLog->note('feed-made', ['feed_id' => $feed->id]);

        return new JsonResponse([...self::as($feed->refresh()), 'url' => url("/api/v1/feeds/{$secret}.ics")], 201);
    }

    #[
        OA\Delete(
            path: '/api/v1/feeds/{feed}',
            operationId: 'revokeFeed',
            summary: 'The address leads nowhere from now on',
            tags: ['Weeks'],
        ),
    ]
    #[Returns(null, 204)]
    public function destroy(Feed $feed): Response
    {
        Gate::authorize('create', Vehicle::class);
        $feed->update(['revoked_at' => $feed->revoked_at ?? $this->clock->now()]);
        $this->doorLog->note('feed-revoked', ['feed_id' => $feed->id]);

        return response()->noContent();
    }

    /** Open to whoever knows the address, and to nothing else. */
    public function read(string $secret, WriteFeed $writeFeed): Response
    {
        $hash = hash('sha256', $secret);
        $row = DB::selectOne('select workspace_of_feed(?) as id', [$hash]);
        if ($row?->id === null) {
            return new Response(Said::of('weeks.no-calendar'), 404, [
                'Content-Type' => 'text/plain; charset=utf-8',
            ]);
        }
        $this->tenancy->enter($row->id);
        try {
            $feed = Feed::query()->where('secret_hash', $hash)->firstOrFail();
            $feed->update(['read_at' => $this->clock->now()]);

            return new Response($writeFeed($feed), 200, [
                'Content-Type' => 'text/calendar; charset=utf-8',
                'X-Robots-Tag' => 'noindex',
            ]);
        } finally {
            $this->tenancy->leave();
        }
    }

    /** @return Told<'Feed'> */
    private static function as(Feed $feed): array
    {
        return [
            ...$feed->only(['id', 'name', 'crew_id', 'vehicle_id']),
            'made_by' => $feed->maker?->name,
            'made_at' => $feed->made_at->toIso8601ZuluString(),
            'read_at' => $feed->read_at?->toIso8601ZuluString(),
        ];
    }
}
