<?php

declare(strict_types=1);

namespace App\Sheets;

use App\Book\GateRules;
use App\Book\PlannedVisit;
use App\Book\RoundStop;
use App\Book\Site;
use App\Book\Vehicle;
use App\Standins\TravelTimes;
use Illuminate\Support\Facades\DB;
use Vicissa\Core\Planning\DayOrder;

/**
 * Puts a day's turns, those of the plan among them, into their best order: by travel, opening hours and the hours that
 * dry too fast.
 */
final readonly class OrderRound
{
    /** Minutes after midnight at which one leaves. */
    public const LEAVES = 480;

    public function __construct(private LayRound $layRound, private TravelTimes $travel) {}

    /** @return Told<'Round'> the day as it then stands */
    public function __invoke(string $on): array
    {
        return DB::transaction(function () use ($on): array {
            /** @var list<string> $going */
            $going = RoundStop::query()->where('on', $on)->orderBy('position')->pluck('vehicle_id')->all();
            /** @var list<string> $planned */
            $planned = PlannedVisit::query()
                ->where('on', $on)
                ->orderBy('crew_id')
                ->orderBy('vehicle_id')
                ->pluck('vehicle_id')
                ->all();
            $ids = array_values(array_unique([...$going, ...$planned]));
            // The day is drawn with all of them in it, so that each has its curve and its minutes.
            $drawn = ($this->layRound)($on, $ids);
            $sites = Vehicle::query()
                ->with('site')
                ->whereIn('id', $ids)
                ->get()
                ->mapWithKeys(static fn(Vehicle $vehicle): array => [$vehicle->id => $vehicle->site])
                ->all();
            $stops = $places = [];
            foreach ($drawn['stops'] as $stop) {
                $site = $sites[$stop['vehicle_id']] ?? null;
                $hours = GateRules::hours($site?->hours) ?? [0, 1440];
                $hot = [];
                foreach ($stop['hours'] as $hour) {
                    $hot[(int) $hour['hour']] = $hour['avoid'] !== null;
                }
                $stops[] = [
                    'minutes' => (int) $stop['minutes'],
                    'opens' => $hours[0],
                    'closes' => $hours[1],
                    'hot' => $hot,
                ];
                $places[] = [$stop['vehicle_id'], $site];
            }
            $order = DayOrder::of($stops, $this->legs(array_column($places, 1)), self::LEAVES);

            return ($this->layRound)($on, array_map(static fn(int $i): string => $places[$i][0], $order->order));
        });
    }

    /**
     * @param list<Site|null> $sites
     * @return list<list<int>>
     */
    private function legs(array $sites): array
    {
        $all = [null, ...$sites];

        return array_map(
            fn(?Site $from): array => array_map(
                fn(?Site $to): int => $this->travel->minutes($from?->whereabouts(), $to?->whereabouts()),
                $all,
            ),
            $all,
        );
    }
}
