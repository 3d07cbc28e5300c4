<?php

declare(strict_types=1);

namespace App\Film;

use App\Book\Forecast;
use App\Book\Layer;
use App\Record\TurnLog;
use App\Tenancy\Tenancy;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use LogicException;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Protection\Life\InspectionWindow;
use Vicissa\Core\Protection\Life\RenewalVisit;
use Vicissa\Core\Protection\Life\RenewalWindow;
use Vicissa\Core\Says\Said;

/** Reckons when each layer on some vehicles is next due, and writes it down. Queries don't grow with the vehicles. */
final readonly class ForecastLayers
{
    private const TENTHS = [10, 20, 30, 40, 50, 60, 70, 80, 90];

    /** So many visits ahead are weighed. */
    private const MOST_VISITS = 200;

    /** No visit is cheaper than waiting until a reading fails. */
    private const WHEN_SEEN = 999;

    /** Beyond this share of spent layers no visit is weighed. */
    private const ALL_SPENT = 0.97;

    /** Layers that ended within so many days still stand on ribbons. */
    private const DRAWN_DAYS = 150;

    public function __construct(private Tenancy $tenancy, private ClockInterface $clock) {}

    /**
     * @param list<string> $vehicleIds
     * @param bool $past   also what layers that ended lately most likely lived
     * @param bool $again  also of those for which that has been settled before: more may be known of the product by now
     * @param TurnLog|null $log  of those vehicles, where it has been read
     */
    public function __invoke(array $vehicleIds, bool $past = true, bool $again = false, ?TurnLog $log = null): void
    {
        if ($vehicleIds === []) {
            return;
        }
        $now = CarbonImmutable::instance($this->clock->now());
        $workspace = $this->tenancy->workspace();
        $layers = Layer::query()
            ->with('vehicle')
            ->whereIn('vehicle_id', $vehicleIds)
            ->where(
                static fn($query) => $query
                    ->whereNull('ended_at')
                    ->when(
                        $past,
                        static fn($or) => $or->orWhere(
                            static fn($ended) => $ended
                                ->where('ended_at', '>', $now->subDays(self::DRAWN_DAYS))
                                ->when(!$again, static fn($open) => $open->whereNull('lived')),
                        ),
                    ),
            )
            ->orderBy('id')
            ->get();
        $log ??= TurnLog::of($vehicleIds);
        $evidence = EvidenceBook::forProducts(
            array_values(
                array_unique(array_filter($layers->map(static fn(Layer $layer): ?string => $layer->product_id)->all())),
            ),
        );
        $on = $layers->whereNull('ended_at');
        $rows = [];
        foreach ($on as $layer) {
            $vehicle = $layer->vehicle ?? throw new LogicException('A layer without its vehicle.');
            $outlook = Outlook::of($layer, $vehicle, $log, $evidence);
            if ($outlook !== null) {
                $turns = $log->turns($layer->vehicle_id);
                $rows[] = $this->row(
                    $layer,
                    $outlook,
                    $vehicle->sidesIn($workspace),
                    $log->lookedOver($layer->vehicle_id),
                    $turns === [] ? null : $turns[count($turns) - 1]->at,
                    $now,
                );
            }
        }
        Forecast::query()
            ->whereIn('vehicle_id', $vehicleIds)
            ->whereIn('layer_id', Layer::query()->select('id')->whereNull('ended_at'))
            ->whereNotIn('layer_id', array_column($rows, 'layer_id'))
            ->delete();
        $this->keepFirst($rows);
        foreach (array_chunk($rows, 100) as $chunk) {
            Forecast::query()->upsert($chunk, ['workspace_id', 'layer_id']);
        }
        $this->settlePast($layers->whereNotNull('ended_at'), $log, $evidence);
    }

    /**
     * What has ended is drawn by what it most likely lived, given all that was read of it.
     *
     * @param Collection<int, Layer> $ended
     */
    private function settlePast(Collection $ended, TurnLog $log, EvidenceBook $evidence): void
    {
        foreach ($ended as $layer) {
            $lived = Outlook::of(
                $layer,
                $layer->vehicle ?? throw new LogicException('A layer without its vehicle.'),
                $log,
                $evidence,
            )?->lived();
            if ($lived !== null && ($layer->lived === null || abs($lived - $layer->lived) > 0.005 * $lived)) {
                Layer::query()
                    ->whereKey($layer->id)
                    ->toBase()
                    ->update(['lived' => $lived]);
            }
        }
    }

    /**
     * What is said of a layer the first time stands: by it one will see whether the forecast was right.
     *
     * @param list<array<string, mixed>> $rows  their quantiles are taken out
     */
    private function keepFirst(array &$rows): void
    {
        $made = [];
        foreach ($rows as $i => $row) {
            $made[] = [
                'layer_id' => $row['layer_id'],
                'workspace_id' => $row['workspace_id'],
                'made_at' => $row['computed_at'],
                'quantiles' => json_encode($row['quantiles'], JSON_THROW_ON_ERROR),
            ];
            unset($rows[$i]['quantiles']);
        }
        foreach (array_chunk($made, 200) as $chunk) {
            DB::table('forecasts_made')->insertOrIgnore($chunk);
        }
    }

    /**
     * @param int|null $lookedOver  when the base was last looked over, seconds since 1970
     * @param int|null $lastTurn    when somebody was there last
     * @return array<string, mixed>
     */
    private function row(
        Layer $layer,
        Outlook $outlook,
        Schools $schools,
        ?int $lookedOver,
        ?int $lastTurn,
        CarbonImmutable $now,
    ): array {
        $at = $now->getTimestamp();
        $life = $outlook->life;
        $window = RenewalWindow::atRisk($schools->risk());
        // What such layers live as they go on: a reading that holds is no reason to wait longer than the rule.
        $fresh = $life->fresh();
        $carbon = static fn(?int $moment): ?CarbonImmutable => $moment === null
            ? null
            : CarbonImmutable::createFromTimestampUTC($moment);
        $moment = static fn(float $risk): ?CarbonImmutable => $carbon($outlook->moment($risk, $at));
        $reaches = static fn(float $risk): ?CarbonImmutable => $carbon($outlook->reaches($fresh->quantile($risk), $at));
        $failed = $layer->failed_at;
        $from = $failed ?? $reaches($window->from);
        $visit =
            $failed === null && !$layer->family()->isLasting()
                ? $this->visit($layer, $outlook, $schools->risk(), $at, $lastTurn)
                : null;
        $look =
            $layer->kind === 'base' && $layer->family()->isLasting()
                ? InspectionWindow::of(max($outlook->span->on, $lookedOver ?? 0), $from?->getTimestamp())
                : null;

        return [
            'layer_id' => $layer->id,
            'workspace_id' => $layer->workspace_id,
            'vehicle_id' => $layer->vehicle_id,
            'per_week' => $outlook->perWeek($at),
            'product_life' => $life->productLife,
            'worn_known' => $layer->held ?? 0.0,
            'p10' => $life->quantile(0.1),
            'p30' => $life->quantile(0.3),
            'p50' => $life->quantile(0.5),
            'p90' => $life->quantile(0.9),
            'due_wear' => $fresh->quantile($window->due),
            'from_at' => $from,
            'due_at' => $failed ?? $reaches($window->due),
            'late_at' => $failed ?? $reaches($window->late),
            'p10_at' => $moment(0.1),
            'p30_at' => $moment(0.3),
            'p50_at' => $moment(0.5),
            'p90_at' => $moment(0.9),
            'look_from_at' => $carbon($look?->from),
            'look_at' => $carbon($look?->due),
            'look_late_at' => $carbon($look?->late),
            'quantiles' => array_combine(
                self::TENTHS,
                array_map(static fn(int $percent): float => round($life->quantile($percent / 100), 6), self::TENTHS),
            ),
            'evidence_own' => $outlook->own,
            'evidence_others' => $outlook->others,
            'why' => json_encode($this->why($layer, $outlook, $schools, $at, $visit), JSON_THROW_ON_ERROR),
            'computed_at' => $now,
        ];
    }

    /**
     * The visit at which it is renewed, of those its rhythm brings; null where none of them comes near, or it is past.
     *
     * @param int|null $lastTurn  seconds since 1970
     * @return array{at: int, visit: RenewalVisit, cheapest: int}|null
     */
    private function visit(Layer $layer, Outlook $outlook, float $share, int $now, ?int $lastTurn): ?array
    {
        $fresh = $outlook->life->fresh();
        $rhythm = 86_400 * max(1, $layer->vehicle->cadence_target ?? 14);
        $moments = $wear = [];
        // From the day it went on, as if the rhythm had always been kept: what was done already is done.
        $next = max($now, ($lastTurn ?? $outlook->span->on) + $rhythm);
        for (
            $at = $next - $rhythm * (int) floor(($next - $outlook->span->on) / $rhythm);
            count($wear) < self::MOST_VISITS;
            $at += $rhythm
        ) {
            if ($at <= $outlook->span->on) {
                continue;
            }
            $moments[] = $at;
            $wear[] =
                $at <= $now
                    ? $outlook->path->at($outlook->span->day($at))
                    : $outlook->wornBy($now) + $outlook->expected($now, $at);
            if ($fresh->risk($wear[count($wear) - 1]) > self::ALL_SPENT) {
                break;
            }
        }
        if ($wear === []) {
            return null;
        }
        sort($wear);
        $lot = hexdec(substr(hash('sha256', $layer->id), 0, 8)) / 0xffffffff;
        $visit = RenewalVisit::atShare($fresh, $wear, $share, $lot);
        $costs = $this->tenancy->workspace()->house()->renewal;
        $cheapest = RenewalVisit::atLeastLoss($fresh, $wear, $costs->renewal, $costs->failedWeek);

        return $moments[$visit->index] < $now
            ? null
            : [
                'at' => $moments[$visit->index],
                'visit' => $visit,
                'cheapest' =>
                    $cheapest->index === count($wear) - 1 ? self::WHEN_SEEN : $cheapest->index - $visit->index,
            ];
    }

    /** @param array{at: int, visit: RenewalVisit, cheapest: int}|null $visit */
    private function why(Layer $layer, Outlook $outlook, Schools $schools, int $now, ?array $visit): Said
    {
        [$own, $others, $label] = [$outlook->own, $outlook->others, $outlook->label];

        return Said::after(
            match (true) {
                $own + $others === 0 => Said::of('layer.rests.label', low: $label[0], high: $label[1]),
                $own === 0 => Said::of('layer.rests.others', others: $others),
                $others === 0 => Said::of('layer.rests.own', own: $own),
                default => Said::of('layer.rests.both', own: $own, others: $others),
            },
            match (true) {
                $layer->suspect_at !== null => Said::of('layer.suspect'),
                $layer->failed !== null => Said::of('layer.failed'),
                default => null,
            },
            $visit === null
                ? Said::of('layer.due', weeks: round($outlook->perWeek($now), 2), risk: round(100.0 * $schools->risk()))
                : Said::of(
                    'layer.due-visit',
                    weeks: round($outlook->perWeek($now), 2),
                    on: Said::day(
                        $this->tenancy->workspace()->dateOf(CarbonImmutable::createFromTimestampUTC($visit['at'])),
                    ),
                    risk: round(100.0 * $visit['visit']->risk),
                    asked: round(100.0 * $schools->risk()),
                    later: round(100.0 * $visit['visit']->after),
                ),
            $visit === null
                ? null
                : Said::of(
                    'layer.cheapest',
                    when: match (true) {
                        $visit['cheapest'] === self::WHEN_SEEN => 'seen',
                        $visit['cheapest'] === 0 => 'same',
                        default => $visit['cheapest'] > 0 ? 'later' : 'earlier',
                    },
                    visits: abs($visit['cheapest']),
                ),
        );
    }
}
