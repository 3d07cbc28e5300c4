<?php

declare(strict_types=1);

namespace App\Film;

use App\Book\Vehicle;
use App\Record\LayerAccount;
use App\Record\TurnLog;
use App\Tenancy\Tenancy;
use DateTimeImmutable;
use DateTimeZone;
use Illuminate\Support\Facades\DB;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Habits;
use Vicissa\Core\Protection\Stage;
use Vicissa\Core\Protection\WearPath;
use Vicissa\Core\Record\LoggedTurn;

/**
 * Ribbons for the film: what is left of each layer along time, every wash, every reading, and the spread ahead.
 * A handful of queries whatever the number of vehicles, and no calendar in the inner loops.
 */
final class DrawFilm
{
    private const DAY = 86400;

    private const PAST_DAYS = 112;

    private const AHEAD_DAYS = 84;

    private int $now;

    private bool $single = false;

    private int $from;

    private DateTimeZone $zone;

    public function __construct(private readonly Tenancy $tenancy, private readonly ClockInterface $clock) {}

    /**
     * @param string|null $vehicleId  only this one, with every zone
     * @param int $skip               of all, in their order, so many are left out
     * @param int|null $limit         and so many drawn
     * @return Told<'Film'>
     */
    public function __invoke(?string $vehicleId = null, int $skip = 0, ?int $limit = null): array
    {
        $this->single = $vehicleId !== null;
        $this->now = $this->clock->now()->getTimestamp();
        $this->from = $this->now - self::PAST_DAYS * self::DAY;
        $this->zone = new DateTimeZone($this->tenancy->workspace()->time_zone);
        $order = $vehicleId === null ? self::order() : [$vehicleId];
        $ids = array_slice($order, $skip, $limit);
        $vehicles = Vehicle::query()
            ->with(['client:id,name', 'site:id,name'])
            ->whereKey($ids)
            ->orderBy('name')
            ->orderBy('id')
            ->get();
        $layers = FilmLayers::of($ids, $this->from);
        $log = $this->single
            ? TurnLog::of($ids, $this->from)
            : TurnLog::since($this->needed($ids, $layers), $this->from);
        $ribbons = [];
        foreach ($vehicles as $vehicle) {
            $habits = $vehicle->habits();
            foreach ($vehicleId === null ? [Zone::Paint] : Zone::cases() as $zone) {
                $stack = array_values(
                    array_filter(
                        $layers[$vehicle->id] ?? [],
                        static fn(FilmLayer $layer): bool => $layer->span->zone === $zone,
                    ),
                );
                if ($zone === Zone::Paint || $stack !== []) {
                    $ribbons[] = $this->ribbon($vehicle, $habits, $zone, $stack, $log);
                }
            }
        }
        // Most urgent first; what nothing is known about comes last, not first.
        usort(
            $ribbons,
            static fn(array $a, array $b): int => [$a['due_at'] === null, $a['due_at'], $a['name'], $a['zone']] <=> [
                $b['due_at'] === null,
                $b['due_at'],
                $b['name'],
                $b['zone'],
            ],
        );

        return [
            'today' => $this->moment($this->now),
            'from' => $this->moment($this->from),
            'to' => $this->moment($this->now + self::AHEAD_DAYS * self::DAY),
            'count' => $vehicleId === null ? count($order) : count($ribbons),
            'ribbons' => $ribbons,
        ];
    }

    /**
     * Whose outermost layer of paint is due first, first; found without drawing any.
     *
     * @return list<string>
     */
    private static function order(): array
    {
        /** @var list<string> */
        return DB::table('vehicles as v')
            ->leftJoinSub(Outermost::layers(), 'outermost', 'outermost.vehicle_id', '=', 'v.id')
            ->whereNull('v.archived_at')
            ->orderByRaw("extract(epoch from outermost.due_at)::bigint nulls last, v.name collate \"C\", v.id")
            ->pluck('v.id')
            ->all();
    }

    /**
     * From when on turns are needed: what is drawn, and the layers that lie there.
     *
     * @param list<string> $ids
     * @param array<string, list<FilmLayer>> $layers
     * @return array<string, int> by vehicle
     */
    private function needed(array $ids, array $layers): array
    {
        $since = [];
        foreach ($ids as $id) {
            $paint = array_filter(
                $layers[$id] ?? [],
                static fn(FilmLayer $layer): bool => $layer->span->zone === Zone::Paint,
            );
            $toppers = array_filter($paint, static fn(FilmLayer $layer): bool => $layer->kind === 'topper');
            $since[$id] = min([
                $this->from,
                ...array_values(
                    array_map(
                        static fn(FilmLayer $layer): int => $layer->span->on,
                        // Above a base it is the toppers that are drawn, unless none of them is left.
                        array_filter($toppers, static fn(FilmLayer $layer): bool => $layer->span->end === null) === []
                            ? $paint
                            : $toppers,
                    ),
                ),
            ]);
        }

        return $since;
    }

    /**
     * @param list<FilmLayer> $stack  oldest first
     * @return Told<'Ribbon'>
     */
    private function ribbon(Vehicle $vehicle, Habits $habits, Zone $zone, array $stack, TurnLog $log): array
    {
        $toppers = array_values(array_filter($stack, static fn(FilmLayer $layer): bool => $layer->kind === 'topper'));
        $bases = array_values(array_filter($stack, static fn(FilmLayer $layer): bool => $layer->kind === 'base'));
        $base = $bases === [] ? null : $bases[count($bases) - 1];
        $on = array_values(
            array_filter([...$bases, ...$toppers], static fn(FilmLayer $layer): bool => $layer->span->end === null),
        );
        $outermost = $on === [] ? null : $on[count($on) - 1];
        $forecast = $outermost?->forecast;
        // Above a base the ribbon is the toppers; without any it is the base itself.
        $paths = array_map(
            static fn(FilmLayer $layer) => $log->path($habits, $layer->span),
            $shown = $toppers === [] ? $bases : $toppers,
        );
        $turns = array_values(
            array_filter($log->turns($vehicle->id), fn(LoggedTurn $turn): bool => $turn->at >= $this->from),
        );
        $last = array_slice($log->turns($vehicle->id), -1)[0]->at ?? null;
        $worn =
            $outermost === null ? 0.0 : $log->path($habits, $outermost->span)->at($outermost->span->day($this->now));

        return [
            'vehicle_id' => $vehicle->id,
            'name' => $vehicle->name,
            'model' => $vehicle->model,
            'tone' => $vehicle->tone,
            'client' => $vehicle->client?->name,
            'site' => $vehicle->site?->name,
            'zone' => $zone->value,
            'base' =>
                $base === null
                    ? null
                    : [
                        'family' => $base->span->family->value,
                        'name' => $base->name,
                        'on_at' => $this->moment($base->span->on),
                    ],
            'outermost' =>
                $outermost === null
                    ? null
                    : [
                        'id' => $outermost->id,
                        'kind' => $outermost->kind,
                        'family' => $outermost->span->family->value,
                        'name' => $outermost->name,
                    ],
            'designed' => $outermost->designed ?? 'beads',
            'state' => $this->state($outermost),
            'from_at' => $this->momentOrNull($forecast?->from),
            'due_at' => $this->momentOrNull($forecast?->due),
            'late_at' => $this->momentOrNull($forecast?->late),
            'why' => $forecast?->why,
            'left' => $forecast === null ? null : round(max(0.0, 1.0 - $worn / $forecast->p50), 4),
            'spread' => $forecast === null ? null : $this->spread($forecast),
            'segments' => array_map(
                fn(FilmLayer $layer, $path): array => $this->segment($layer, $path),
                $shown,
                $paths,
            ),
            'washes' => array_map(fn(LoggedTurn $turn): string => $this->moment($turn->at), $turns),
            'readings' => $this->readings($turns, $zone),
            'account' =>
                $this->single && $outermost !== null
                    ? LayerAccount::of($habits, $outermost->span, $outermost->life, $this->now, $log, $this->zone)
                    : null,
            'last_wash_on' => $last === null ? null : $this->date($last),
            'next_wash_on' => $last === null ? null : $this->date($last + $vehicle->cadence_target * self::DAY),
        ];
    }

    private function state(?FilmLayer $outermost): string
    {
        $forecast = $outermost?->forecast;

        return match (true) {
            $outermost === null => 'bare',
            $forecast === null => 'unknown',
            $outermost->failedAt !== null => 'failed',
            $outermost->suspectAt !== null => 'suspect',
            $forecast->due === null => 'later',
            $forecast->due <= $this->now => 'due',
            $forecast->from <= $this->now => 'open',
            $forecast->due <= $this->now + 14 * self::DAY => 'soon',
            default => 'later',
        };
    }

    /** @return array{p10: string, p50: string, p90: string} when the layer is used up, by chance */
    private function spread(FilmForecast $forecast): array
    {
        // Beyond ten years it is only far away.
        $end = fn(?int $moment): string => $this->moment(max($this->now, $moment ?? $this->now + 3650 * self::DAY));

        return ['p10' => $end($forecast->p10At), 'p50' => $end($forecast->p50At), 'p90' => $end($forecast->p90At)];
    }

    /**
     * @return array{layer_id: string, kind: string, family: string, name: string|null, points: list<array{at: string,
     *     left: float}>}
     */
    private function segment(FilmLayer $layer, WearPath $path): array
    {
        $end = $layer->span->day($layer->span->end ?? $this->now);
        $start = $layer->span->day($this->from);
        $left = static fn(float $wear): float => round(max(0.0, 1.0 - $wear / $layer->life), 4);
        $moment = fn(float $day): string => $this->moment($layer->span->moment($day));
        $points = [['at' => $moment($start), 'left' => $left($path->at($start))]];
        foreach ($path->steps() as $step) {
            if ($step['day'] > $start && $step['day'] <= $end) {
                $points[] = ['at' => $moment($step['day']), 'left' => $left($step['before'])];
                $points[] = ['at' => $moment($step['day']), 'left' => $left($step['after'])];
            }
        }
        $points[] = ['at' => $moment($end), 'left' => $left($path->at($end))];

        return [
            'layer_id' => $layer->id,
            'kind' => $layer->kind,
            'family' => $layer->span->family->value,
            'name' => $layer->name,
            'points' => $points,
        ];
    }

    /**
     * @param list<LoggedTurn> $turns
     * @return list<array{at: string, stage: string, behaviour: string, angle_deg: float|null}>
     */
    private function readings(array $turns, Zone $zone): array
    {
        $readings = [];
        foreach ($turns as $turn) {
            // The reading that tells most: on the clean surface, else on arrival.
            foreach ([Stage::AfterDecon, Stage::AfterWash, Stage::Arrival] as $stage) {
                $read = $turn->reading($zone, $stage);
                if ($read !== null) {
                    $parts = $turn->readings[$zone->value][$stage->value];
                    $readings[] = [
                        'at' => $this->moment($turn->at),
                        'stage' => $stage->value,
                        'behaviour' => $read->value,
                        'angle_deg' => $parts['whole']['angle_deg'] ?? null,
                    ];
                    break;
                }
            }
        }

        return $readings;
    }

    private function moment(int $seconds): string
    {
        return gmdate('Y-m-d\TH:i:s\Z', $seconds);
    }

    private function momentOrNull(?int $seconds): ?string
    {
        return $seconds === null ? null : $this->moment($seconds);
    }

    private function date(int $seconds): string
    {
        return (new DateTimeImmutable('@' . $seconds))->setTimezone($this->zone)->format('Y-m-d');
    }
}
