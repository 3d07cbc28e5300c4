<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Book\Client;
use App\Book\PlannedVisit;
use App\Book\Site;
use App\Book\Vehicle;
use App\Shelf\Product;
use App\Tenancy\User;
use App\Weeks\CancelVisit;
use App\Weeks\ReplanWeeks;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\Clock\MockClock;
use Vicissa\Core\Says\Said;

/** What Rhona and Tam have changed by hand in the last weeks: the trail tells who, what and when. */
final readonly class ByHand
{
    public function __construct(
        private MockClock $clock,
        private ReplanWeeks $replanWeeks,
        private CancelVisit $cancelVisit,
        private User $owner,
        private User $technician,
    ) {}

    /** @param array<string, Vehicle> $vehicles  by name */
    public function load(CarbonImmutable $today, array $vehicles): void
    {
        $at = function (User $who, int $daysAgo, string $time, callable $change) use ($today): void {
            Auth::setUser($who);
            $this->clock->modify($today->subDays($daysAgo)->setTimeFromTimeString($time)->toIso8601String());
            $change();
        };
        $of = static fn(string $name): Vehicle => Vehicle::query()->findOrFail($vehicles[$name]->id);
        try {
            $at(
                $this->owner,
                26,
                '19:40',
                static fn() => Client::query()
                    ->where('name', 'Garland Wedding Cars')
                    ->sole()
                    ->update(['phone' => '01700 33', 'note' => 'Perrin is away on Mondays.']),
            );
            $at(
                $this->technician,
                19,
                '15:05',
                static fn() => $of('The vet’s pickup')->update([
                    'note' => 'Stone chip on the bonnet’s edge, left; Hesper has seen it.',
                ]),
            );
            $at(
                $this->technician,
                12,
                '12:20',
                static fn() => Site::query()
                    ->where('name', 'Surgery yard')
                    ->sole()
                    ->update(['surface' => 'Concrete, new drain at the gate']),
            );
            $at(
                $this->owner,
                8,
                '20:15',
                static fn() => Product::query()
                    ->where('name', 'Merrow Plain')
                    ->sole()
                    ->update(['price_minor' => 1890]),
            );
            $at($this->owner, 0, $today->format('H:i'), fn() => $this->cancel($of('Schoolteacher’s hatch'), $today));
        } finally {
            Auth::guard()->forgetUser();
            $this->clock->modify($today->toIso8601String());
        }
    }

    /** A client is away: the visit is called off, and the plan finds another day. */
    private function cancel(Vehicle $vehicle, CarbonImmutable $today): void
    {
        $visit = PlannedVisit::query()
            ->where('vehicle_id', $vehicle->id)
            ->where('on', '>', $today->addDays(3)->toDateString())
            ->orderBy('on')
            ->first();
        if ($visit === null) {
            return;
        }
        ($this->cancelVisit)($visit, 'client', 'Away on the mainland that day', true);
        ($this->replanWeeks)(
            Said::of('plan.cancelled', vehicle: $vehicle->name, on: Said::day($visit->on->toDateString())),
            $this->owner,
            shakes: 20,
        );
    }
}
