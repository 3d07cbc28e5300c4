<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Bench\GatherAtHand;
use App\Bench\ReckonMinutes;
use App\Book\Crew;
use App\Book\Layer;
use App\Book\PlannedVisit;
use App\Book\Site;
use App\Book\Vehicle;
use App\Record\TurnEntry;
use App\Record\TurnLog;
use App\Standins\Weather;
use App\Standins\WeatherHour;
use App\Tenancy\Tenancy;
use Carbon\CarbonImmutable;
use DateTimeInterface;
use DateTimeZone;
use Illuminate\Support\Carbon;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Matching\Turn\School;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Planning\Cycle;
use Vicissa\Core\Planning\Day;
use Vicissa\Core\Planning\Instance;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Planning\PlanCrew;
use Vicissa\Core\Planning\PlanSite;
use Vicissa\Core\Planning\PlanVehicle;
use Vicissa\Core\Planning\Sky;
use Vicissa\Core\Record\Foreseen;
use Vicissa\Core\Record\LoggedTurn;
use Vicissa\Core\Record\Rhythm;

/**
 * Everything the plan needs to know, from the book: who works when, what stands where, how long a vehicle takes, when its
 * topper, its decontamination and its deadlines fall. Queries don't grow with the vehicles.
 */
final readonly class GatherWeeks
{
    public const DAYS = 56;

    /** Beyond so many days a weather forecast says nothing. */
    private const WEATHER_DAYS = 10;

    /** Minutes of travel to a vehicle that has no place. */
    private const HOP_SOMEWHERE = 15;

    public function __construct(
        private Tenancy $tenancy,
        private ClockInterface $clock,
        private Weather $weather,
        private ReckonMinutes $reckonMinutes,
        private GatherAtHand $gatherAtHand,
        private JudgeDays $judgeDays,
    ) {}

    /** @param list<array{vehicle: string, date: string, crew: string, kinds: list<string>, locked: bool}>|null $standing  what counts as planned; the book's when left out */
    public function __invoke(?array $standing = null, int $days = self::DAYS): Weeks
    {
        $workspace = $this->tenancy->workspace();
        $today = CarbonImmutable::instance($this->clock->now())->setTimezone($workspace->time_zone)->startOfDay();
        // What is done today is done; the plan begins tomorrow.
        $start = Day::number('start', $today->addDay()->toDateString());
        $vehicles = Vehicle::query()->whereNull('archived_at')->orderBy('name')->orderBy('id')->get();
        $sites = Site::query()->with('admissions')->orderBy('id')->get();
        $closures = Closure::query()->where('to_on', '>', $today->toDateString())->get();
        $crews = $this->crews($start, $days, $closures->whereNull('vehicle_id')->whereNull('site_id'));
        /** @var list<string> $ids */
        $ids = $vehicles->modelKeys();
        $log = TurnLog::of($ids, $today->getTimestamp());
        $sizes = array_values(array_unique([1, ...array_map(static fn(PlanCrew $crew): int => $crew->people, $crews)]));
        $atHand = ($this->gatherAtHand)();
        $minutes = ($this->reckonMinutes)($vehicles, $sizes, $atHand);
        $looks = $this->looks($ids);
        $left = $this->left($ids);
        $layers = Layer::query()
            ->with('forecast')
            ->whereIn('vehicle_id', $ids)
            ->where('zone', Zone::Paint->value)
            ->whereNull('ended_at')
            ->orderByRaw("kind = 'topper' desc")
            ->get()
            ->groupBy('vehicle_id');
        $topped = DB::table('layers')
            ->where('zone', Zone::Paint->value)
            ->where('kind', 'topper')
            ->distinct()
            ->pluck('vehicle_id')
            ->flip();
        $deadlines = Deadline::query()
            ->whereIn('vehicle_id', $ids)
            ->where('on', '>', $today->toDateString())
            ->orderBy('on')
            ->get()
            ->groupBy('vehicle_id');
        $locks = $this->locks($standing, $today);
        $shut = $closures->whereNotNull('site_id')->groupBy('site_id');
        $away = $closures->whereNotNull('vehicle_id')->groupBy('vehicle_id');
        $cancelled = CancelledVisit::query()
            ->whereNotNull('until_on')
            ->where('until_on', '>=', $today->toDateString())
            ->get()
            ->groupBy('vehicle_id');
        $of = [];
        foreach ($vehicles as $vehicle) {
            $turns = $log->turns($vehicle->id);
            $last =
                $turns === []
                    ? $start - 1 - $vehicle->cadence_target
                    : $this->day(CarbonImmutable::createFromTimestampUTC($turns[count($turns) - 1]->at));
            $deconned = null;
            foreach ($turns as $turn) {
                $deconned = $turn->decontaminates()
                    ? $this->day(CarbonImmutable::createFromTimestampUTC($turn->at))
                    : $deconned;
            }
            $windows = [];
            foreach ($deadlines->get($vehicle->id, []) as $deadline) {
                $windows[] = [$this->day($deadline->on) - $deadline->within_days, $this->day($deadline->on)];
            }
            $target =
                $vehicle->salt_target !== null && in_array($today->month, $vehicle->salt_months, true)
                    ? $vehicle->salt_target
                    : $vehicle->cadence_target;
            $by = $minutes[$vehicle->id]['by'];
            // Whoever tops every wash has it in the wash.
            $each = $vehicle->sidesIn($workspace)->is(School::Topper, 'every-wash') ? Kind::Topper->bit() : 0;
            $by =
                $each === 0
                    ? $by
                    : array_map(static fn(array $of): array => [...$of, 'wash' => $of['wash'] + $of['topper']], $by);
            $on = $layers->get($vehicle->id);
            $suspect = $on?->first()?->suspect_at !== null;
            // What was left out of the last visit stands open again, whatever its rhythm says.
            $again = static fn(Kind $kind, ?Cycle $cycle): ?Cycle => in_array(
                $kind->value,
                $left[$vehicle->id] ?? [],
                true,
            )
                ? Rhythm::reopened($cycle, $start, $target, $vehicle->cadence_max)
                : $cycle;
            [$topper, $base] = [
                $this->foreseen($on?->firstWhere('kind', 'topper')),
                $this->foreseen($on?->firstWhere('kind', 'base')),
            ];
            $of[] = new PlanVehicle(
                $vehicle->id,
                $vehicle->site_id ?? 'by ' . $vehicle->id,
                $by[1],
                $vehicle->cadence_min,
                max($vehicle->cadence_min, $target),
                max($vehicle->cadence_max, $target),
                min($last, $start - 1),
                $each !== 0
                    ? null
                    : $again(
                        Kind::Topper,
                        $this->topper(
                            $vehicle,
                            $topper,
                            isset($topped[$vehicle->id]),
                            $turns,
                            $target,
                            min($last, $start - 1),
                            $start,
                        ),
                    ),
                // What may only be clogged is decontaminated at the next visit, whatever its rhythm says (domain §15.4).
                $suspect
                    ? Rhythm::atOnce($start, $vehicle->cadence_max, $vehicle->decon_days ?? 365)
                    : $again(
                        Kind::Decon,
                        $vehicle->decon_days === null
                            ? null
                            : Rhythm::every($deconned ?? $start - $vehicle->decon_days, $vehicle->decon_days),
                    ),
                $this->closed($away->get($vehicle->id, new Collection())) +
                    $this->called($cancelled->get($vehicle->id, new Collection())),
                $windows,
                $locks[$vehicle->id] ?? [],
                $again(Kind::Inspection, $looks[$vehicle->id] ?? null),
                $again(Kind::Base, $base?->asBase()),
                $each,
                array_diff_key($by, [1 => true]),
                true,
            );
        }
        $sky = $this->sky($sites, $today, $start);
        $lost = ($this->judgeDays)($this->weathered($of, $vehicles, self::judged($sky, $crews)), $atHand);
        $of = array_map(
            static fn(PlanVehicle $vehicle): PlanVehicle => $vehicle->without($lost[$vehicle->id] ?? []),
            $of,
        );
        $places = array_values([
            ...$sites
                ->map(
                    fn(Site $site): PlanSite => new PlanSite(
                        $site->id,
                        $site->travel_min,
                        $this->closed($shut->get($site->id, new Collection())) + $this->uninsured($site, $start, $days),
                        $this->barred($site, $crews, $start, $days),
                        $site->certificate_expires_on === null ? null : $this->day($site->certificate_expires_on),
                        $site->bay,
                    ),
                )
                ->all(),
            ...array_map(
                static fn(PlanVehicle $vehicle): PlanSite => new PlanSite($vehicle->site, self::HOP_SOMEWHERE),
                array_filter($of, static fn(PlanVehicle $vehicle): bool => str_starts_with($vehicle->site, 'by ')),
            ),
        ]);

        return new Weeks(
            new Instance($start, $days, $crews, $sky, $places, $of, $workspace->house()->plan),
            $vehicles->pluck('name', 'id')->all(),
            array_filter(array_map(static fn(array $one): ?string => $one['says'], $minutes)),
        );
    }

    /**
     * @param list<string> $ids
     * @return array<string, list<string>> kinds that were planned and left out of the last visit, by vehicle
     */
    private function left(array $ids): array
    {
        return TurnEntry::query()
            ->join('turns', 'turns.current_entry_id', '=', 'turn_entries.id')
            ->whereIn('turns.vehicle_id', $ids)
            ->selectRaw('distinct on (turns.vehicle_id) turns.vehicle_id as of_vehicle, turn_entries.left_out')
            ->orderBy('turns.vehicle_id')
            ->orderByDesc('turns.worked_at')
            ->orderByDesc('turns.id')
            ->get()
            ->mapWithKeys(
                static fn(TurnEntry $entry): array => [
                    (string) $entry->getAttribute('of_vehicle') => array_values(array_column($entry->left_out, 'kind')),
                ],
            )
            ->filter()
            ->all();
    }

    /**
     * @param iterable<Closure> $closed  days on which nobody works
     * @return list<PlanCrew>
     */
    private function crews(int $start, int $days, iterable $closed): array
    {
        $everywhere = $this->closed($closed);
        $crews = Crew::query()->with('days')->whereNull('archived_at')->orderBy('name')->orderBy('id')->get();
        $of = [];
        foreach ($crews as $crew) {
            $week = $crew->minutes;
            $minutes = [];
            for ($day = $start; $day < $start + $days; $day++) {
                $minutes[$day] = (int) ($week[(int) gmdate('N', $day * 86400)] ?? 0);
            }
            foreach ($crew->days as $other) {
                $minutes[$this->day($other->on)] = $other->minutes;
            }
            $of[] = new PlanCrew(
                $crew->id,
                array_filter(
                    array_diff_key($minutes, $everywhere),
                    static fn(int $some, int $day): bool => $some > 0 && $day >= $start && $day < $start + $days,
                    ARRAY_FILTER_USE_BOTH,
                ),
                $crew->people,
            );
        }

        return $of;
    }

    /**
     * When it wants a topper, by its forecast, its rhythm or its washes.
     *
     * @param list<LoggedTurn> $turns  oldest first
     */
    private function topper(
        Vehicle $vehicle,
        ?Foreseen $topper,
        bool $everTopped,
        array $turns,
        int $target,
        int $last,
        int $start,
    ): ?Cycle {
        $cycle = Rhythm::topper(
            $vehicle->topper_weeks === null ? null : 7 * $vehicle->topper_weeks,
            $topper,
            $everTopped,
            $start,
        );

        return $vehicle->topper_washes === null
            ? $cycle
            : Rhythm::orByWashes(
                $cycle,
                $vehicle->topper_washes,
                Rhythm::washesSinceTopper($turns, Zone::Paint),
                $target,
                $last,
            );
    }

    private function foreseen(?Layer $layer): ?Foreseen
    {
        if ($layer === null) {
            return null;
        }
        $forecast = $layer->forecast;
        // Each asking of a model's moment reads it anew.
        $day = fn(?DateTimeInterface $moment): ?int => $moment === null ? null : $this->day($moment);

        return new Foreseen(
            $layer->family(),
            $this->day($layer->on_at),
            $day($forecast?->from_at),
            $day($forecast?->due_at),
            $day($forecast?->late_at),
        );
    }

    /**
     * Days of known weather on which somebody works and more than a wash may go on: the others need no looking into.
     *
     * @param array<int, Sky> $sky
     * @param list<PlanCrew> $crews
     * @return list<int>
     */
    private static function judged(array $sky, array $crews): array
    {
        return array_values(
            array_filter(
                array_keys($sky),
                static fn(int $day): bool => $sky[$day]->topper &&
                    array_filter($crews, static fn(PlanCrew $crew): bool => ($crew->minutes[$day] ?? 0) > 0) !== [],
            ),
        );
    }

    /**
     * Whose kinds may fall on days whose weather is known.
     *
     * @param list<PlanVehicle> $of
     * @param Collection<int, Vehicle> $vehicles
     * @param list<int> $days
     * @return list<array{Vehicle, non-empty-list<int>, non-empty-list<Kind>}>
     */
    private function weathered(array $of, Collection $vehicles, array $days): array
    {
        $by = $vehicles->keyBy('id');
        $asked = [];
        foreach ($of as $one) {
            $kinds = array_values(
                array_filter([Kind::Topper, Kind::Decon, Kind::Base], static function (Kind $kind) use (
                    $one,
                    $days,
                ): bool {
                    $cycle = match ($kind) {
                        Kind::Topper => $one->topper,
                        Kind::Decon => $one->decon,
                        default => $one->base,
                    };

                    return ($one->each & $kind->bit()) !== 0 ||
                        ($cycle !== null && $days !== [] && $cycle->from <= max($days) + 7);
                }),
            );
            $vehicle = $by->get($one->id);
            if ($kinds !== [] && $days !== [] && $vehicle !== null) {
                $asked[] = [$vehicle, $days, $kinds];
            }
        }

        return $asked;
    }

    /**
     * The days of the weather forecast, where the places are in the mean.
     *
     * @param Collection<int, Site> $sites
     * @return array<int, Sky>
     */
    private function sky(Collection $sites, CarbonImmutable $today, int $start): array
    {
        $known = $sites->whereNotNull('latitude')->whereNotNull('longitude');
        [$latitude, $longitude] = $known->isEmpty()
            ? Weather::SOMEWHERE
            : [(float) $known->avg('latitude'), (float) $known->avg('longitude')];
        $sky = [];
        $house = $this->tenancy->workspace()->house();
        for ($i = 0; $i < self::WEATHER_DAYS; $i++) {
            $hours = $this->weather->hours($latitude, $longitude, $today->addDays($i + 1)->setTime(8, 0), 9);
            if ($hours !== []) {
                $sky[$start + $i] = $house->sky->sky(
                    array_map(
                        static fn(WeatherHour $hour): array => [
                            'air_c' => $hour->air->airC,
                            'rain_mm' => $hour->rainMm,
                            'wind_m_s' => $hour->air->windMS,
                        ],
                        $hours,
                    ),
                    $house->match->frostC,
                );
            }
        }

        return $sky;
    }

    /**
     * When lasting bases are to be looked over; the earliest of a vehicle's zones.
     *
     * @param list<string> $ids
     * @return array<string, Cycle>
     */
    private function looks(array $ids): array
    {
        $zone = $this->tenancy->workspace()->time_zone;
        $looks = [];
        $rows = DB::table('forecasts')
            ->whereIn('vehicle_id', $ids)
            ->whereNotNull('look_at')
            ->orderBy('vehicle_id')
            ->orderBy('look_at')
            ->orderBy('layer_id')
            ->selectRaw(
                'distinct on (vehicle_id) vehicle_id, (coalesce(look_from_at, look_at) at time zone ?)::date as from, (look_at at time zone ?)::date as due, (look_late_at at time zone ?)::date as late',
                [$zone, $zone, $zone],
            )
            ->get();
        foreach ($rows as $row) {
            $looks[(string) $row->vehicle_id] = new Cycle(
                Day::number('from', (string) $row->from),
                Day::number('due', (string) $row->due),
                $row->late === null ? null : Day::number('late', (string) $row->late),
                365,
            );
        }

        return $looks;
    }

    /**
     * Where the proof of insurance has run out nobody goes, whatever is locked; and where there is a register, a crew goes as long as the papers
     * of all its people on it hold.
     *
     * @param list<PlanCrew> $crews
     * @return array<string, array<int, true>>
     */
    private function barred(Site $site, array $crews, int $start, int $days): array
    {
        $uninsured = $this->uninsured($site, $start, $days);
        $barred =
            $uninsured === []
                ? []
                : array_fill_keys(array_map(static fn(PlanCrew $crew): string => $crew->id, $crews), $uninsured);
        if (!$site->by_register) {
            return $barred;
        }
        $admitted = $site->admissions->groupBy('crew_id');
        foreach ($crews as $crew) {
            $of = $admitted->get($crew->id);
            $ends = $of?->pluck('valid_until')->filter()->map($this->day(...))->all() ?? [];
            $from = $of === null ? $start : ($ends === [] ? $start + $days : max($start, min($ends) + 1));
            if ($from < $start + $days) {
                $barred[$crew->id] =
                    array_fill_keys(range($from, $start + $days - 1), true) + ($barred[$crew->id] ?? []);
            }
        }

        return $barred;
    }

    /** @return array<int, true> days after the proof of insurance has run out */
    private function uninsured(Site $site, int $start, int $days): array
    {
        $until = $site->certificate_expires_on === null ? null : $this->day($site->certificate_expires_on);

        return $until === null || $until >= $start + $days - 1
            ? []
            : array_fill_keys(range(max($start, $until + 1), $start + $days - 1), true);
    }

    /**
     * Days on which a vehicle's visit was called off.
     *
     * @param iterable<CancelledVisit> $cancelled
     * @return array<int, true>
     */
    private function called(iterable $cancelled): array
    {
        $days = [];
        foreach ($cancelled as $visit) {
            $days += array_fill_keys(
                range($on = $this->day($visit->on), max($on, $this->day($visit->until_on ?? $visit->on))),
                true,
            );
        }

        return $days;
    }

    /**
     * @param iterable<Closure> $closures
     * @return array<int, true>
     */
    private function closed(iterable $closures): array
    {
        $days = [];
        foreach ($closures as $closure) {
            $days += array_fill_keys(range($this->day($closure->from_on), $this->day($closure->to_on)), true);
        }

        return $days;
    }

    /**
     * @param list<array{vehicle: string, date: string, crew: string, kinds: list<string>, locked: bool}>|null $standing
     * @return array<string, array<int, int>> kind bits by vehicle and day
     */
    private function locks(?array $standing, CarbonImmutable $today): array
    {
        $standing ??= PlannedVisit::query()
            ->where('locked', true)
            ->where('on', '>', $today->toDateString())
            ->get()
            ->map(
                static fn(PlannedVisit $visit): array => [
                    'vehicle' => $visit->vehicle_id,
                    'date' => $visit->on->toDateString(),
                    'kinds' => $visit->kinds,
                    'locked' => true,
                ],
            )
            ->all();
        $locks = [];
        foreach ($standing as $visit) {
            if ($visit['locked']) {
                $locks[$visit['vehicle']][Day::number('date', $visit['date'])] = Kind::bits($visit['kinds']);
            }
        }

        return $locks;
    }

    private function day(DateTimeInterface $date): int
    {
        // Dates are dates; moments are days where the workspace is.
        return $date instanceof Carbon
            ? Day::number('date', $date->format('Y-m-d'))
            : (int) floor(
                ($date->getTimestamp() + (new DateTimeZone($this->tenancy->workspace()->time_zone))->getOffset($date)) /
                    86400,
            );
    }
}
