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
use Vicissa\Core\Protection\Life\RenewalWindow;
use Vicissa\Core\Says\Said;

/** Reckons when each layer on some vehicles is next due, and writes it down. Queries don't grow with the vehicles. */
final readonly class ForecastLayers
{
    private const TENTHS = [10, 20, 30, 40, 50, 60, 70, 80, 90];

    /** Layers that ended within so many days still stand on ribbons. */
    private const DRAWN_DAYS = 150;

    public function __construct(private Tenancy $tenancy, private ClockInterface $clock) {}

    /**
     * @param list<string> $vehicleIds
     * @param bool $past  also what layers that ended lately most likely lived
     */
    public function __invoke(array $vehicleIds, bool $past = true): void
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
                    ->when($past, static fn($or) => $or->orWhere('ended_at', '>', $now->subDays(self::DRAWN_DAYS))),
            )
            ->orderBy('id')
            ->get();
        $log = TurnLog::of($vehicleIds);
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
                $rows[] = $this->row(
                    $layer,
                    $outlook,
                    $vehicle->sidesIn($workspace),
                    $log->lookedOver($layer->vehicle_id),
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
     * @return array<string, mixed>
     */
    private function row(
        Layer $layer,
        Outlook $outlook,
        Schools $schools,
        ?int $lookedOver,
        CarbonImmutable $now,
    ): array {
        $at = $now->getTimestamp();
        $life = $outlook->life;
        $window = RenewalWindow::atRisk($schools->risk());
        $carbon = static fn(?int $moment): ?CarbonImmutable => $moment === null
            ? null
            : CarbonImmutable::createFromTimestampUTC($moment);
        $moment = static fn(float $risk): ?CarbonImmutable => $carbon($outlook->moment($risk, $at));
        $failed = $layer->failed_at;
        $from = $failed ?? $moment($window->from);
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
            'due_wear' => $life->quantile($window->due),
            'from_at' => $from,
            'due_at' => $failed ?? $moment($window->due),
            'late_at' => $failed ?? $moment($window->late),
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
            'why' => json_encode($this->why($layer, $outlook, $schools, $at), JSON_THROW_ON_ERROR),
            'computed_at' => $now,
        ];
    }

    private function why(Layer $layer, Outlook $outlook, Schools $schools, int $now): Said
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
            Said::of('layer.due', weeks: round($outlook->perWeek($now), 2), risk: round(100.0 * $schools->risk())),
        );
    }
}
