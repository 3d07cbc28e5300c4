<?php

declare(strict_types=1);

namespace App\Proof;

use App\Bench\BriefVisits;
use App\Book\Layer;
use App\Book\PlannedVisit;
use App\Book\Vehicle;
use App\Film\DrawFilm;
use App\Record\DueDates;
use App\Record\Photo;
use App\Record\Reading;
use App\Record\Turn;
use App\Record\TurnEntry;
use App\Record\TurnProduct;
use App\Tenancy\Tenancy;
use App\Weeks\DrawWeeks;
use Carbon\CarbonImmutable;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Matching\Method;

/**
 * A vehicle's record as its owner reads it: one turn, some months, or all there ever was. What was written counts as it
 * was corrected last, and it says that it was.
 */
final readonly class DrawRecord
{
    /** Readings in the order they are taken. */
    private const STAGES = ['arrival', 'after_wash', 'after_decon', 'after_topper'];

    public function __construct(
        private Tenancy $tenancy,
        private ClockInterface $clock,
        private DrawFilm $drawFilm,
        private DueDates $dueDates,
        private BriefVisits $briefVisits,
    ) {}

    /**
     * @param 'turn'|'year'|'history' $kind
     * @return Told<'Record'>
     */
    public function __invoke(
        Vehicle $vehicle,
        string $kind,
        ?Turn $turn = null,
        ?string $from = null,
        ?string $to = null,
    ): array {
        $workspace = $this->tenancy->workspace();
        $now = CarbonImmutable::instance($this->clock->now());
        $to ??= $workspace->dateOf($now);
        $from ??= $kind === 'year' ? CarbonImmutable::parse($to)->subYear()->addDay()->toDateString() : null;
        $turns = Turn::query()
            ->with(['current.products.product', 'current.readings', 'current.writer:id,name', 'photos'])
            ->withCount('entries')
            ->where('vehicle_id', $vehicle->id)
            ->when($turn !== null, static fn($query) => $query->whereKey($turn?->id))
            ->when(
                $kind !== 'turn' && $from !== null,
                static fn($query) => $query->where('worked_at', '>=', $workspace->noon($from ?? '')->subHours(12)),
            )
            ->when(
                $kind !== 'turn',
                static fn($query) => $query->where('worked_at', '<=', $workspace->noon($to)->addHours(12)),
            )
            ->orderByDesc('worked_at')
            ->orderByDesc('id')
            ->limit(600)
            ->get();
        $film = ($this->drawFilm)($vehicle->id);
        $paint =
            array_values(
                array_filter($film['ribbons'], static fn(array $ribbon): bool => $ribbon['zone'] === 'paint'),
            )[0] ?? null;
        $layers = Layer::query()
            ->where('vehicle_id', $vehicle->id)
            ->when($kind !== 'history', static fn($query) => $query->whereNull('ended_at'))
            ->orderByDesc('on_at')
            ->get();
        $next = PlannedVisit::query()
            ->where('vehicle_id', $vehicle->id)
            ->where('on', '>', $workspace->dateOf($now))
            ->orderBy('on')
            ->first();
        // Days further off are not laid out yet anywhere.
        $near =
            $next !== null &&
            $next->on->toDateString() <
                CarbonImmutable::parse($workspace->dateOf($now))
                    ->addDays(1 + DrawWeeks::NEAR_DAYS)
                    ->toDateString();
        $cautions = [];
        foreach ($turns->take(1) as $one) {
            foreach ($one->current->products ?? [] as $use) {
                foreach ($use->product->cautions ?? [] as $caution) {
                    $cautions[$caution] = true;
                }
            }
        }

        return [
            'kind' => $kind,
            'business' => $workspace->name,
            'language' => $vehicle->client?->language,
            'from' => $turn === null ? $from : $workspace->dateOf($turn->worked_at),
            'to' => $turn === null ? $to : $workspace->dateOf($turn->worked_at),
            'written_on' => $workspace->dateOf($now),
            'vehicle' => [
                'name' => $vehicle->name,
                'model' => $vehicle->model,
                'plate' => $vehicle->plate,
                'colour' => $vehicle->colour,
                'client' => $vehicle->client?->name,
            ],
            'turns' => array_values($turns->map($this->turn(...))->values()->all()),
            'layers' => array_values(
                $layers
                    ->map(
                        static fn(Layer $layer): array => [
                            'zone' => $layer->zone,
                            'kind' => $layer->kind,
                            'name' => $layer->name ?? $layer->family,
                            'family' => $layer->family,
                            'on' => $workspace->dateOf($layer->on_at),
                            'until' => $layer->ended_at === null ? null : $workspace->dateOf($layer->ended_at),
                        ],
                    )
                    ->values()
                    ->all(),
            ),
            'film' => [
                'from' => $film['from'],
                'to' => $film['to'],
                'today' => $film['today'],
                'ribbon' => $paint === null ? null : [...$paint, 'client' => null, 'site' => null, 'account' => null],
            ],
            'due' => ($this->dueDates)($vehicle),
            'next_visit' => $next?->on->toDateString() ?? $turns->first()?->current?->next_on?->toDateString(),
            'next_kinds' => $next->kinds ?? ($turns->first()?->current->next_kinds ?? null),
            'next_minutes' => $near
                ? ($this->briefVisits)([[$vehicle, $next->on->toDateString()]])[
                    "{$vehicle->id} {$next->on->toDateString()}"
                ]['minutes']
                : null,
            'cautions' => array_keys($cautions),
        ];
    }

    /** @return Told<'RecordTurn'> */
    private function turn(Turn $turn): array
    {
        /** @var TurnEntry $entry */
        $entry = $turn->current;

        return [
            'id' => $turn->id,
            'on' => $this->tenancy->workspace()->dateOf($turn->worked_at),
            'by' => $entry->writer?->name,
            'minutes' => $entry->minutes,
            'soil' => $entry->soil,
            'grit' => $entry->grit,
            'method' => Method::from($entry->method)->says(),
            'water' => $entry->water,
            'water_l' => $entry->water_l,
            'clay' => $entry->clay,
            'looked_over' => $entry->looked_over,
            'note' => $entry->note,
            'corrected' => (int) $turn->getAttribute('entries_count') > 1,
            'reason' => $entry->reason,
            'products' => array_values(
                $entry->products
                    ->map(
                        static fn(TurnProduct $use): array => [
                            'name' => $use->product->name ?? '',
                            'role' => $use->role,
                            'zone' => $use->zone,
                            'ml' => $use->quantity_ml,
                            'batch' => $use->batch,
                        ],
                    )
                    ->all(),
            ),
            'readings' => array_values(
                $entry->readings
                    ->sortBy(
                        static fn(Reading $reading): array => [
                            array_search($reading->stage, self::STAGES, true),
                            $reading->zone !== 'paint',
                            $reading->zone,
                            $reading->part,
                        ],
                    )
                    ->values()
                    ->map(
                        static fn(Reading $reading): array => [
                            'stage' => $reading->stage,
                            'zone' => $reading->zone,
                            'part' => $reading->part,
                            'behaviour' => $reading->behaviour,
                            'angle_deg' => $reading->angle_deg,
                        ],
                    )
                    ->all(),
            ),
            'says' => array_values(array_map(static fn(array $one): mixed => $one['says'], $entry->diagnoses)),
            'refused' => $entry->refused,
            'seen' => $entry->inspection['seen'] ?? [],
            'left' => array_column($entry->left_out, 'kind'),
            'photos' => array_values(
                $turn->photos
                    ->map(
                        static fn(Photo $photo): array => [
                            'id' => $photo->id,
                            'zone' => (string) $photo->zone,
                            'stage' => $photo->stage,
                            'note' => $photo->note,
                            'width' => $photo->width,
                            'height' => $photo->height,
                        ],
                    )
                    ->all(),
            ),
        ];
    }
}
