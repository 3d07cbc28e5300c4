<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Layer;
use App\Models\Vehicle;
use App\Models\Workspace;
use App\Record\LoggedTurn;
use App\Record\TurnLog;
use App\Tenancy\Tenancy;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Behaviour;
use Vicissa\Core\Protection\Stage;

/**
 * Ribbons for the film: what is left of each layer along time, every wash, every reading, and the spread ahead.
 * A handful of queries whatever the number of vehicles.
 */
final readonly class DrawFilm
{
    private const PAST_DAYS = 112;

    private const AHEAD_DAYS = 84;

    public function __construct(
        private Tenancy $tenancy,
        private ClockInterface $clock,
    ) {}

    /**
     * @param string|null $vehicleId  only this one, with every zone
     * @return array{today: string, from: string, to: string, ribbons: list<array<string, mixed>>}
     */
    public function __invoke(?string $vehicleId = null): array
    {
        $workspace = $this->tenancy->workspace();
        $now = CarbonImmutable::instance($this->clock->now());
        $vehicles = Vehicle::query()->with(['client', 'site'])
            ->when($vehicleId !== null, static fn ($query) => $query->whereKey($vehicleId), static fn ($query) => $query->whereNull('archived_at'))
            ->orderBy('name')->orderBy('id')->get();
        /** @var list<string> $ids */
        $ids = $vehicles->modelKeys();
        $from = $now->subDays(self::PAST_DAYS);
        $layers = Layer::query()->with(['forecast', 'product'])->whereIn('vehicle_id', $ids)
            ->where(static fn ($query) => $query->whereNull('ended_at')->orWhere('ended_at', '>=', $from))
            ->orderBy('on_at')->orderBy('id')->get()->groupBy('vehicle_id');
        $log = TurnLog::of($ids);
        $ribbons = [];
        foreach ($vehicles as $vehicle) {
            $of = $layers[$vehicle->id] ?? new Collection;
            foreach ($vehicleId === null ? [Zone::Paint] : Zone::cases() as $zone) {
                $stack = $of->where('zone', $zone->value)->values();
                if ($zone === Zone::Paint || $stack->isNotEmpty()) {
                    $ribbons[] = $this->ribbon($vehicle, $zone, $stack, $log, $workspace, $from, $now);
                }
            }
        }
        // Most urgent first; what nothing is known about comes last, not first.
        usort($ribbons, static fn (array $a, array $b): int => [$a['due_at'] === null, $a['due_at'], $a['name'], $a['zone']] <=> [$b['due_at'] === null, $b['due_at'], $b['name'], $b['zone']]);

        return [
            'today' => $now->toIso8601ZuluString(),
            'from' => $from->toIso8601ZuluString(),
            'to' => $now->addDays(self::AHEAD_DAYS)->toIso8601ZuluString(),
            'ribbons' => $ribbons,
        ];
    }

    /**
     * @param Collection<int, Layer> $stack
     * @return array<string, mixed>
     */
    private function ribbon(Vehicle $vehicle, Zone $zone, Collection $stack, TurnLog $log, Workspace $workspace, CarbonImmutable $from, CarbonImmutable $now): array
    {
        $toppers = $stack->where('kind', 'topper');
        $base = $stack->where('kind', 'base')->last();
        $outermost = $toppers->whereNull('ended_at')->last() ?? ($base?->ended_at === null ? $base : null);
        $forecast = $outermost?->forecast;
        // Above a base the ribbon is the toppers; without any it is the base itself.
        $shown = $toppers->isNotEmpty() ? $toppers : $stack->where('kind', 'base');
        $turns = array_values(array_filter($log->turns($vehicle->id), static fn (LoggedTurn $turn): bool => $turn->at >= $from));
        $last = $log->turns($vehicle->id) === [] ? null : $log->turns($vehicle->id)[count($log->turns($vehicle->id)) - 1]->at;
        $worn = $outermost === null ? null : $log->path($vehicle, $outermost)->at($outermost->dayOf($now));

        return [
            'vehicle_id' => $vehicle->id,
            'name' => $vehicle->name,
            'model' => $vehicle->model,
            'tone' => $vehicle->tone,
            'client' => $vehicle->client?->name,
            'site' => $vehicle->site?->name,
            'zone' => $zone->value,
            'base' => $base === null ? null : ['family' => $base->family, 'name' => $base->name, 'on_at' => $this->iso($base->on_at)],
            'outermost' => $outermost === null ? null : ['id' => $outermost->id, 'kind' => $outermost->kind, 'family' => $outermost->family, 'name' => $outermost->name],
            'designed' => $outermost->designed ?? 'beads',
            'state' => $this->state($outermost, $now),
            'from_at' => $this->iso($forecast?->from_at),
            'due_at' => $this->iso($forecast?->due_at),
            'late_at' => $this->iso($forecast?->late_at),
            'why' => $forecast->why ?? null,
            'left' => $worn === null || $forecast === null ? null : round(max(0.0, 1.0 - $worn / $forecast->p50), 4),
            'spread' => $outermost === null || $forecast === null ? null : $this->spread($outermost, $worn ?? 0.0, $now),
            'segments' => array_values($shown->map(fn (Layer $layer): array => $this->segment($layer, $vehicle, $log, $from, $now))->all()),
            'washes' => array_map(fn (LoggedTurn $turn): string => (string) $this->iso($turn->at), $turns),
            'readings' => $this->readings($turns, $zone),
            'last_wash_on' => $last === null ? null : $workspace->dateOf($last),
            'next_wash_on' => $last === null ? null : $workspace->dateOf($last->addDays($vehicle->cadence_target)),
        ];
    }

    private function state(?Layer $outermost, CarbonImmutable $now): string
    {
        $forecast = $outermost?->forecast;

        return match (true) {
            $outermost === null => 'bare',
            $forecast === null => 'unknown',
            $outermost->failed_at !== null => 'failed',
            $forecast->due_at === null => 'later',
            $forecast->due_at <= $now => 'due',
            $forecast->from_at <= $now => 'open',
            $forecast->due_at <= $now->addDays(14) => 'soon',
            default => 'later',
        };
    }

    /** @return array{p10: string|null, p50: string|null, p90: string|null} when the layer is used up, by chance */
    private function spread(Layer $layer, float $worn, CarbonImmutable $now): array
    {
        $forecast = $layer->forecast ?? throw new \LogicException('Only forecast layers fray.');
        $end = fn (float $life): ?string => $this->iso($now->addMinutes((int) round(min(3650.0, max(0.0, 7.0 * ($life - $worn) / $forecast->per_week)) * 1440)));

        return ['p10' => $end($forecast->p10), 'p50' => $end($forecast->p50), 'p90' => $end($forecast->p90)];
    }

    /**
     * @return array{layer_id: string, kind: string, family: string, name: string|null, points: list<array{at: string|null, left: float}>}
     */
    private function segment(Layer $layer, Vehicle $vehicle, TurnLog $log, CarbonImmutable $from, CarbonImmutable $now): array
    {
        $label = $layer->labelWeeks() ?? [10.0, 10.0];
        $life = $layer->forecast->p50 ?? 0.8 * sqrt($label[0] * $label[1]);
        $path = $log->path($vehicle, $layer);
        $end = $layer->dayOf($layer->ended_at ?? $now);
        $start = $layer->dayOf($from);
        $left = static fn (float $wear): float => round(max(0.0, 1.0 - $wear / $life), 4);
        $points = [['at' => $this->iso($layer->momentOf($start)), 'left' => $left($path->at($start))]];
        foreach ($path->steps() as $step) {
            if ($step['day'] > $start && $step['day'] <= $end) {
                $at = $this->iso($layer->momentOf($step['day']));
                $points[] = ['at' => $at, 'left' => $left($step['before'])];
                $points[] = ['at' => $at, 'left' => $left($step['after'])];
            }
        }
        $points[] = ['at' => $this->iso($layer->momentOf($end)), 'left' => $left($path->at($end))];

        return ['layer_id' => $layer->id, 'kind' => $layer->kind, 'family' => $layer->family, 'name' => $layer->name, 'points' => $points];
    }

    /**
     * @param list<LoggedTurn> $turns
     * @return list<array{at: string|null, stage: string, behaviour: string, angle_deg: float|null}>
     */
    private function readings(array $turns, Zone $zone): array
    {
        $readings = [];
        foreach ($turns as $turn) {
            $clean = $turn->reading($zone, Stage::AfterDecon) !== null ? Stage::AfterDecon : Stage::AfterWash;
            $read = $turn->readings[$zone->value][$clean->value] ?? null;
            $stage = $read === null ? Stage::Arrival : $clean;
            $read ??= $turn->readings[$zone->value][Stage::Arrival->value] ?? null;
            if ($read !== null) {
                $readings[] = ['at' => $this->iso($turn->at), 'stage' => $stage->value, 'behaviour' => Behaviour::from($read['behaviour'])->value, 'angle_deg' => $read['angle_deg']];
            }
        }

        return $readings;
    }

    private function iso(?CarbonImmutable $moment): ?string
    {
        return $moment?->toIso8601ZuluString();
    }
}
