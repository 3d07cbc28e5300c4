<?php

declare(strict_types=1);

namespace App\Turns;

use App\Book\Vehicle;
use App\Record\Turn;
use App\Record\TurnEntry;
use App\Tenancy\Tenancy;
use Vicissa\Core\Protection\NextStep;
use Vicissa\Core\Record\LayerKind;
use Vicissa\Core\Record\NextVisit;

/** The next visit by the vehicle's rhythm, and what it should hold: written beside the entry that led to it. */
final readonly class ProposeNext
{
    public function __construct(private Tenancy $tenancy) {}

    /**
     * @param list<array{layer_id: string, zone: string, kind: string, name: string, from: string|null,
     *     due: string|null, late: string|null, look?: string|null}> $due due dates after the turn
     */
    public function __invoke(Turn $turn, TurnEntry $entry, Vehicle $vehicle, array $due): void
    {
        $next = $turn->worked_at
            ->setTimezone($this->tenancy->workspace()->time_zone)
            ->addDays($vehicle->cadence_target)
            ->toDateString();
        /** @var list<array{next: string}> $diagnoses */
        $diagnoses = $entry->diagnoses;
        $kinds = NextVisit::kinds(
            array_map(static fn(array $found): NextStep => NextStep::from($found['next']), $diagnoses),
            array_filter(
                $due,
                static fn(array $date): bool => $date['kind'] === LayerKind::Topper->value &&
                    $date['from'] !== null &&
                    $date['from'] <= $next,
            ) !== [],
            array_filter($due, static fn(array $date): bool => isset($date['look']) && $date['look'] <= $next) !== [],
        );
        $entry->update([
            'next_on' => $next,
            'next_kinds' => array_column($kinds, 'value'),
            'due_after' => $due,
        ]);
    }
}
