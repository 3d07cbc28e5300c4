<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Book\PlannedVisit;
use App\Book\RoundStop;
use App\Record\Sheet;
use App\Tenancy\Tenancy;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Says\Said;

/**
 * A visit that will not be: out of the plan, the round and the sheets that were laid for it, with why and by whom;
 * calendars hear of it.
 */
final readonly class CancelVisit
{
    public function __construct(private Tenancy $tenancy, private ClockInterface $clock) {}

    /**
     * @param string $by       us, client or weather
     * @param bool $again      whether another day is looked for; otherwise it is left out until the visit after it
     */
    public function __invoke(PlannedVisit $visit, string $by, string $why, bool $again): void
    {
        DB::transaction(function () use ($visit, $by, $why, $again): void {
            // Two may cancel at once: the second finds it gone.
            $visit = PlannedVisit::query()->with('vehicle')->whereKey($visit->id)->lockForUpdate()->first();
            if ($visit === null) {
                return;
            }
            $on = CarbonImmutable::parse($visit->on->toDateString());
            $next = PlannedVisit::query()
                ->where('vehicle_id', $visit->vehicle_id)
                ->where('on', '>', $on->toDateString())
                ->min('on');
            $rhythm = max(1, (int) ($visit->vehicle->cadence_target ?? 1));
            $until = match (true) {
                $again => $on,
                is_string($next) => CarbonImmutable::parse($next)->subDay(),
                default => $on->addDays($rhythm - 1),
            };
            CancelledVisit::query()->create([
                'id' => $visit->id,
                'vehicle_id' => $visit->vehicle_id,
                'crew_id' => $visit->crew_id,
                'on' => $on->toDateString(),
                'kinds' => $visit->kinds,
                'sequence' => $visit->sequence + 1,
                'cancelled_at' => $this->clock->now(),
                'why' => $why,
                'cancelled_by' => $by,
                'until_on' => $until->toDateString(),
            ]);
            $visit->delete();
            RoundStop::query()->where('vehicle_id', $visit->vehicle_id)->where('on', $on->toDateString())->delete();
            Sheet::query()
                ->where('vehicle_id', $visit->vehicle_id)
                ->where('on', $on->toDateString())
                ->where('status', 'laid')
                ->update(['status' => 'dropped']);
            OpenAgain::dispatch(
                $this->tenancy->workspace()->id,
                Said::of('plan.cancelled', vehicle: $visit->vehicle->name ?? '', on: Said::day($on->toDateString())),
            )->afterCommit();
        });
    }
}
