<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Forecast;
use App\Models\Layer;
use App\Models\Vehicle;
use App\Models\Workspace;
use App\Record\EvidenceBook;
use App\Record\LayerSpan;
use App\Record\TurnLog;
use App\Tenancy\Tenancy;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use LogicException;
use Psr\Clock\ClockInterface;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Protection\Family;
use Vicissa\Core\Protection\Life\RenewalWindow;
use Vicissa\Core\Protection\WearFactors;
use Vicissa\Core\Protection\WearPath;

/** Reckons when each layer on some vehicles is next due, and writes it down. Queries don't grow with the vehicles. */
final readonly class ForecastLayers
{
    private const TENTHS = [10, 20, 30, 40, 50, 60, 70, 80, 90];

    /** Beyond this a date says nothing. */
    private const HORIZON_DAYS = 3650;

    public function __construct(
        private Tenancy $tenancy,
        private ClockInterface $clock,
    ) {}

    /**
     * @param list<string> $vehicleIds
     */
    public function __invoke(array $vehicleIds): void
    {
        if ($vehicleIds === []) {
            return;
        }
        $now = CarbonImmutable::instance($this->clock->now());
        $workspace = $this->tenancy->workspace();
        $layers = Layer::query()->with('vehicle')->whereIn('vehicle_id', $vehicleIds)->whereNull('ended_at')->orderBy('id')->get();
        $log = TurnLog::of($vehicleIds);
        $evidence = EvidenceBook::forProducts(array_values(array_unique(array_filter($layers->map(static fn(Layer $layer): ?string => $layer->product_id)->all()))));
        $covered = $layers->where('kind', 'topper')->map(static fn(Layer $layer): string => $layer->vehicle_id.' '.$layer->zone)->all();
        $rows = [];
        foreach ($layers as $layer) {
            if ($this->isHidden($layer, $covered)) {
                continue;
            }
            $row = $this->forecast($layer, $layer->vehicle ?? throw new LogicException('A layer without its vehicle.'), $workspace, $log, $evidence, $now);
            if ($row !== null) {
                $rows[] = $row;
            }
        }
        Forecast::query()->whereIn('vehicle_id', $vehicleIds)->whereIn('layer_id', Layer::query()->select('id')->whereNull('ended_at'))
            ->whereNotIn('layer_id', array_column($rows, 'layer_id'))->delete();
        $this->keepFirst($rows);
        foreach (array_chunk($rows, 100) as $chunk) {
            Forecast::query()->upsert($chunk, ['layer_id']);
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
            $made[] = ['layer_id' => $row['layer_id'], 'workspace_id' => $row['workspace_id'], 'made_at' => $row['computed_at'], 'quantiles' => json_encode($row['quantiles'], JSON_THROW_ON_ERROR)];
            unset($rows[$i]['quantiles']);
        }
        foreach (array_chunk($made, 200) as $chunk) {
            DB::table('forecasts_made')->insertOrIgnore($chunk);
        }
    }

    /**
     * A short-lived base under a topper has no date of its own: the topper takes the weather, and nobody can read what
     * lies under it. Coatings and films keep theirs; they are what the toppers are for.
     *
     * @param array<array-key, string> $covered  vehicle and zone of every topper that is on
     */
    private function isHidden(Layer $layer, array $covered): bool
    {
        return $layer->kind === 'base'
            && in_array($layer->family(), [Family::Wax, Family::Polymer, Family::SilicaSpray], true)
            && in_array($layer->vehicle_id.' '.$layer->zone, $covered, true);
    }

    /** @return array<string, mixed>|null null where nothing wears */
    private function forecast(Layer $layer, Vehicle $vehicle, Workspace $workspace, TurnLog $log, EvidenceBook $evidence, CarbonImmutable $now): ?array
    {
        $label = $layer->labelWeeks();
        if ($label === null) {
            return null;
        }
        $span = LayerSpan::of($layer);
        $path = $log->path($vehicle->habits(), $span);
        $perWeek = $this->expected($span, $vehicle, $log);
        $worn = $layer->held ?? 0.0;
        [$model, $others, $own] = $evidence->about($layer, $label);
        try {
            $life = $model->forecast($others->curve, $own, $worn);
        } catch (InvalidInput) {
            // It has outlived everything the label could mean: the label is wrong, the readings are not.
            $life = $model->forecast($others->curve, $own, 0.0);
        }
        $window = RenewalWindow::atRisk($workspace->sidesFor($vehicle)->risk());
        $today = $span->day($now->getTimestamp());
        $moment = fn(float $risk): ?CarbonImmutable => $this->moment($span, $path, $life->quantile($risk), $today, $perWeek);
        $dueWear = $life->quantile($window->due);
        $failed = $layer->failed_at;

        return [
            'layer_id' => $layer->id,
            'workspace_id' => $workspace->id,
            'vehicle_id' => $vehicle->id,
            'per_week' => $perWeek,
            'product_life' => $life->productLife,
            'worn_known' => $worn,
            'p10' => $life->quantile(0.1),
            'p30' => $life->quantile(0.3),
            'p50' => $life->quantile(0.5),
            'p90' => $life->quantile(0.9),
            'due_wear' => $dueWear,
            'from_at' => $failed ?? $moment($window->from),
            'due_at' => $failed ?? $this->moment($span, $path, $dueWear, $today, $perWeek),
            'late_at' => $failed ?? $moment($window->late),
            'quantiles' => array_combine(self::TENTHS, array_map(static fn(int $percent): float => round($life->quantile($percent / 100), 6), self::TENTHS)),
            'evidence_own' => count($own),
            'evidence_others' => $others->layers,
            'why' => $this->why($layer, $label, $workspace->sidesFor($vehicle), count($own), $others->layers, $perWeek),
            'computed_at' => $now,
        ];
    }

    /** Wear-weeks per week from here on, by the vehicle's habits, its rhythm and how it has been washed lately. */
    private function expected(LayerSpan $layer, Vehicle $vehicle, TurnLog $log): float
    {
        $washes = 7.0 / $vehicle->cadence_target;

        return max(0.02, (new WearFactors)->idle($vehicle->habits()) + $washes * $log->during($layer)->usualWash($layer->zone, $layer->family));
    }

    private function moment(LayerSpan $layer, WearPath $path, float $wear, float $today, float $perWeek): ?CarbonImmutable
    {
        $day = $path->reaches($wear, $today, $perWeek);

        return $day === null || $day > $today + self::HORIZON_DAYS ? null : CarbonImmutable::createFromTimestampUTC($layer->moment($day));
    }

    /** @param array{float, float} $label */
    private function why(Layer $layer, array $label, Schools $schools, int $own, int $others, float $perWeek): string
    {
        $known = match (true) {
            $own + $others === 0 => sprintf('No earlier layer of it has been followed to its end yet, so this rests on the label (%s–%s weeks, believed with some caution).', $this->plain($label[0]), $this->plain($label[1])),
            $own === 0 => sprintf('Rests on the label and on %d layer%s of it on other vehicles.', $others, $others === 1 ? '' : 's'),
            $others === 0 => sprintf('Rests on the label and on %d earlier layer%s of it on this vehicle.', $own, $own === 1 ? '' : 's'),
            default => sprintf('Rests on %d earlier layer%s on this vehicle, %d on others, and the label.', $own, $own === 1 ? '' : 's', $others),
        };
        $failed = $layer->failed === null ? '' : ' A reading on the clean surface has already failed.';

        return sprintf('%s%s A week here wears it like %s reference weeks. Due when %d in 100 such layers would have failed.', $known, $failed, $this->plain(round($perWeek, 2)), round(100.0 * $schools->risk()));
    }

    private function plain(float $value): string
    {
        return rtrim(rtrim(number_format($value, 2, '.', ''), '0'), '.');
    }
}
