<?php

declare(strict_types=1);

namespace App\Film;

use Illuminate\Support\Facades\DB;
use stdClass;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Family;
use Vicissa\Core\Record\LayerSpan;
use Vicissa\Core\Says\Said;

/** The layers the film draws, with their forecasts, in one query; moments as seconds since 1970. */
final class FilmLayers
{
    /**
     * @param list<string> $vehicleIds
     * @return array<string, list<FilmLayer>> by vehicle, oldest first
     */
    public static function of(array $vehicleIds, int $since): array
    {
        $epoch = static fn(string $column) => DB::raw(
            "extract(epoch from {$column})::bigint as " . str_replace('.', '_', $column),
        );
        /** @var list<stdClass> $rows */
        $rows = DB::table('layers as l')
            ->leftJoin('forecasts as f', 'f.layer_id', '=', 'l.id')
            ->whereIn('l.vehicle_id', $vehicleIds)
            ->where(
                static fn($query) => $query
                    ->whereNull('l.ended_at')
                    ->orWhereRaw('l.ended_at >= to_timestamp(?)', [$since]),
            )
            ->orderBy('l.on_at')
            ->orderBy('l.id')
            ->get([
                'l.id',
                'l.vehicle_id',
                'l.zone',
                'l.kind',
                'l.family',
                'l.name',
                'l.designed',
                'l.label_low_weeks',
                'l.label_high_weeks',
                'l.lived',
                'f.p10',
                'f.p50',
                'f.p90',
                'f.why',
                $epoch('l.on_at'),
                $epoch('l.ended_at'),
                $epoch('l.failed_at'),
                $epoch('l.suspect_at'),
                $epoch('f.from_at'),
                $epoch('f.due_at'),
                $epoch('f.late_at'),
                $epoch('f.p10_at'),
                $epoch('f.p50_at'),
                $epoch('f.p90_at'),
            ])
            ->all();
        $layers = [];
        foreach ($rows as $row) {
            $family = Family::from($row->family);
            $label =
                $row->label_low_weeks !== null
                    ? [(float) $row->label_low_weeks, (float) $row->label_high_weeks]
                    : $family->typicalLabelWeeks() ?? [10.0, 10.0];
            $layers[$row->vehicle_id][] = new FilmLayer(
                id: $row->id,
                span: new LayerSpan($row->vehicle_id, Zone::from($row->zone), $family, $row->l_on_at, $row->l_ended_at),
                kind: $row->kind,
                name: $row->name,
                designed: $row->designed,
                failedAt: $row->l_failed_at,
                suspectAt: $row->l_suspect_at,
                life: (float) ($row->lived ?? ($row->p50 ?? 0.8 * sqrt($label[0] * $label[1]))),
                forecast: $row->p50 === null
                    ? null
                    : new FilmForecast(
                        (float) $row->p10,
                        (float) $row->p50,
                        (float) $row->p90,
                        Said::kept(json_decode($row->why, true, 16, JSON_THROW_ON_ERROR)),
                        $row->f_p10_at,
                        $row->f_p50_at,
                        $row->f_p90_at,
                        $row->f_from_at,
                        $row->f_due_at,
                        $row->f_late_at,
                    ),
            );
        }

        return $layers;
    }
}
