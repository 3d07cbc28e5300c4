<?php

declare(strict_types=1);

namespace App\Bench;

use App\Book\Vehicle;
use App\Record\StepTime;
use App\Tenancy\StateMark;
use App\Tenancy\Tenancy;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Vicissa\Core\Visit\PaceBook;

/**
 * What the workspace has learnt about minutes: from steps lately, from whole visits without steps, and from minutes
 * that were typed.
 */
final readonly class MeasurePace
{
    /** So many steps of each kind are looked back at, and so many whole visits. */
    private const LOOK_BACK = 40;

    private const VISITS = 300;

    public function __construct(private Tenancy $tenancy, private StateMark $stateMark) {}

    public function __invoke(): PaceBook
    {
        // What changes at all is asked first: what the paces rest on is long to look through.
        $state = ($this->stateMark)();
        $key = 'pace/2 ' . $this->tenancy->workspace()->id;
        $kept = Cache::get($key);
        if (is_array($kept) && $kept['state'] === $state) {
            return PaceBook::kept($kept['book']);
        }
        $mark = DB::scalar(
            "select (select count(*) || ' ' || coalesce(max(id::text), '') from step_times) || ' ' || (select count(*) || ' ' || coalesce(max(id::text), '') from turn_entries) || ' ' || (select coalesce(sum(own_minutes), 0) || ' ' || coalesce(sum(own_estimate), 0) from vehicles) as mark",
        );
        $book =
            is_array($kept) && $kept['mark'] === $mark ? PaceBook::kept($kept['book']) : PaceBook::of($this->seen());
        Cache::put($key, ['state' => $state, 'mark' => $mark, 'book' => $book->toKeep()], 86400);

        return $book;
    }

    /**
     * @return list<array{kind: string|null, person: string|null, vehicle: string, estimated: float, took: float,
     *     weight?: float}>
     */
    private function seen(): array
    {
        $recent = StepTime::query()
            ->join('turns', 'turns.id', '=', 'step_times.turn_id')
            ->join('turn_entries as e', 'e.id', '=', 'turns.current_entry_id')
            ->select(['step_times.kind', 'estimated_min', 'took_min', 'turns.vehicle_id', 'e.written_by'])
            ->selectRaw(
                'row_number() over (partition by step_times.kind order by step_times.at desc, step_times.id desc) as nth',
            );
        $steps = DB::query()
            ->fromSub($recent, 'recent')
            ->where('nth', '<=', self::LOOK_BACK)
            ->get()
            ->map(
                static fn(object $one): array => [
                    'kind' => (string) $one->kind,
                    'person' => (string) $one->written_by,
                    'vehicle' => (string) $one->vehicle_id,
                    'estimated' => (float) $one->estimated_min,
                    'took' => (float) $one->took_min,
                ],
            )
            ->all();
        $wholes = DB::table('turns')
            ->join('turn_entries as e', 'e.id', '=', 'turns.current_entry_id')
            ->whereNotNull('e.minutes')
            ->whereNotNull('e.estimate_min')
            ->orderByDesc('turns.worked_at')
            ->limit(self::VISITS)
            ->get(['turns.vehicle_id', 'e.written_by', 'e.minutes', 'e.estimate_min'])
            ->map(
                static fn(object $one): array => [
                    'kind' => null,
                    'person' => (string) $one->written_by,
                    'vehicle' => (string) $one->vehicle_id,
                    'estimated' => (float) $one->estimate_min,
                    'took' => (float) $one->minutes,
                ],
            )
            ->all();
        $typed = Vehicle::query()
            ->whereNotNull('own_minutes')
            ->whereNotNull('own_estimate')
            ->orderBy('id')
            ->get(['id', 'own_minutes', 'own_estimate'])
            ->map(
                static fn(Vehicle $one): array => [
                    'kind' => null,
                    'person' => null,
                    'vehicle' => $one->id,
                    'estimated' => (float) $one->own_estimate,
                    'took' => (float) $one->own_minutes,
                    'weight' => PaceBook::TYPED,
                ],
            )
            ->all();

        return array_values([...$steps, ...$wholes, ...$typed]);
    }
}
