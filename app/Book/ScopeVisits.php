<?php

declare(strict_types=1);

namespace App\Book;

use Illuminate\Support\Facades\DB;

/**
 * Which of a vehicle's visits takes in how much: as its rhythm has it, every so many of them in full (domain §15.1).
 */
final class ScopeVisits
{
    /**
     * @param list<array{vehicle: string, date: string, crew: string, kinds: list<string>, locked: bool}> $visits
     * @return list<array{vehicle: string, date: string, crew: string, kinds: list<string>, locked: bool,
     *     scope: string}>
     */
    public function __invoke(array $visits): array
    {
        $ids = array_values(array_unique(array_column($visits, 'vehicle')));
        $vehicles = Vehicle::query()
            ->whereIn('id', $ids)
            ->get(['id', 'scope', 'full_every'])
            ->keyBy('id');
        $since = [];
        foreach (
            DB::table('turns')
                ->join('turn_entries as e', 'e.id', '=', 'turns.current_entry_id')
                ->whereIn('turns.vehicle_id', $vehicles->whereNotNull('full_every')->keys()->all())
                ->orderByDesc('turns.worked_at')
                ->get(['turns.vehicle_id', 'e.scope'])
            as $turn
        ) {
            $since[$turn->vehicle_id] ??= ['turns' => 0, 'full' => false];
            $since[$turn->vehicle_id]['full'] = $since[$turn->vehicle_id]['full'] || $turn->scope === 'full';
            $since[$turn->vehicle_id]['turns'] += $since[$turn->vehicle_id]['full'] ? 0 : 1;
        }
        $count = array_map(static fn(array $of): int => $of['turns'], $since);
        usort(
            $visits,
            static fn(array $a, array $b): int => [$a['date'], $a['vehicle']] <=> [$b['date'], $b['vehicle']],
        );

        return array_map(static function (array $visit) use ($vehicles, &$count): array {
            $vehicle = $vehicles->get($visit['vehicle']);
            $every = $vehicle?->full_every;
            $count[$visit['vehicle']] = ($count[$visit['vehicle']] ?? 0) + 1;
            $full = $every !== null && $count[$visit['vehicle']] >= $every;
            $count[$visit['vehicle']] = $full ? 0 : $count[$visit['vehicle']];

            return [...$visit, 'scope' => $full ? 'full' : $vehicle->scope ?? 'usual'];
        }, $visits);
    }
}
