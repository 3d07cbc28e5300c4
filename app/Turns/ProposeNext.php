<?php

declare(strict_types=1);

namespace App\Turns;

use App\Book\Vehicle;
use App\Record\Turn;
use App\Record\TurnEntry;
use App\Tenancy\Tenancy;

/** The next visit by the vehicle's rhythm, and what it should hold: written beside the entry that led to it. */
final readonly class ProposeNext
{
    public function __construct(private Tenancy $tenancy) {}

    /**
     * @param list<array{layer_id: string, zone: string, kind: string, name: string, from: string|null, due: string|null, late: string|null, look?: string|null}> $due  due dates after the turn
     */
    public function __invoke(Turn $turn, Vehicle $vehicle, array $due): void
    {
        $next = $turn->worked_at->setTimezone($this->tenancy->workspace()->time_zone)->addDays($vehicle->cadence_target)->toDateString();
        $entry = TurnEntry::query()->findOrFail($turn->current_entry_id);
        /** @var list<array{next: string}> $diagnoses */
        $diagnoses = $entry->diagnoses;
        $says = array_column($diagnoses, 'next');
        $topperDue = array_filter($due, static fn(array $date): bool => $date['kind'] === 'topper' && $date['from'] !== null && $date['from'] <= $next);
        $kinds = ['wash'];
        $suspect = in_array('decontaminate-and-retest', $says, true);
        // Whether it needs a topper is known when it has been read again.
        if ($topperDue !== [] && ! $suspect || in_array('apply-topper', $says, true)) {
            $kinds[] = 'topper';
        }
        if ($suspect) {
            $kinds[] = 'decon';
        }
        $lookDue = array_filter($due, static fn(array $date): bool => isset($date['look']) && $date['look'] <= $next);
        if ($lookDue !== [] || in_array('inspect-base', $says, true)) {
            $kinds[] = 'inspection';
        }
        TurnEntry::query()->whereKey($entry->id)->update(['next_on' => $next, 'next_kinds' => json_encode($kinds), 'due_after' => json_encode($due)]);
    }
}
