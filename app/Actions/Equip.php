<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Gear;
use App\Models\GearEvent;
use App\Models\Site;
use App\Record\AtHand;
use Illuminate\Support\Collection;
use Vicissa\Core\Matching\Body;
use Vicissa\Core\Sheet\Visit\Outfit;
use Vicissa\Core\Sheet\Visit\TankAtHand;

/** What a crew comes with: vessels, the lance that has been calibrated, the water in the tank, its pace. */
final readonly class Equip
{
    /** @param 1|2 $crew */
    public function __invoke(int $crew, Body $body, ?Site $site, AtHand $atHand): Outfit
    {
        $gear = $atHand->gear;

        return new Outfit(
            $crew,
            $body,
            array_values($gear->map(static fn(Gear $one) => $one->vessel())->filter()->all()),
            $gear->where('kind', 'lance')->map(static fn(Gear $one) => $one->lance())->filter()->first(),
            $this->tank($gear, $site),
            $atHand->pace,
        );
    }

    /** @param Collection<int, Gear> $gear */
    private function tank(Collection $gear, ?Site $site): ?TankAtHand
    {
        $tank = $gear->firstWhere('kind', 'tank');
        if (! $tank instanceof Gear) {
            return null;
        }
        $holds = $tank->fact('l') ?? 100.0;
        $level = $tank->events->firstWhere('kind', 'level');
        $start = $level instanceof GearEvent && is_numeric($level->facts['l'] ?? null) ? (float) $level->facts['l'] : $holds;
        $ro = $gear->firstWhere('kind', 'ro');
        // Where there is a tap the van's treatment runs from it.
        $makes = $site !== null && $site->water !== 'none' ? $ro?->fact('make_l_min') ?? 0.0 : 0.0;

        return new TankAtHand($holds, min($holds, $start), $makes);
    }
}
