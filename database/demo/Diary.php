<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Book\Crew;
use App\Book\CrewDay;
use App\Book\Programme;
use App\Book\Site;
use App\Book\Vehicle;
use App\Money\Price;
use App\Money\QuoteYear;
use App\Tenancy\Membership;
use App\Tenancy\User;
use App\Tenancy\Workspace;
use App\Weeks\Closure;
use App\Weeks\Deadline;
use App\Weeks\ReplanWeeks;
use Carbon\CarbonImmutable;
use Vicissa\Core\Matching\Body;
use Vicissa\Core\Says\Said;

/** Who works when, what is promised to whom, and the first plan of the weeks. */
final class Diary
{
    private const PROGRAMMES = [
        [
            'name' => 'Every week, for those who work',
            'cadence_min' => 3,
            'cadence_target' => 7,
            'cadence_max' => 12,
            'salt_target' => 6,
            'topper_weeks' => null,
            'decon_days' => 90,
            'scope' => 'quick',
            'full_every' => 4,
        ],
        [
            'name' => 'Fortnight, topper by forecast',
            'cadence_min' => 7,
            'cadence_target' => 14,
            'cadence_max' => 28,
            'salt_target' => 11,
            'topper_weeks' => null,
            'decon_days' => 180,
        ],
        [
            'name' => 'Three weeks, topper every eighth',
            'cadence_min' => 10,
            'cadence_target' => 21,
            'cadence_max' => 35,
            'salt_target' => 18,
            'topper_weeks' => 8,
            'decon_days' => 180,
        ],
    ];

    private const FOLLOW = [
        ['Taxi seven', 'Taxi nine'],
        ['Dagny’s red hatch', 'Doctor’s estate', 'Bakery van', 'Harbour pilot’s coupé'],
        ['Ferrymaster’s saloon', 'Schoolteacher’s hatch'],
    ];

    /** Days from today, with what is asked: the funeral director's services, a fair, a sailing. */
    private const DEADLINES = [
        ['Hearse', 9, 1, 'Service at Norhaven'],
        ['Limousine one', 9, 1, 'Service at Norhaven'],
        ['Hearse', 23, 1, 'Service at Skarn'],
        ['Limousine one', 23, 1, 'Service at Skarn'],
        ['Limousine two', 23, 1, 'Service at Skarn'],
        ['The ivory tourer', 18, 2, 'Wedding fair'],
        ['Shuttle Borealis', 27, 3, 'The company’s open day'],
    ];

    public function __construct(
        private readonly User $owner,
        private readonly ReplanWeeks $replanWeeks,
        private readonly QuoteYear $quoteYear,
    ) {}

    /** What things cost on the isles, and what is asked: a list for all, and less for those who come every week. */
    private function prices(): void
    {
        $workspace = Workspace::query()->findOrFail($this->owner->memberships()->firstOrFail()->workspace_id);
        $workspace->update([
            'rates' => [
                'currency' => 'sk',
                'labour_minor_h' => 2400,
                'travel_minor_min' => 18,
                'water_minor_m3' => 380,
                'resin_minor_l' => 1350,
                'launder_minor' => 15,
                'towel_minor' => 400,
                'margin_percent' => 35,
            ],
        ]);
        $weekly = Programme::query()->where('name', self::PROGRAMMES[0]['name'])->firstOrFail();
        foreach (
            [
                'small' => 7200,
                'hatch' => 7800,
                'saloon' => 8600,
                'estate' => 9200,
                'tourer' => 9800,
                'suv' => 10200,
                'pickup' => 10800,
                'van' => 11800,
                'limousine' => 12400,
                'minibus' => 13600,
                'horsebox' => 22500,
                'coach' => 31000,
            ]
            as $body => $minor
        ) {
            if (Body::tryFrom($body) === null) {
                continue;
            }
            Price::query()->create(['body' => $body, 'kind' => 'wash', 'minor' => $minor]);
            Price::query()->create([
                'body' => $body,
                'kind' => 'topper',
                'minor' => (int) (round($minor * 0.0028) * 100),
            ]);
            Price::query()->create([
                'body' => $body,
                'kind' => 'decon',
                'minor' => (int) (round($minor * 0.006) * 100),
            ]);
            Price::query()->create([
                'body' => $body,
                'kind' => 'wash',
                'programme_id' => $weekly->id,
                'minor' => (int) (round($minor * 0.0088) * 100),
            ]);
        }
    }

    /** @param array<string, Vehicle> $vehicles  by name */
    public function load(CarbonImmutable $today, array $vehicles): void
    {
        $on = static fn(int $days): string => $today->addDays($days)->toDateString();
        // In the order they joined: Rhona, then Tam.
        $members = array_values(
            Membership::query()->orderBy('created_at')->orderByRaw("role = 'owner' desc")->pluck('user_id')->all(),
        );
        $both = Crew::query()->create([
            'name' => 'Rhona and Tam',
            'people' => 2,
            'members' => $members,
            'minutes' => [1 => 420, 2 => 420, 4 => 420, 5 => 360],
        ]);
        $alone = Crew::query()->create([
            'name' => 'Tam alone',
            'members' => array_slice($members, 1),
            'minutes' => [3 => 330, 6 => 240],
        ]);
        CrewDay::query()->create([
            'crew_id' => $both->id,
            'on' => $on(13),
            'minutes' => 0,
            'note' => 'Rhona at the dentist’s on the mainland',
        ]);
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
            Deadline::query()->create([
                'vehicle_id' => $vehicles[$name]->id,
                'on' => $on($days),
                'within_days' => $within,
                'note' => $note,
            ]);
        }
        $yard = Site::query()->findOrFail($vehicles['Shuttle Arctica']->site_id);
        $yard->update(['by_register' => true]);
        $yard
            ->admissions()
            ->createMany([
                ['crew_id' => $both->id, 'person' => 'Rhona Skarne'],
                ['crew_id' => $both->id, 'person' => 'Tam Ostrey', 'valid_until' => $on(41)],
                ['crew_id' => $alone->id, 'person' => 'Tam Ostrey', 'valid_until' => $on(41)],
            ]);
        Closure::query()->create([
            'vehicle_id' => $vehicles['Mobile library']->id,
            'from_on' => $on(15),
            'to_on' => $on(19),
            'note' => 'On the outer isles',
        ]);
        Closure::query()->create([
            'site_id' => $vehicles['Observatory estate']->site_id,
            'from_on' => $on(10),
            'to_on' => $on(12),
            'note' => 'Observing nights, the road is shut',
        ]);
        $this->prices();
        Closure::query()->create(['from_on' => $on(30), 'to_on' => $on(32), 'note' => 'Nobody works']);
        ($this->replanWeeks)(Said::of('plan.first'), $this->owner);
        $shuttles = [$vehicles['Shuttle Arctica'], $vehicles['Shuttle Borealis'], $vehicles['Shuttle Corrie']];
        ($this->quoteYear)($this->owner, [
            'title' => 'The shuttles, a year',
            'client_id' => $shuttles[0]->client_id,
            'vehicles' => array_map(static fn(Vehicle $vehicle): array => ['vehicle_id' => $vehicle->id], $shuttles),
        ]);
    }
}
