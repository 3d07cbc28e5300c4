<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Book\Layer;
use App\Book\PlannedVisit;
use App\Book\Vehicle;
use App\Record\LastDone;
use App\Record\TurnEntry;
use App\Record\TurnLog;
use App\Tenancy\Workspace;
use Carbon\CarbonImmutable;
use DateTimeInterface;
use Illuminate\Database\Eloquent\Collection as EloquentCollection;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Vicissa\Core\Matching\Turn\School;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Planning\Cycle;
use Vicissa\Core\Planning\Day;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Planning\PlanVehicle;
use Vicissa\Core\Record\Foreseen;
use Vicissa\Core\Record\LayerKind;
use Vicissa\Core\Record\LoggedTurn;
use Vicissa\Core\Record\Rhythm;
use Vicissa\Core\Visit\Pace;

/**
 * What the vehicles of the book want of the plan, read for all of them at once: when each was washed, when what falls
 * due, when it can't be had.
 */
final readonly class VehicleWants
{
    /** A vehicle without a place has one of its own. */
    public const BY = 'by ';

    private LastDone $last;

    /** Of those that are topped after so many washes. */
    private TurnLog $log;

    /** @var Collection<array-key, int> vehicles that have ever had a topper */
    private Collection $topped;

    /** @var Collection<array-key, EloquentCollection<int, Deadline>> */
    private Collection $deadlines;

    /** @var Collection<array-key, Collection<int, Closure>> */
    private Collection $away;

    /** @var Collection<array-key, EloquentCollection<int, CancelledVisit>> */
    private Collection $cancelled;

    /** @var array<string, list<string>> kinds left out of the last visit */
    private array $left;

    /** @var array<string, Cycle> */
    private array $looks;

    /** @var array<string, array<int, int>> kind bits by day */
    private array $locks;

    /**
     * @param EloquentCollection<int, Vehicle> $vehicles
     * @param Collection<int, Closure> $closures
     * @param list<array{vehicle: string, date: string, crew: string, kinds: list<string>, locked: bool}>|null $standing
     *     what counts as planned; the book's when left out
     */
    public function __construct(
        private Workspace $workspace,
        private Calendar $calendar,
        EloquentCollection $vehicles,
        Collection $closures,
        ?array $standing,
    ) {
        $today = $calendar->today->toDateString();
        /** @var list<string> $ids */
        $ids = $vehicles->modelKeys();
        $this->last = LastDone::of($ids);
        $this->log = self::log($vehicles, $calendar->today);
        $this->topped = DB::table('layers')
            ->where('zone', Zone::Paint->value)
            ->where('kind', 'topper')
            ->distinct()
            ->pluck('vehicle_id')
            ->flip();
        $this->deadlines = Deadline::query()
            ->whereIn('vehicle_id', $ids)
            ->where('on', '>', $today)
            ->orderBy('on')
            ->get()
            ->groupBy('vehicle_id')
            ->toBase();
        $this->away = $closures->whereNotNull('vehicle_id')->groupBy('vehicle_id');
        $this->cancelled = CancelledVisit::query()
            ->whereNotNull('until_on')
            ->where('until_on', '>=', $today)
            ->get()
            ->groupBy('vehicle_id')
            ->toBase();
        $this->left = self::left($ids);
        $this->looks = self::looks($ids, $workspace->time_zone);
        $this->locks = self::locks($standing, $calendar->today);
    }

    /**
     * @param array<int, array{wash: int, topper: int, decon: int, inspection?: int, base?: int, recoat?: int}> $minutes
     *     by how many work at it
     */
    public function of(Vehicle $vehicle, array $minutes, Pace $pace): PlanVehicle
    {
        // Whoever tops every wash has it in the wash.
        $each = $vehicle->sidesIn($this->workspace)->is(School::Topper, 'every-wash') ? Kind::Topper->bit() : 0;
        $by =
            $each === 0
                ? $minutes
                : array_map(static fn(array $of): array => [...$of, 'wash' => $of['wash'] + $of['topper']], $minutes);
        $target = $this->target($vehicle);
        $base = $this->foreseen(self::onPaint($vehicle, LayerKind::Base));

        return new PlanVehicle(
            $vehicle->id,
            $vehicle->site_id ?? self::BY . $vehicle->id,
            $by[1],
            $vehicle->cadence_min,
            max($vehicle->cadence_min, $target),
            max($vehicle->cadence_max, $target),
            $this->lastWash($vehicle),
            $each !== 0 ? null : $this->again($vehicle, Kind::Topper, $this->topper($vehicle)),
            $this->decon($vehicle),
            $this->calendar->closed($this->away->get($vehicle->id, new Collection())) +
                $this->calendar->called($this->cancelled->get($vehicle->id, new Collection())),
            $this->windows($vehicle),
            $this->locks[$vehicle->id] ?? [],
            $this->again($vehicle, Kind::Inspection, $this->looks[$vehicle->id] ?? null),
            $this->again($vehicle, Kind::Base, $base?->asBase()),
            $each,
            array_diff_key($by, [1 => true]),
            true,
            spread: $pace->spread,
            common: $pace->common,
        );
    }

    /** Days from visit to visit, as this month has it. */
    private function target(Vehicle $vehicle): int
    {
        return $vehicle->salt_target !== null && in_array($this->calendar->today->month, $vehicle->salt_months, true)
            ? $vehicle->salt_target
            : $vehicle->cadence_target;
    }

    /** The day it was washed last; one that never was is due. */
    private function lastWash(Vehicle $vehicle): int
    {
        $washed = $this->last->washed($vehicle->id);
        $before = $this->calendar->start - 1;

        return $washed === null ? $before - $vehicle->cadence_target : min($this->dayAt($washed), $before);
    }

    private function dayAt(int $moment): int
    {
        return $this->calendar->day(CarbonImmutable::createFromTimestampUTC($moment));
    }

    /** What was left out of the last visit stands open again, whatever its rhythm says. */
    private function again(Vehicle $vehicle, Kind $kind, ?Cycle $cycle): ?Cycle
    {
        return in_array($kind->value, $this->left[$vehicle->id] ?? [], true)
            ? Rhythm::reopened($cycle, $this->calendar->start, $this->target($vehicle), $vehicle->cadence_max)
            : $cycle;
    }

    /** When it wants a topper, by its forecast, its rhythm or its washes. */
    private function topper(Vehicle $vehicle): ?Cycle
    {
        $on = $this->foreseen(self::onPaint($vehicle, LayerKind::Topper));
        $every = $vehicle->topper_weeks === null ? null : 7 * $vehicle->topper_weeks;
        $cycle = Rhythm::topper($every, $on, isset($this->topped[$vehicle->id]), $this->calendar->start);
        if ($vehicle->topper_washes === null) {
            return $cycle;
        }
        $since = Rhythm::washesSinceTopper($this->log->turns($vehicle->id), Zone::Paint);

        return Rhythm::orByWashes(
            $cycle,
            $vehicle->topper_washes,
            $since,
            $this->target($vehicle),
            $this->lastWash($vehicle),
        );
    }

    private function decon(Vehicle $vehicle): ?Cycle
    {
        // What may only be clogged is decontaminated at the next visit, whatever its rhythm says (domain §15.4).
        $top = self::onPaint($vehicle, LayerKind::Topper) ?? self::onPaint($vehicle, LayerKind::Base);
        if ($top?->suspect_at !== null) {
            return Rhythm::atOnce($this->calendar->start, $vehicle->cadence_max, $vehicle->decon_days ?? 365);
        }
        if ($vehicle->decon_days === null) {
            return $this->again($vehicle, Kind::Decon, null);
        }
        $done = $this->last->decontaminated($vehicle->id);
        $last = $done === null ? $this->calendar->start - $vehicle->decon_days : $this->dayAt($done);

        return $this->again($vehicle, Kind::Decon, Rhythm::every($last, $vehicle->decon_days));
    }

    /** @return list<array{int, int}> first and last day of each window in which a visit must fall */
    private function windows(Vehicle $vehicle): array
    {
        $windows = [];
        foreach ($this->deadlines->get($vehicle->id, new Collection()) as $deadline) {
            $by = $this->calendar->day($deadline->on);
            // What lies beyond these weeks is for the weeks it lies in.
            if ($by - $deadline->within_days < $this->calendar->start + $this->calendar->days) {
                $windows[] = [$by - $deadline->within_days, $by];
            }
        }

        return $windows;
    }

    private static function onPaint(Vehicle $vehicle, LayerKind $kind): ?Layer
    {
        return $vehicle->standing->first(
            static fn(Layer $layer): bool => $layer->zone === Zone::Paint->value && $layer->kind === $kind->value,
        );
    }

    private function foreseen(?Layer $layer): ?Foreseen
    {
        if ($layer === null) {
            return null;
        }
        $forecast = $layer->forecast;
        // Each asking of a model's moment reads it anew.
        $day = fn(?DateTimeInterface $moment): ?int => $moment === null ? null : $this->calendar->day($moment);

        return new Foreseen(
            $layer->family(),
            $this->calendar->day($layer->on_at),
            $day($forecast?->from_at),
            $day($forecast?->due_at),
            $day($forecast?->late_at),
        );
    }

    /**
     * The turns since the topper before: as far back as its washes go, and the whole record only of the few that were
     * not topped in all that time.
     *
     * @param EloquentCollection<int, Vehicle> $vehicles
     */
    private static function log(EloquentCollection $vehicles, CarbonImmutable $today): TurnLog
    {
        $now = $today->getTimestamp();
        $asked = $vehicles->whereNotNull('topper_washes');
        $log = TurnLog::since(
            $asked
                ->mapWithKeys(
                    static fn(Vehicle $vehicle): array => [
                        $vehicle->id => $now - 86400 * ((int) $vehicle->topper_washes * max($vehicle->cadence_max, 7)),
                    ],
                )
                ->all(),
            $now,
        );
        /** @var list<string> $ids */
        $ids = $asked
            ->filter(static function (Vehicle $vehicle) use ($log): bool {
                $turns = new Collection($log->turns($vehicle->id));

                return $turns->isNotEmpty() &&
                    !$turns->contains(static fn(LoggedTurn $turn): bool => $turn->topperOn(Zone::Paint) !== null);
            })
            ->modelKeys();

        return $ids === [] ? $log : $log->with(TurnLog::of($ids, $now));
    }

    /**
     * @param list<string> $ids
     * @return array<string, list<string>> kinds that were planned and left out of the last visit, by vehicle
     */
    private static function left(array $ids): array
    {
        return TurnEntry::lastOf($ids)
            ->addSelect('turn_entries.left_out')
            ->where('turn_entries.left_out', '<>', '[]')
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
     * When lasting bases are to be looked over; the earliest of a vehicle's zones.
     *
     * @param list<string> $ids
     * @return array<string, Cycle>
     */
    private static function looks(array $ids, string $zone): array
    {
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
     * @param list<array{vehicle: string, date: string, crew: string, kinds: list<string>, locked: bool}>|null $standing
     * @return array<string, array<int, int>> kind bits by vehicle and day
     */
    private static function locks(?array $standing, CarbonImmutable $today): array
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
}
