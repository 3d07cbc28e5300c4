<?php

declare(strict_types=1);

namespace App\Sheets;

use App\Bench\ExpectVisit;
use App\Book\RoundStop;
use Illuminate\Support\Facades\DB;

/**
 * Writes down who is on the way on a day, in driving order, and when each begins: its visit is laid out for that hour.
 */
final readonly class LayRound
{
    public function __construct(private DrawRound $drawRound) {}

    /**
     * @param list<string> $vehicleIds  in order
     * @return Told<'Round'> the day as it then stands
     */
    public function __invoke(string $on, array $vehicleIds): array
    {
        return DB::transaction(function () use ($on, $vehicleIds): array {
            RoundStop::query()->where('on', $on)->whereNotIn('vehicle_id', $vehicleIds)->delete();
            foreach ($vehicleIds as $position => $id) {
                RoundStop::query()->updateOrCreate(['on' => $on, 'vehicle_id' => $id], ['position' => $position]);
            }
            $round = ($this->drawRound)($on);

            // What was drawn for another hour is drawn again; times then follow from what the visits take at those
            // hours.
            return $this->begin($on, $round['stops']) ? ($this->drawRound)($on) : $round;
        });
    }

    /**
     * @param list<array<string, mixed>> $drawn
     * @return bool whether one begins in another hour than it was drawn for
     */
    private function begin(string $on, array $drawn): bool
    {
        $moved = false;
        $begins = array_column($drawn, 'begins_min', 'vehicle_id');
        foreach (RoundStop::query()->where('on', $on)->get() as $stop) {
            $min = $begins[$stop->vehicle_id] ?? null;
            $moved = $moved || intdiv($min ?? 0, 60) !== intdiv($stop->begins_min ?? 60 * ExpectVisit::USUAL_HOUR, 60);
            $stop->update(['begins_min' => $min]);
        }

        return $moved;
    }
}
