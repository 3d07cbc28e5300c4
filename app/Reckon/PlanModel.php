<?php

declare(strict_types=1);

namespace App\Reckon;

use Vicissa\Core\Planning\Cycle;
use Vicissa\Core\Planning\Day;
use Vicissa\Core\Planning\FoundPlan;
use Vicissa\Core\Planning\Instance;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Planning\PlacedVisit;
use Vicissa\Core\Planning\PlanCrew;
use Vicissa\Core\Planning\Planner;
use Vicissa\Core\Planning\PlanRules;
use Vicissa\Core\Planning\PlanSite;
use Vicissa\Core\Planning\PlanVehicle;
use Vicissa\Core\Planning\Sky;
use Vicissa\Core\Planning\Unmet;
use Vicissa\Core\Says\Said;

/** `plan`: the weeks (domain §14.14). */
final readonly class PlanModel implements Model
{
    /**
     * @param float|null $seconds  how long may be searched, where somebody waits at the other end of a request; what is
     *     light is found to its end before that, and answered alike everywhere
     */
    public function __construct(private ?float $seconds = null) {}

    public function name(): string
    {
        return 'plan';
    }

    /** @return Told<'ReckonPlan'> */
    public function reckon(Input $input): array
    {
        $instance = self::instance($input);
        $before = self::before($input, $instance);

        $begun = hrtime(true);
        $goesOn =
            $this->seconds === null ? null : fn(float $share): bool => hrtime(true) - $begun < 1e9 * $this->seconds;

        return self::answer(
            $before === null
                ? Planner::plan($instance, told: $goesOn)
                : Planner::again($instance, $before, $input->numberOrNull('stay'), told: $goesOn),
        );
    }

    /** @return list<PlacedVisit>|null the standing plan; null where none is given */
    private static function before(Input $input, Instance $instance): ?array
    {
        if (!$input->has('before')) {
            return null;
        }
        [$vehicles, $crews] = [$instance->byId(), $instance->crewsById()];

        return array_map(static function (Input $visit) use ($vehicles, $crews): PlacedVisit {
            [$vehicle, $crew] = [$visit->text('vehicle'), $visit->text('crew')];

            return new PlacedVisit(
                isset($vehicles[$vehicle])
                    ? $vehicle
                    : throw $visit->wrong('vehicle', Said::of('input.vehicle', id: $vehicle)),
                self::day($visit, 'date'),
                isset($crews[$crew]) ? $crew : throw $visit->wrong('crew', Said::of('input.crew', id: $crew)),
                array_sum(
                    array_map(
                        static fn(Kind $kind): int => $kind->bit(),
                        array_unique($visit->choices('kinds', Kind::class), SORT_REGULAR),
                    ),
                ),
            );
        }, $input->objects('before'));
    }

    public static function instance(Input $input): Instance
    {
        $crews = array_map(
            static fn(Input $crew): PlanCrew => new PlanCrew(
                $crew->text('id'),
                self::byDay($crew->object('minutes'), static fn(Input $of, string $date): int => $of->whole($date)),
                $crew->has('people') ? max(1, $crew->whole('people')) : 1,
            ),
            $input->objects('crews'),
        );
        $sky = self::byDay($input->objectOrEmpty('weather'), self::sky(...));
        $sites = array_map(
            static fn(Input $site): PlanSite => new PlanSite(
                $site->text('id'),
                $site->whole('hop_min'),
                self::days($site, 'closed'),
                self::barred($site),
                $site->has('papers_until') ? self::day($site, 'papers_until') : null,
                $site->flag('bay', false),
            ),
            $input->objects('sites'),
        );

        return new Instance(
            self::day($input, 'start'),
            $input->whole('days'),
            $crews,
            $sky,
            $sites,
            array_map(self::vehicle(...), $input->objects('vehicles')),
            self::rules($input->objectOrEmpty('rules')),
        );
    }

    /** @return Told<'ReckonPlan'> */
    public static function answer(FoundPlan $plan): array
    {
        $cost = $plan->cost;
        $plain = static fn(float $value): float => round($value, 6);

        return [
            'visits' => array_map(
                static fn(PlacedVisit $visit): array => [
                    'vehicle' => $visit->vehicle,
                    'date' => Day::date($visit->day),
                    'crew' => $visit->crew,
                    'kinds' => array_map(static fn(Kind $kind): string => $kind->value, Kind::of($visit->bits)),
                ],
                $plan->visits,
            ),
            'unmet' => array_map(
                static fn(Unmet $one): array => ['vehicle' => $one->vehicle, 'what' => $one->what, 'why' => $one->why],
                $plan->unmet,
            ),
            'cost' => $plain($cost->total),
            'breakdown' => [
                'cadence' => $plain($cost->cadence),
                'topper' => $plain($cost->topper),
                'decon' => $plain($cost->decon),
                'weather' => $plain($cost->weather),
                'travel' => $plain($cost->travel),
                'overtime' => $plain($cost->overtime),
                'base' => $plain($cost->base),
            ],
            'bound' => $plain($plan->bound),
        ];
    }

    /** @return Told<'ReckonPlanInput'> the weeks as the model takes them, so that they can be planned again anywhere */
    public static function written(Instance $instance): array
    {
        $dates = static fn(array $days): array => array_map(Day::date(...), array_keys($days));
        $cycle = static fn(?Cycle $cycle): ?array => $cycle === null
            ? null
            : [
                'from' => Day::date($cycle->from),
                'due' => Day::date($cycle->due),
                'late' => $cycle->late === null ? null : Day::date($cycle->late),
                'repeat_days' => $cycle->repeat,
            ];
        $weather = [];
        foreach ($instance->sky as $day => $sky) {
            $weather[Day::date($day)] = [
                'wash' => $sky->wash ? ($sky->poor ? 'poor' : 'ok') : 'no',
                'topper' => $sky->topper ? 'ok' : 'no',
            ];
        }

        return [
            'start' => Day::date($instance->start),
            'days' => $instance->days,
            'crews' => array_map(
                static fn(PlanCrew $crew): array => [
                    'id' => $crew->id,
                    'people' => $crew->people,
                    'minutes' => (object) array_combine($dates($crew->minutes), array_values($crew->minutes)),
                ],
                $instance->crews,
            ),
            'weather' => (object) $weather,
            'rules' => self::ruled($instance->rules),
            'sites' => array_map(
                static fn(PlanSite $site): array => [
                    'id' => $site->id,
                    'hop_min' => $site->hopMin,
                    'closed' => $dates($site->closed),
                    'barred' => array_map(
                        static fn(string $crew, array $days): array => ['crew' => $crew, 'dates' => $dates($days)],
                        array_keys($site->barred),
                        array_values($site->barred),
                    ),
                    'papers_until' => $site->papersUntil === null ? null : Day::date($site->papersUntil),
                    'bay' => $site->bay,
                ],
                array_values($instance->sites),
            ),
            'vehicles' => array_map(
                static fn(PlanVehicle $v): array => [
                    'id' => $v->id,
                    'site' => $v->site,
                    'minutes' => $v->minutes,
                    'cadence' => ['min' => $v->min, 'target' => $v->target, 'max' => $v->max],
                    'last_wash' => Day::date($v->lastWash),
                    'topper' => $cycle($v->topper),
                    'decon' => $cycle($v->decon),
                    'inspection' => $cycle($v->inspection),
                    'base' => $cycle($v->base),
                    'each' => self::named($v->each),
                    'minutes_together' => (object) $v->together,
                    'may_stay' => $v->mayStay,
                    'spread' => round($v->spread, 6),
                    'common' => round($v->common, 6),
                    'closed' => $dates($v->closed),
                    'deadlines' => array_map(
                        static fn(array $window): array => [
                            'date' => Day::date($window[1]),
                            'within' => $window[1] - $window[0],
                        ],
                        $v->deadlines,
                    ),
                    'locks' => array_map(
                        static fn(int $day, int $bits): array => [
                            'date' => Day::date($day),
                            'kinds' => ['wash', ...self::named($bits)],
                        ],
                        array_keys($v->locks),
                        array_values($v->locks),
                    ),
                    'without' => array_map(
                        static fn(int $day, int $bits): array => [
                            'date' => Day::date($day),
                            'kinds' => self::named($bits),
                        ],
                        array_keys($v->without),
                        array_values($v->without),
                    ),
                ],
                $instance->vehicles,
            ),
        ];
    }

    /** Points other than the domain's; what is left out is as there. */
    private static function rules(Input $of): PlanRules
    {
        $plain = new PlanRules();
        $number = static fn(string $field, float $default): float => $of->numberOrNull($field) ?? $default;

        return new PlanRules(
            $number('off_target', $plain->offTarget),
            $number('beyond_max', $plain->beyondMax),
            [$number('topper_late', $plain->topper[0]), $number('topper_early', $plain->topper[1])],
            [$number('decon_late', $plain->decon[0]), $number('decon_early', $plain->decon[1])],
            [$number('base_late', $plain->base[0]), $number('base_early', $plain->base[1])],
            poorWeather: $number('poor_weather', $plain->poorWeather),
            travel: $number('travel', $plain->travel),
            overtime: $number('overtime', $plain->overtime),
            overtimeMost: (int) $number('overtime_most', (float) $plain->overtimeMost),
            holds: (int) $number('holds', (float) $plain->holds),
            stay: $number('stay', $plain->stay),
        );
    }

    /** @return array{off_target: float, beyond_max: float, topper_late: float, topper_early: float, decon_late: float,
     *     decon_early: float, base_late: float, base_early: float, poor_weather: float, travel: float, overtime: float,
     *     overtime_most: int, holds: int, stay: float} */
    private static function ruled(PlanRules $rules): array
    {
        return [
            'off_target' => $rules->offTarget,
            'beyond_max' => $rules->beyondMax,
            'topper_late' => $rules->topper[0],
            'topper_early' => $rules->topper[1],
            'decon_late' => $rules->decon[0],
            'decon_early' => $rules->decon[1],
            'base_late' => $rules->base[0],
            'base_early' => $rules->base[1],
            'poor_weather' => $rules->poorWeather,
            'travel' => $rules->travel,
            'overtime' => $rules->overtime,
            'overtime_most' => $rules->overtimeMost,
            'holds' => $rules->holds,
            'stay' => $rules->stay,
        ];
    }

    private static function vehicle(Input $vehicle): PlanVehicle
    {
        $minutes = $vehicle->object('minutes');
        $cadence = $vehicle->object('cadence');
        $deadlines = $locks = [];
        foreach ($vehicle->has('deadlines') ? $vehicle->objects('deadlines') : [] as $deadline) {
            $day = self::day($deadline, 'date');
            $deadlines[] = [$day - max(0, $deadline->whole('within')), $day];
        }
        foreach ($vehicle->has('locks') ? $vehicle->objects('locks') : [] as $lock) {
            [$day, $bits] = [self::day($lock, 'date'), self::bits($lock, 'kinds')];
            if (($locks[$day] ?? $bits) !== $bits) {
                throw $lock->wrong('kinds', Said::of('input.locks', on: Day::date($day)));
            }
            $locks[$day] = $bits;
        }
        $without = [];
        foreach ($vehicle->has('without') ? $vehicle->objects('without') : [] as $day) {
            $without[self::day($day, 'date')] = self::bits($day, 'kinds');
        }

        return new PlanVehicle(
            $vehicle->text('id'),
            $vehicle->text('site'),
            self::minutes($minutes),
            $cadence->whole('min'),
            $cadence->whole('target'),
            $cadence->whole('max'),
            self::day($vehicle, 'last_wash'),
            self::cycle($vehicle, 'topper'),
            self::cycle($vehicle, 'decon'),
            self::days($vehicle, 'closed'),
            $deadlines,
            $locks,
            self::cycle($vehicle, 'inspection'),
            self::cycle($vehicle, 'base'),
            $vehicle->has('each') ? self::bits($vehicle, 'each') : 0,
            self::together($vehicle),
            $vehicle->flag('may_stay', false),
            $without,
            $vehicle->numberOrNull('spread') ?? 0.0,
            $vehicle->numberOrNull('common') ?? 0.0,
        );
    }

    private static function bits(Input $of, string $field): int
    {
        return array_sum(
            array_map(
                static fn(Kind $kind): int => $kind->bit(),
                array_unique($of->choices($field, Kind::class), SORT_REGULAR),
            ),
        );
    }

    /** @return array{wash: int, topper: int, decon: int, inspection: int, base: int, recoat: int} */
    private static function minutes(Input $minutes): array
    {
        $of = static fn(string $kind): int => $minutes->has($kind) ? $minutes->whole($kind) : 0;

        return [
            'wash' => $minutes->whole('wash'),
            'topper' => $of('topper'),
            'decon' => $of('decon'),
            'inspection' => $of('inspection'),
            'base' => $of('base'),
            'recoat' => $of('recoat'),
        ];
    }

    /**
     * @return array<int, array{wash: int, topper: int, decon: int, inspection: int, base: int, recoat: int}> by how
     *     many work at it
     */
    private static function together(Input $vehicle): array
    {
        $all = $vehicle->objectOrEmpty('minutes_together');
        $of = [];
        foreach ($all->keys() as $people) {
            $of[(int) $people] = self::minutes($all->object((string) $people));
        }

        return $of;
    }

    /** @return list<string> kinds beside the wash */
    private static function named(int $bits): array
    {
        return array_map(static fn(Kind $kind): string => $kind->value, array_slice(Kind::of($bits), 1));
    }

    /** @return array<string, array<int, true>> */
    private static function barred(Input $site): array
    {
        $barred = [];
        foreach ($site->has('barred') ? $site->objects('barred') : [] as $one) {
            $barred[$one->text('crew')] = self::days($one, 'dates') + ($barred[$one->text('crew')] ?? []);
        }

        return $barred;
    }

    private static function cycle(Input $vehicle, string $field): ?Cycle
    {
        if (!$vehicle->has($field)) {
            return null;
        }
        $cycle = $vehicle->object($field);

        return new Cycle(
            self::day($cycle, 'from'),
            self::day($cycle, 'due'),
            $cycle->has('late') ? self::day($cycle, 'late') : null,
            $cycle->whole('repeat_days'),
        );
    }

    private static function sky(Input $weather, string $date): Sky
    {
        $of = $weather->object($date);
        $wash = $of->textOrNull('wash') ?? 'ok';
        $topper = $of->textOrNull('topper') ?? 'ok';
        if (!in_array($wash, ['ok', 'poor', 'no'], true)) {
            throw $of->wrong('wash', Said::of('input.weather-wash'));
        }
        if (!in_array($topper, ['ok', 'no'], true)) {
            throw $of->wrong('topper', Said::of('input.weather-topper'));
        }

        return new Sky($wash !== 'no', $wash === 'poor', $topper !== 'no');
    }

    private static function day(Input $input, string $field): int
    {
        return Day::number($input->at($field), $input->text($field));
    }

    /** @return array<int, true> */
    private static function days(Input $input, string $field): array
    {
        $days = [];
        foreach ($input->has($field) ? $input->items($field) : [] as $i => $date) {
            $days[Day::number($input->at("{$field}.{$i}"), is_string($date) ? $date : '')] = true;
        }

        return $days;
    }

    /**
     * @template T
     *
     * @param callable(Input, string): T $as
     * @return array<int, T>
     */
    private static function byDay(Input $of, callable $as): array
    {
        $days = [];
        foreach ($of->keys() as $date) {
            $days[Day::number($of->at((string) $date), (string) $date)] = $as($of, (string) $date);
        }

        return $days;
    }
}
