<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Bench\AtHand;
use App\Bench\BriefVisits;
use App\Book\Crew;
use App\Book\PlannedVisit;
use App\Book\Site;
use App\Book\Vehicle;
use Illuminate\Support\Collection;
use Vicissa\Core\Planning\Cost;
use Vicissa\Core\Planning\Cycle;
use Vicissa\Core\Planning\Day;
use Vicissa\Core\Planning\Instance;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Planning\Parts;
use Vicissa\Core\Planning\PlacedVisit as Visit;
use Vicissa\Core\Planning\PlanCrew;
use Vicissa\Core\Planning\PlanVehicle;
use Vicissa\Core\Planning\Reasons;
use Vicissa\Core\Planning\Unmet;
use Vicissa\Core\Says\Said;
use Vicissa\Core\Visit\Pace;

/**
 * The weeks as they stand: who goes where on which day, how full the days are, what can't be met, weighed by the facts
 * of now.
 */
final readonly class DrawWeeks
{
    /** Visits of so many days are laid out for their own day; the weather says little of later ones. */
    public const NEAR_DAYS = 14;

    /** Moves of the newest plan that are told one by one. */
    private const TOLD = 40;

    public function __construct(
        private GatherWeeks $gatherWeeks,
        private ReplanWeeks $replanWeeks,
        private BriefVisits $briefVisits,
    ) {}

    /** @return Told<'Weeks'> */
    public function __invoke(): array
    {
        $weeks = ($this->gatherWeeks)();
        $instance = $weeks->instance;
        $rows = PlannedVisit::query()
            ->where('on', '>=', Day::date($instance->start))
            ->orderBy('on')
            ->orderBy('id')
            ->get();
        $visits = $this->replanWeeks->visits($this->replanWeeks->standing(), $instance);
        $vehicles = [];
        foreach ($instance->vehicles as $vehicle) {
            $vehicles[$vehicle->id] = $vehicle;
        }
        $visits = array_values(
            array_filter($visits, static fn(Visit $visit): bool => isset($vehicles[$visit->vehicle])),
        );
        $cost = Cost::of($instance, $visits);
        $plan = Plan::query()->whereNull('undone_at')->orderByDesc('made_at')->orderByDesc('id')->first();
        $run = PlanRun::query()->orderByDesc('asked_at')->orderByDesc('id')->first();
        $crews = Crew::query()->whereNull('archived_at')->pluck('name', 'id');
        $sites = Site::query()->pluck('name', 'id');
        $clients = Vehicle::query()
            ->join('clients', 'clients.id', '=', 'vehicles.client_id')
            ->whereNull('vehicles.archived_at')
            ->pluck('clients.name', 'vehicles.id');

        $proposals = Proposal::query()
            ->with('vehicle:id,name')
            ->where('on', '>=', Day::date($instance->start))
            ->orderBy('on')
            ->get();
        $near = $this->near($rows, $instance->start, $weeks->atHand);

        return [
            'start' => Day::date($instance->start),
            'days' => $instance->days,
            'crews' => array_map(
                fn(PlanCrew $crew): array => [
                    'id' => $crew->id,
                    'name' => $crews[$crew->id] ?? '',
                    'people' => $crew->people,
                    'days' => $this->load($instance, $crew, $visits, $vehicles, $sites->all(), $near),
                ],
                $instance->crews,
            ),
            'weather' => self::weather($instance),
            'vehicles' => array_map(
                static fn(PlanVehicle $vehicle): array => [
                    ...self::vehicle($instance, $vehicle),
                    'name' => $weeks->names[$vehicle->id] ?? '',
                    'client' => $clients[$vehicle->id] ?? null,
                    'site_id' => $sites->has($vehicle->site) ? $vehicle->site : null,
                    'site' => $sites[$vehicle->site] ?? null,
                    'says' => $weeks->unworkable[$vehicle->id] ?? null,
                ],
                $instance->vehicles,
            ),
            'visits' => self::visits($rows, $instance, $vehicles, $near, $proposals),
            'wishes' => self::wishes($proposals, $rows),
            'unmet' => $rows->isEmpty()
                ? []
                : array_map(
                    static fn(Unmet $one): array => [
                        'vehicle_id' => $one->vehicle,
                        'vehicle' => $weeks->names[$one->vehicle] ?? '',
                        'what' => $one->what,
                        'why' => $one->why,
                    ],
                    Reasons::of($instance, $visits),
                ),
            'cost' => round($cost->total, 1),
            'stay' => $instance->rules->stay,
            'plan' => $plan === null ? null : $this->plan($plan, $weeks->names),
            'run' => $run === null ? null : $run->only(['id', 'status', 'progress', 'says']),
        ];
    }

    /** @return list<array{on: string, wash: string, topper: string}> of the days whose weather is known */
    private static function weather(Instance $instance): array
    {
        return array_map(
            static fn(int $day): array => [
                'on' => Day::date($day),
                'wash' => $instance->sky($day)->wash ? ($instance->sky($day)->poor ? 'poor' : 'ok') : 'no',
                'topper' => $instance->sky($day)->topper ? 'ok' : 'no',
            ],
            array_keys($instance->sky),
        );
    }

    /** @return Told<'WeeksVehicle', 'name'|'client'|'site_id'|'site'|'says'> as it is planned */
    private static function vehicle(Instance $instance, PlanVehicle $vehicle): array
    {
        return [
            'id' => $vehicle->id,
            'minutes' => [
                'wash' => $vehicle->minutes['wash'],
                'topper' => $vehicle->minutes['topper'],
                'decon' => $vehicle->minutes['decon'],
                'inspection' => $vehicle->minutes['inspection'] ?? 0,
                'base' => $vehicle->minutes['base'] ?? 0,
            ],
            'min' => $vehicle->min,
            'target' => $vehicle->target,
            'max' => $vehicle->max,
            'last_on' => Day::date($vehicle->lastWash),
            'topper' => self::cycle($vehicle->topper),
            'decon' => self::cycle($vehicle->decon),
            'inspection' => self::cycle($vehicle->inspection),
            'base' => self::cycle($vehicle->base),
            'deadlines' => array_map(
                static fn(array $window): array => [
                    'from' => Day::date($window[0]),
                    'on' => Day::date($window[1]),
                ],
                $vehicle->deadlines,
            ),
            'closed' => array_values(
                array_map(
                    Day::date(...),
                    array_filter(
                        array_keys($vehicle->closed + $instance->siteOf($vehicle)->closed),
                        static fn(int $day): bool => $day >= $instance->start && $day < $instance->end,
                    ),
                ),
            ),
        ];
    }

    /**
     * @param Collection<int, PlannedVisit> $rows
     * @param array<string, PlanVehicle> $vehicles
     * @param array<string, array{minutes: int, nine_in_ten: int|null, pace: Pace, problem: Said|null}> $near by
     *     vehicle and date
     * @param Collection<int, Proposal> $proposals
     * @return list<Told<'WeeksVisit'>>
     */
    private static function visits(
        Collection $rows,
        Instance $instance,
        array $vehicles,
        array $near,
        Collection $proposals,
    ): array {
        $people = array_map(static fn(PlanCrew $crew): int => $crew->people, $instance->crewsById());
        $asked = $proposals->keyBy(static fn(Proposal $one): string => $one->visit_id . ' ' . $one->on->toDateString());

        return array_values(
            $rows
                ->filter(static fn(PlannedVisit $visit): bool => isset($vehicles[$visit->vehicle_id]))
                ->map(
                    static fn(PlannedVisit $visit): array => [
                        'id' => $visit->id,
                        'vehicle_id' => $visit->vehicle_id,
                        'crew_id' => $visit->crew_id,
                        'on' => $visit->on->toDateString(),
                        'kinds' => $visit->kinds,
                        'scope' => $visit->scope,
                        'locked' => $visit->locked,
                        'minutes' =>
                            $near["{$visit->vehicle_id} {$visit->on->toDateString()}"]['minutes'] ??
                            $vehicles[$visit->vehicle_id]->minutesFor(
                                Kind::bits($visit->kinds),
                                $people[$visit->crew_id] ?? 1,
                            ),
                        'nine_in_ten' =>
                            $near["{$visit->vehicle_id} {$visit->on->toDateString()}"]['nine_in_ten'] ?? null,
                        'problem' => $near["{$visit->vehicle_id} {$visit->on->toDateString()}"]['problem'] ?? null,
                        'proposed' => $asked[$visit->id . ' ' . $visit->on->toDateString()]->status ?? null,
                    ],
                )
                ->all(),
        );
    }

    /**
     * @param Collection<int, Proposal> $proposals
     * @param Collection<int, PlannedVisit> $rows
     * @return list<Told<'WeeksWish'>> other days that clients have asked for, of visits as they stand
     */
    private static function wishes(Collection $proposals, Collection $rows): array
    {
        return array_values(
            $proposals
                ->where('status', 'asked')
                ->filter(
                    static fn(Proposal $one): bool => $rows->contains(
                        static fn(PlannedVisit $visit): bool => $visit->id === $one->visit_id &&
                            $visit->on->toDateString() === $one->on->toDateString(),
                    ),
                )
                ->map(
                    static fn(Proposal $one): array => [
                        'visit_id' => $one->visit_id,
                        'vehicle' => $one->vehicle->name ?? '',
                        'on' => $one->on->toDateString(),
                        'wish_on' => $one->wish_on?->toDateString(),
                        'wish' => $one->wish,
                    ],
                )
                ->all(),
        );
    }

    /**
     * @param array<string, string> $names
     * @return Told<'WeeksPlan'>
     */
    private function plan(Plan $plan, array $names): array
    {
        return [
            'id' => $plan->id,
            'made_at' => $plan->made_at->toIso8601ZuluString(),
            'why' => $plan->why,
            'cost' => round($plan->cost, 1),
            'bound' => round($plan->bound, 1),
            'moves' => $this->moves($plan, $names),
        ];
    }

    /**
     * @param list<Visit> $visits
     * @param array<string, PlanVehicle> $vehicles
     * @param array<array-key, mixed> $places  names by id
     * @param array<string, array{minutes: int, nine_in_ten: int|null, pace: Pace, problem: Said|null}> $near by
     *     vehicle and date
     * @return list<array{on: string, minutes: int, work: int, travel: int, in_ten: int,
     *     trips: list<array{place: string|null, travel: int, visits: list<array{vehicle_id: string, minutes: int}>}>}>
     */
    private function load(
        Instance $instance,
        PlanCrew $crew,
        array $visits,
        array $vehicles,
        array $places,
        array $near,
    ): array {
        $trips = $paces = [];
        foreach ($visits as $visit) {
            if ($visit->crew === $crew->id) {
                $vehicle = $vehicles[$visit->vehicle];
                $place = $places[$vehicle->site] ?? null;
                $one = $near["{$visit->vehicle} " . Day::date($visit->day)] ?? null;
                foreach (
                    Parts::of($instance, $vehicle, $crew, $visit->day, $visit->bits) ?? [
                        ['day' => $visit->day, 'minutes' => $vehicle->minutesFor($visit->bits, $crew->people)],
                    ]
                    as $i => $part
                ) {
                    // In one piece it is laid out for its own day; over several days it is shared out as the plan has
                    // it.
                    $minutes =
                        $one !== null &&
                        $i === 0 &&
                        $one['minutes'] <= ($crew->minutes[$part['day']] ?? 0) + $instance->rules->overtimeMost
                            ? $one['minutes']
                            : $part['minutes'];
                    $trips[$part['day']][$vehicle->site] ??= [
                        'place' => is_string($place) ? $place : null,
                        'travel' => $instance->siteOf($vehicle)->hopMin,
                        'visits' => [],
                    ];
                    $trips[$part['day']][$vehicle->site]['visits'][] = [
                        'vehicle_id' => $vehicle->id,
                        'minutes' => $minutes,
                    ];
                    $paces[$part['day']][] = ['minutes' => (float) $minutes, 'pace' => $one['pace'] ?? new Pace()];
                }
            }
        }
        $days = [];
        foreach (array_unique([...array_keys($crew->minutes), ...array_keys($trips)]) as $day) {
            $of = array_values($trips[$day] ?? []);
            $days[$day] = [
                'on' => Day::date($day),
                'minutes' => $crew->minutes[$day] ?? 0,
                'work' => array_sum(
                    array_map(static fn(array $trip): int => array_sum(array_column($trip['visits'], 'minutes')), $of),
                ),
                'travel' => array_sum(array_column($of, 'travel')),
                'in_ten' =>
                    (int) round(Pace::dayNineInTen($paces[$day] ?? [])) + array_sum(array_column($of, 'travel')),
                'trips' => $of,
            ];
        }
        ksort($days);

        return array_values($days);
    }

    /**
     * @param Collection<int, PlannedVisit> $rows
     * @return array<string, array{minutes: int, nine_in_ten: int|null, pace: Pace, problem: Said|null}> by vehicle
     *     and date
     */
    private function near(Collection $rows, int $start, AtHand $atHand): array
    {
        $until = Day::date($start + self::NEAR_DAYS);
        $vehicles = Vehicle::query()
            ->with(['site', 'standing.forecast'])
            ->whereIn('id', $rows->pluck('vehicle_id')->unique()->all())
            ->get()
            ->keyBy('id');
        $visits = [];
        foreach ($rows as $row) {
            $vehicle = $vehicles->get($row->vehicle_id);
            if ($vehicle !== null && $row->on->toDateString() < $until) {
                $visits[] = [$vehicle, $row->on->toDateString()];
            }
        }

        return ($this->briefVisits)($visits, $atHand);
    }

    /** @return array{from: string, due: string, late: string|null}|null */
    private static function cycle(?Cycle $cycle): ?array
    {
        return $cycle === null
            ? null
            : [
                'from' => Day::date($cycle->from),
                'due' => Day::date($cycle->due),
                'late' => $cycle->late === null ? null : Day::date($cycle->late),
            ];
    }

    /**
     * What the newest plan changed, vehicle by vehicle.
     *
     * @param array<string, string> $names
     * @return list<array{vehicle: string, gone: list<string>, new: list<string>}>
     */
    private function moves(Plan $plan, array $names): array
    {
        $by = static function (array $visits): array {
            $days = [];
            foreach ($visits as $visit) {
                $days[$visit['vehicle']][] =
                    $visit['date'] .
                    ($visit['kinds'] === ['wash'] ? '' : ' ' . implode(' ', array_slice($visit['kinds'], 1)));
            }

            return $days;
        };
        [$before, $after] = [$by($plan->before), $by($plan->after)];
        $moves = [];
        foreach ($before === [] ? [] : array_unique([...array_keys($before), ...array_keys($after)]) as $vehicle) {
            $gone = array_values(array_diff($before[$vehicle] ?? [], $after[$vehicle] ?? []));
            $new = array_values(array_diff($after[$vehicle] ?? [], $before[$vehicle] ?? []));
            if ($gone !== [] || $new !== []) {
                $moves[] = ['vehicle' => $names[$vehicle] ?? '', 'gone' => $gone, 'new' => $new];
            }
        }

        return array_slice($moves, 0, self::TOLD);
    }
}
