<?php

declare(strict_types=1);

namespace App\Bench;

use App\Book\Site;
use App\Shelf\Gear;
use App\Shelf\GearEvent;
use App\Tenancy\Tenancy;
use Illuminate\Support\Collection;
use Vicissa\Core\Matching\Body;
use Vicissa\Core\Visit\Outfit;
use Vicissa\Core\Visit\Pace;
use Vicissa\Core\Visit\TankAtHand;

/** What a crew comes with: vessels, the lance that has been calibrated, the water in the tank, its pace. */
final readonly class Equip
{
    public function __construct(private Tenancy $tenancy) {}

    public function __invoke(int $crew, Body $body, ?Site $site, AtHand $atHand, ?Pace $pace = null): Outfit
    {
        $gear = $atHand->gear;

        return new Outfit(
            $crew,
            $body,
            array_values($gear->map(static fn(Gear $one) => $one->vessel())->filter()->all()),
            $gear->where('kind', 'lance')->map(static fn(Gear $one) => $one->lance())->filter()->first(),
            $this->tank($gear, $site),
            $pace ?? $atHand->pace->for(),
            $this->tenancy->workspace()->house()->visit,
        );
    }

    /** @param Collection<int, Gear> $gear */
    private function tank(Collection $gear, ?Site $site): ?TankAtHand
    {
        $tank = $gear->firstWhere('kind', 'tank');
        if (!($tank instanceof Gear)) {
            return null;
        }
        $holds = $tank->fact('l') ?? 100.0;
        $level = $tank->events->firstWhere('kind', 'level');
        $start =
            $level instanceof GearEvent && is_numeric($level->facts['l'] ?? null) ? (float) $level->facts['l'] : $holds;
        $ro = $gear->firstWhere('kind', 'ro');
        // Where there is a tap the van's treatment runs from it.
        $makes = $site !== null && $site->water !== 'none' ? $ro?->fact('make_l_min') ?? 0.0 : 0.0;

        return new TankAtHand($holds, min($holds, $start), $makes);
    }
}
