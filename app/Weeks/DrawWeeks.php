<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Bench\BriefVisits;
use App\Book\Crew;
use App\Book\PlannedVisit;
use App\Book\Site;
use App\Book\Vehicle;
use Illuminate\Support\Collection;
use stdClass;
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
 *
 * @phpstan-type Planned array{id: string, vehicle_id: string, crew_id: string, on: string, kinds: list<string>,
 *     scope: string, locked: bool}
 * @phpstan-type Near array{minutes: int, nine_in_ten: int|null, pace: Pace, problem: Said|null}
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
        $rows = self::planned($instance->start);
        $visits = $this->replanWeeks->visits(
            array_map(
                static fn(array $row): array => [
                    'vehicle' => $row['vehicle_id'],
                    'date' => $row['on'],
                    'crew' => $row['crew_id'],
                    'kinds' => $row['kinds'],
                    'locked' => $row['locked'],
                ],
                $rows,
            ),
            $instance,
        );
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
        $near = $this->near($rows, $weeks);
        $of = [];
        foreach ($visits as $visit) {
            $of[$visit->crew][] = $visit;
        }

        return [
            'start' => Day::date($instance->start),
            'days' => $instance->days,
            'crews' => array_map(
                fn(PlanCrew $crew): array => [
                    'id' => $crew->id,
                    'name' => $crews[$crew->id] ?? '',
                    'people' => $crew->people,
                    'days' => $this->load($instance, $crew, $of[$crew->id] ?? [], $vehicles, $sites->all(), $near),
                ],
                $instance->crews,
            ),
            'weather' => self::weather($instance),
            'vehicles' => array_map(
                static fn(PlanVehicle $vehicle): array => [
                    ...self::vehicle($instance, $vehicle),
                    'name' => $weeks->name($vehicle->id),
                    'client' => $clients[$vehicle->id] ?? null,
                    'site_id' => $sites->has($vehicle->site) ? $vehicle->site : null,
                    'site' => $sites[$vehicle->site] ?? null,
                    'says' => $weeks->unworkable[$vehicle->id] ?? null,
                ],
                $instance->vehicles,
            ),
            'visits' => self::visits($rows, $instance, $vehicles, $near, $proposals),
            'wishes' => self::wishes($proposals, $rows),
            'unmet' =>
                $rows === []
                    ? []
                    : array_map(
                        static fn(Unmet $one): array => [
                            'vehicle_id' => $one->vehicle,
                            'vehicle' => $weeks->name($one->vehicle),
                            'what' => $one->what,
                            'why' => $one->why,
                        ],
                        Reasons::of($instance, $visits),
                    ),
            'cost' => round($cost->total, 1),
            'stay' => $instance->rules->stay,
            'plan' => $plan === null ? null : $this->plan($plan, $weeks),
            'run' => $run === null ? null : $run->only(['id', 'status', 'progress', 'says']),
        ];
    }

    /**
     * What is planned from a day on, by days. Thousands of them: no models.
     *
     * @return list<Planned>
     */
    private static function planned(int $from): array
    {
        return array_values(
            PlannedVisit::query()
                ->where('on', '>=', Day::date($from))
                ->orderBy('on')
                ->orderBy('vehicle_id')
                ->orderBy('id')
                ->toBase()
                ->get(['id', 'vehicle_id', 'crew_id', 'on', 'kinds', 'scope', 'locked'])
                ->map(
                    static fn(stdClass $row): array => [
                        'id' => (string) $row->id,
                        'vehicle_id' => (string) $row->vehicle_id,
                        'crew_id' => (string) $row->crew_id,
                        'on' => (string) $row->on,
                        'kinds' => json_decode((string) $row->kinds, true, flags: JSON_THROW_ON_ERROR),
                        'scope' => (string) $row->scope,
                        'locked' => (bool) $row->locked,
                    ],
                )
                ->all(),
        );
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
     * @param list<Planned> $rows
     * @param array<string, PlanVehicle> $vehicles
     * @param array<string, Near> $near
     * @param Collection<int, Proposal> $proposals
     * @return list<Told<'WeeksVisit'>>
     */
    private static function visits(
        array $rows,
        Instance $instance,
        array $vehicles,
        array $near,
        Collection $proposals,
    ): array {
        $people = array_map(static fn(PlanCrew $crew): int => $crew->people, $instance->crewsById());
        $asked = $proposals->keyBy(static fn(Proposal $one): string => "{$one->visit_id} {$one->on->toDateString()}");
        $visits = [];
        foreach ($rows as $row) {
            $vehicle = $vehicles[$row['vehicle_id']] ?? null;
            if ($vehicle === null) {
                continue;
            }
            $own = $near["{$vehicle->id} {$row['on']}"] ?? null;
            $visits[] = [
                ...$row,
                'minutes' =>
                    $own['minutes'] ?? $vehicle->minutesFor(Kind::bits($row['kinds']), $people[$row['crew_id']] ?? 1),
                'nine_in_ten' => $own['nine_in_ten'] ?? null,
                'problem' => $own['problem'] ?? null,
                'proposed' => $asked["{$row['id']} {$row['on']}"]->status ?? null,
            ];
        }

        return $visits;
    }

    /**
     * @param Collection<int, Proposal> $proposals
     * @param list<Planned> $rows
     * @return list<Told<'WeeksWish'>> other days that clients have asked for, of visits as they stand
     */
    private static function wishes(Collection $proposals, array $rows): array
    {
        $days = array_column($rows, 'on', 'id');

        return array_values(
            $proposals
                ->where('status', 'asked')
                ->filter(static fn(Proposal $one): bool => ($days[$one->visit_id] ?? '') === $one->on->toDateString())
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

    /** @return Told<'WeeksPlan'> */
    private function plan(Plan $plan, Weeks $weeks): array
    {
        return [
            'id' => $plan->id,
            'made_at' => $plan->made_at->toIso8601ZuluString(),
            'why' => $plan->why,
            'cost' => round($plan->cost, 1),
            'bound' => round($plan->bound, 1),
            'moves' => $this->moves($plan, $weeks),
        ];
    }

    /**
     * @param list<Visit> $visits  of this crew
     * @param array<string, PlanVehicle> $vehicles
     * @param array<array-key, mixed> $places  names by id
     * @param array<string, Near> $near
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
     * @param list<Planned> $rows  by their days
     * @return array<string, Near> by vehicle and date
     */
    private function near(array $rows, Weeks $weeks): array
    {
        $until = Day::date($weeks->instance->start + self::NEAR_DAYS);
        $visits = [];
        foreach ($rows as $row) {
            $vehicle = $weeks->vehicles[$row['vehicle_id']] ?? null;
            if ($row['on'] >= $until) {
                break;
            }
            if ($vehicle !== null) {
                $visits[] = [$vehicle, $row['on']];
            }
        }

        return ($this->briefVisits)($visits, $weeks->atHand);
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
     * @return list<array{vehicle: string, gone: list<string>, new: list<string>}>
     */
    private function moves(Plan $plan, Weeks $weeks): array
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
                $moves[] = ['vehicle' => $weeks->name($vehicle), 'gone' => $gone, 'new' => $new];
            }
        }

        return array_slice($moves, 0, self::TOLD);
    }
}
