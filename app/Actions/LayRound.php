<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\RoundStop;
use Illuminate\Support\Facades\DB;

/** Writes down who is on the way on a day, in driving order. */
final class LayRound
{
    /** @param list<string> $vehicleIds  in order */
    public function __invoke(string $on, array $vehicleIds): void
    {
        DB::transaction(static function () use ($on, $vehicleIds): void {
            RoundStop::query()->where('on', $on)->whereNotIn('vehicle_id', $vehicleIds)->delete();
            foreach ($vehicleIds as $position => $id) {
                RoundStop::query()->updateOrCreate(['on' => $on, 'vehicle_id' => $id], ['position' => $position]);
            }
        });
    }
}
