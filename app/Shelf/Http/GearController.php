<?php

declare(strict_types=1);

namespace App\Shelf\Http;

use App\Http\OpenApi\IfMatch;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Takes;
use App\Http\PutsAway;
use App\Http\Versioned;
use App\Says\Teller;
use App\Shelf\Gear;
use App\Shelf\GearEvent;
use App\Shelf\GearRules;
use App\Tenancy\Instant;
use App\Tenancy\Tenancy;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use Psr\Clock\ClockInterface;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Kit\Retirement;
use Vicissa\Core\Mix\Lance;
use Vicissa\Core\Says\Said;

/** Washers, lances, vessels and the chain of treated water, with what happened to them. */
final class GearController
{
    use PutsAway;
    use Versioned;

    public function __construct(private readonly ClockInterface $clock) {}

    #[
        OA\Get(
            path: '/api/v1/gear',
            operationId: 'listGear',
            summary: 'All of it, by kind and name',
            tags: ['Gear'],
            parameters: [
                new OA\QueryParameter(
                    name: 'archived',
                    description: 'Also what was put away',
                    schema: new OA\Schema(type: 'boolean'),
                ),
            ],
        ),
    ]
    #[Returns('Gear', list: true)]
    public function index(Request $request): JsonResponse
    {
        Gate::authorize('viewAny', Gear::class);

        return new JsonResponse([
            'data' => GearResource::collection(
                Gear::query()
                    ->with('events')
                    ->when(!$request->boolean('archived'), static fn($query) => $query->whereNull('archived_at'))
                    ->orderBy('kind')
                    ->orderBy('name')
                    ->orderBy('id')
                    ->get(),
            ),
        ]);
    }

    #[OA\Post(path: '/api/v1/gear', operationId: 'createGear', tags: ['Gear'])]
    #[Takes('GearInput')]
    #[Returns('Gear', 201)]
    public function store(GearRequest $request): JsonResponse
    {
        Gate::authorize('create', Gear::class);
        $gear = Gear::query()->create($request->validated());

        return $this->sent(new GearResource($gear->refresh()->load('events')), $gear, 201);
    }

    #[
        OA\Patch(
            path: '/api/v1/gear/{gear}',
            operationId: 'updateGear',
            summary: 'Change some fields; needs If-Match',
            tags: ['Gear'],
        ),
    ]
    #[IfMatch]
    #[Takes('GearInput')]
    #[Returns('Gear')]
    public function update(GearRequest $request, Gear $gear, Tenancy $tenancy): JsonResponse
    {
        Gate::authorize('update', $gear);
        $gear = $this->changed(
            $request,
            $gear,
            static fn(Gear $row): GearResource => new GearResource($row->load('events')),
            // What it costs is not theirs to see, and so not theirs to lose.
            static fn(Gear $row): Gear => $row->fill(
                $tenancy->isOwner() || !isset($request->validated()['facts'])
                    ? $request->validated()
                    : [
                        ...$request->validated(),
                        'facts' => [
                            ...$request->validated()['facts'],
                            ...array_intersect_key($row->facts, ['price_minor' => 1]),
                        ],
                    ],
            ),
        );

        return $this->sent(new GearResource($gear->load('events')), $gear);
    }

    #[
        OA\Delete(
            path: '/api/v1/gear/{gear}',
            operationId: 'archiveGear',
            summary: 'Put away; its history stays',
            tags: ['Gear'],
        ),
    ]
    #[Returns(null, 204)]
    public function destroy(Gear $gear): Response
    {
        return $this->putAway($gear);
    }

    #[
        OA\Post(
            path: '/api/v1/gear/{gear}/restore',
            operationId: 'restoreGear',
            summary: 'Take out again',
            tags: ['Gear'],
        ),
    ]
    #[Returns(null, 204)]
    public function restore(Gear $gear): Response
    {
        return $this->takeOut($gear);
    }

    #[
        OA\Post(
            path: '/api/v1/gear/{gear}/events',
            operationId: 'noteGearEvent',
            summary: 'A lance calibrated, resin refilled, a level read, towels washed; written once',
            tags: ['Gear'],
        ),
    ]
    #[Takes('GearEventInput')]
    #[Returns('Gear', 201)]
    public function note(Request $request, Gear $gear): JsonResponse
    {
        Gate::authorize('update', $gear);
        $given = $request->validate([
            'kind' => ['required', 'in:calibration,refill,level,washed,bought,thrown,moved'],
            'facts' => ['present', 'array'],
            'at' => ['sometimes', 'date', 'before:+5 minutes'],
        ]);
        $number = static fn(string $field): float => is_numeric($given['facts'][$field] ?? null)
            ? (float) $given['facts'][$field]
            : throw InvalidInput::at("facts.{$field}", Said::of('fault.number'));
        $wrongKind = static fn(string $needs): InvalidInput => InvalidInput::at(
            'kind',
            Said::of('gear.done-to', kind: $needs),
        );
        $facts = match ($given['kind']) {
            'calibration' => $gear->kind === 'lance' ? $this->calibration($number) : throw $wrongKind('lance'),
            'level' => $gear->kind === 'tank'
                ? ['l' => $this->between('facts.l', $number('l'), 0.0, $gear->fact('l') ?? 20000.0)]
                : throw $wrongKind('tank'),
            'washed' => $gear->kind === 'towel'
                ? ['count' => $this->between('facts.count', $number('count'), 1.0, max(1.0, (float) $gear->dirty()))]
                : throw $wrongKind('towel'),
            'bought' => $gear->kind === 'towel'
                ? ['count' => $this->between('facts.count', $number('count'), 1.0, 10000.0)]
                : throw $wrongKind('towel'),
            'thrown', 'moved' => $gear->kind === 'towel'
                ? $this->retired($gear, $given, $number)
                : throw $wrongKind('towel'),
            default => $gear->kind === 'resin' ? [] : throw $wrongKind('resin'),
        };
        DB::transaction(function () use ($gear, $given, $facts, $request): void {
            $this->count($gear, $given['kind'], $facts);
            $this->write($gear, $given, $facts, $request);
        });

        return $this->sent(new GearResource($gear->refresh()->load('events')), $gear, 201);
    }

    /**
     * @param array<string, mixed> $given
     * @param array<string, mixed> $facts
     */
    private function write(Gear $gear, array $given, array $facts, Request $request): void
    {
        GearEvent::query()->create([
            'gear_id' => $gear->id,
            'kind' => $given['kind'],
            'facts' => $facts,
            'at' => isset($given['at']) ? Instant::of($given['at']) : $this->clock->now(),
            'written_by' => $request->user()?->getAuthIdentifier(),
        ]);
    }

    /**
     * Pieces come in, go out, or go down to a pool of what they are for from now on.
     *
     * @param array<string, mixed> $facts
     */
    private function count(Gear $gear, string $kind, array $facts): void
    {
        $count = is_numeric($facts['count'] ?? null) ? (int) $facts['count'] : 0;
        if (!in_array($kind, ['bought', 'thrown', 'moved'], true)) {
            return;
        }
        $has = (int) ($gear->fact('count') ?? 0);
        $gear->update([
            'facts' => [...$gear->facts, 'count' => $kind === 'bought' ? $has + $count : $has - $count],
            'version' => $gear->version + 1,
        ]);
        if ($kind === 'moved') {
            $to =
                Gear::query()
                    ->where('kind', 'towel')
                    ->whereNull('archived_at')
                    ->where('facts->use', $facts['to'])
                    ->lockForUpdate()
                    ->first() ??
                Gear::query()->create([
                    'kind' => 'towel',
                    'name' => Teller::here()->say('gear.old-towels', to: is_string($facts['to']) ? $facts['to'] : ''),
                    'facts' => ['count' => 0, 'use' => $facts['to']],
                ]);
            $to->update([
                'facts' => [...$to->facts, 'count' => (int) ($to->fact('count') ?? 0) + $count],
                'version' => $to->version + 1,
            ]);
        }
    }

    /**
     * @param array<string, mixed> $given
     * @param callable(string): float $number
     * @return array{count: float, to?: string}
     */
    private function retired(Gear $gear, array $given, callable $number): array
    {
        $count = $this->between('facts.count', $number('count'), 1.0, max(1.0, $gear->fact('count') ?? 0.0));
        if ($given['kind'] === 'thrown') {
            return ['count' => $count];
        }
        $facts = is_array($given['facts']) ? $given['facts'] : [];
        $to = is_string($facts['to'] ?? null) ? $facts['to'] : '';
        $use = is_string($gear->facts['use'] ?? null) ? $gear->facts['use'] : '';
        if (!in_array($to, GearRules::USES, true) || !Retirement::allows($use, $to)) {
            throw InvalidInput::at('facts.to', Said::of('gear.towels-down'));
        }

        return ['count' => $count, 'to' => $to];
    }

    /**
     * @param callable(string): float $number
     * @return array{washer_l_min: float, bottle_ml: float, empties_s: float}
     */
    private function calibration(callable $number): array
    {
        $facts = [
            'washer_l_min' => $number('washer_l_min'),
            'bottle_ml' => $number('bottle_ml'),
            'empties_s' => $number('empties_s'),
        ];
        try {
            Lance::calibrated(...array_values($facts));
        } catch (InvalidInput $e) {
            throw InvalidInput::at('facts.' . $e->field, $e->says);
        }

        return $facts;
    }

    private function between(string $field, float $value, float $low, float $high): float
    {
        InvalidInput::unlessBetween($field, $value, $low, $high);

        return $value;
    }
}
