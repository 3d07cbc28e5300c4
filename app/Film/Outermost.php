<?php

declare(strict_types=1);

namespace App\Film;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Vicissa\Core\Matching\Zone;

/** What lies outermost on a vehicle's paint decides when it is due: a topper before a base, the newest before others. */
final class Outermost
{
    private const FIRST = "l.kind = 'topper' desc, l.on_at desc, l.id desc";

    /** By vehicle_id: due_at of the outermost, and families from the outside in, parted by spaces. */
    public static function layers(): Builder
    {
        $first = self::FIRST;

        return DB::table('layers as l')
            ->leftJoin('forecasts as f', 'f.layer_id', '=', 'l.id')
            ->where('l.zone', Zone::Paint->value)
            ->whereNull('l.ended_at')
            ->groupBy('l.vehicle_id')
            ->selectRaw(
                "l.vehicle_id, string_agg(l.family, ' ' order by {$first}) as families, (array_agg(f.due_at order by {$first}))[1] as due_at",
            );
    }
}
