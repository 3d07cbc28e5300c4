<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Actions\ReplanWeeks;
use App\Models\Closure;
use App\Models\Crew;
use App\Models\CrewDay;
use App\Models\Deadline;
use App\Models\Programme;
use App\Models\Site;
use App\Models\User;
use App\Models\Vehicle;
use Carbon\CarbonImmutable;

/** Who works when, what is promised to whom, and the first plan of the weeks. */
final class Diary
{
    private const PROGRAMMES = [
        ['name' => 'Every week, for those who work', 'cadence_min' => 3, 'cadence_target' => 7, 'cadence_max' => 12, 'salt_target' => 6, 'topper_weeks' => null, 'decon_days' => 90],
        ['name' => 'Fortnight, topper by forecast', 'cadence_min' => 7, 'cadence_target' => 14, 'cadence_max' => 28, 'salt_target' => 11, 'topper_weeks' => null, 'decon_days' => 180],
        ['name' => 'Three weeks, topper every eighth', 'cadence_min' => 10, 'cadence_target' => 21, 'cadence_max' => 35, 'salt_target' => 18, 'topper_weeks' => 8, 'decon_days' => 180],
    ];

    private const FOLLOW = [
        ['Taxi seven', 'Taxi nine'],
        ['Dagny’s red hatch', 'Doctor’s estate', 'Bakery van', 'Harbour pilot’s coupé'],
        ['Ferrymaster’s saloon', 'Schoolteacher’s hatch'],
    ];

    /** Days from today, with what is asked: the funeral director's services, a fair, a sailing. */
    private const DEADLINES = [
        ['Hearse', 9, 1, 'Service at Norhaven'], ['Limousine one', 9, 1, 'Service at Norhaven'], ['Hearse', 23, 1, 'Service at Skarn'], ['Limousine one', 23, 1, 'Service at Skarn'], ['Limousine two', 23, 1, 'Service at Skarn'],
        ['The ivory tourer', 18, 2, 'Wedding fair'], ['Shuttle Borealis', 27, 3, 'The company’s open day'],
    ];

    public function __construct(
        private readonly User $owner,
        private readonly ReplanWeeks $replanWeeks,
    ) {}

    /** @param array<string, Vehicle> $vehicles  by name */
    public function load(CarbonImmutable $today, array $vehicles): void
    {
        $on = static fn(int $days): string => $today->addDays($days)->toDateString();
        $both = Crew::query()->create(['name' => 'Rhona and Tam', 'minutes' => [1 => 420, 2 => 420, 4 => 420, 5 => 360]]);
        $alone = Crew::query()->create(['name' => 'Tam alone', 'minutes' => [3 => 330, 6 => 240]]);
        CrewDay::query()->create(['crew_id' => $both->id, 'on' => $on(13), 'minutes' => 0, 'note' => 'Rhona at the dentist’s on the mainland']);
        foreach (self::PROGRAMMES as $i => $facts) {
            $programme = Programme::query()->create($facts);
            foreach (self::FOLLOW[$i] as $name) {
                $vehicles[$name]->refresh()->update(['programme_id' => $programme->id, ...$programme->rhythm()]);
            }
        }
        foreach (['The vet’s pickup', 'Shuttle Arctica', 'Shuttle Borealis', 'Shuttle Corrie', 'Our van'] as $name) {
            $vehicles[$name]->refresh()->update(['decon_days' => 120]);
        }
        foreach (self::DEADLINES as [$name, $days, $within, $note]) {
            Deadline::query()->create(['vehicle_id' => $vehicles[$name]->id, 'on' => $on($days), 'within_days' => $within, 'note' => $note]);
        }
        $yard = Site::query()->findOrFail($vehicles['Shuttle Arctica']->site_id);
        $yard->update(['by_register' => true]);
        $yard->admissions()->createMany([['crew_id' => $both->id, 'person' => 'Rhona Skarne'], ['crew_id' => $both->id, 'person' => 'Tam Ostrey', 'valid_until' => $on(41)], ['crew_id' => $alone->id, 'person' => 'Tam Ostrey', 'valid_until' => $on(41)]]);
        Closure::query()->create(['vehicle_id' => $vehicles['Mobile library']->id, 'from_on' => $on(15), 'to_on' => $on(19), 'note' => 'On the outer isles']);
        Closure::query()->create(['site_id' => $vehicles['Observatory estate']->site_id, 'from_on' => $on(10), 'to_on' => $on(12), 'note' => 'Observing nights, the road is shut']);
        Closure::query()->create(['from_on' => $on(30), 'to_on' => $on(32), 'note' => 'Nobody works']);
        ($this->replanWeeks)('First plan', $this->owner);
    }
}
