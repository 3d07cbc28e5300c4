<?php

declare(strict_types=1);

namespace App\Sheets;

use App\Bench\ForeseeVisits;
use App\Bench\GatherAtHand;
use App\Book\GateRules;
use App\Book\PlannedVisit;
use App\Book\RoundStop;
use App\Book\Site;
use App\Book\Vehicle;
use App\Book\WeatherNote;
use App\Shelf\Gear;
use App\Shelf\GearEvent;
use App\Standins\TravelTimes;
use App\Standins\Weather;
use App\Standins\WeatherHour;
use App\Tenancy\Tenancy;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Support\Facades\DB;
use LogicException;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Drying\Air;
use Vicissa\Core\Drying\DayCurve;
use Vicissa\Core\Drying\Exposure;
use Vicissa\Core\Drying\Film;
use Vicissa\Core\Drying\Material;
use Vicissa\Core\Drying\Tone;
use Vicissa\Core\Visit\Totals;
use Vicissa\Core\Water\Draw;
use Vicissa\Core\Water\Tank;

/**
 * A day's turns: for each stop the drying curve of its colour in its place's weather, the hours to avoid, and where the
 * treated water goes.
 */
final readonly class DrawRound
{
    private const FROM_HOUR = 7;

    private const HOURS = 13;

    public function __construct(
        private Tenancy $tenancy,
        private Weather $weather,
        private TravelTimes $travel,
        private ForeseeVisits $foreseeVisits,
        private GatherAtHand $gatherAtHand,
        private ClockInterface $clock,
    ) {}

    /** @return Told<'Round'> */
    public function __invoke(string $on): array
    {
        $stops = RoundStop::query()
            ->with('vehicle.site.admissions')
            ->where('on', $on)
            ->orderBy('position')
            ->orderBy('id')
            ->get();
        $zone = $this->tenancy->workspace()->time_zone;
        $day = CarbonImmutable::parse($on, $zone);
        /** @var list<string> $going */
        $going = $stops->pluck('vehicle_id')->all();
        $there = $stops->filter(static fn(RoundStop $stop): bool => $stop->vehicle !== null)->values();
        $atHand = ($this->gatherAtHand)();
        $foreseen = ($this->foreseeVisits)(
            array_values(
                $there
                    ->map(
                        static fn(RoundStop $stop): array => [
                            $stop->vehicle ?? throw new LogicException('A stop has a vehicle.'),
                            $on,
                        ],
                    )
                    ->all(),
            ),
            $atHand,
        );
        $rained = $this->tenancy->workspace()->house()->sky->wetMm;
        $hours = [];
        $rows = $draws = [];
        $minute = 0.0;
        $before = null;
        foreach ($there as $i => $stop) {
            $vehicle = $stop->vehicle ?? throw new LogicException('A stop has a vehicle.');
            $plan = $foreseen[$i]['plan'];
            $totals = $plan['totals'] ?? throw new LogicException('A visit laid out has totals.');
            $site = $vehicle->site;
            $weather = $hours[$site->id ?? ''] ??= $this->weather->hours(
                $site->latitude ?? Weather::SOMEWHERE[0],
                $site->longitude ?? Weather::SOMEWHERE[1],
                $day->setTime(self::FROM_HOUR, 0),
                self::HOURS,
            );
            $minutes = (float) $foreseen[$i]['minutes'];
            $leg = $this->travel->minutes($before?->whereabouts(), $site?->whereabouts());
            $before = $site;
            $opens = GateRules::hours($site?->hours)[0] ?? 0;
            $minute = max($minute + $leg, (float) ($opens - OrderRound::LEAVES));
            $litres = (float) $totals['treated_l'];
            foreach ($litres > 0.0 ? self::rinses($plan['steps'], $minutes) : [] as [$from, $takes, $l]) {
                $draws[] = ['vehicle_id' => $vehicle->id, 'draw' => new Draw($minute + $from, $takes, $l / $takes)];
            }
            $rows[] = [
                'vehicle_id' => $vehicle->id,
                'name' => $vehicle->name,
                'tone' => $vehicle->tone,
                'site' =>
                    $site === null
                        ? null
                        : [
                            'id' => $site->id,
                            'name' => $site->name,
                            'hours' => $site->hours,
                            'access' => $site->access,
                            'water' => $site->water,
                            'shade' => $site->shade,
                            'travel_min' => $site->travel_min,
                        ],
                'minutes' => $minutes,
                'nine_in_ten' => $foreseen[$i]['nine_in_ten'],
                'people' => (int) $totals['people'],
                'kinds' => $foreseen[$i]['kinds'],
                'scope' => $foreseen[$i]['scope'],
                'laid' => $foreseen[$i]['laid'],
                'visit_id' => $foreseen[$i]['visit'],
                'loses' => $foreseen[$i]['loses'],
                'method' => $plan['method'],
                'water' => $plan['water'],
                'tap_l' => $totals['tap_l'],
                'problem' => $foreseen[$i]['problem'],
                'starts_min' => round($minute),
                'begins_min' => (int) (OrderRound::LEAVES + round($minute)),
                'leg_min' => $leg,
                'begins' => $this->wallTime($minute),
                'ends' => $this->wallTime($minute + $minutes),
                'gate' => GateRules::for($site, $day, (int) (OrderRound::LEAVES + $minute), (int) $minutes),
                'treated_l' => round($litres, 1),
                'hours' => $this->curve($vehicle, $site, $weather, $rained),
            ];
            $minute += $minutes;
        }

        $planned = $this->planned($on, $going);

        return [
            'on' => $on,
            'from_hour' => self::FROM_HOUR,
            'stops' => $rows,
            'tank' => $this->tank($draws, $minute),
            'noted' => $this->noted($on),
            'planned' => $planned,
            // Who is planned for the day is named once.
            'suggested' => $this->suggested([...$going, ...array_column($planned, 'vehicle_id')], $day),
        ];
    }

    /** @return Told<'WeatherNote'>|null */
    private function noted(string $on): ?array
    {
        $note = WeatherNote::query()->with('writer')->where('on', $on)->first();

        return $note === null
            ? null
            : [
                'on' => $on,
                'low_c' => $note->low_c,
                'high_c' => $note->high_c,
                'wind_m_s' => $note->wind_m_s,
                'rh' => $note->rh,
                'cloud' => $note->cloud,
                'rain_from' => $note->rain_from,
                'rain_until' => $note->rain_until,
                'by' => $note->writer?->name,
            ];
    }

    /**
     * @param list<WeatherHour> $weather
     * @return list<Told<'RoundHour'>>
     */
    private function curve(Vehicle $vehicle, ?Site $site, array $weather, float $rained): array
    {
        $frost = $this->tenancy->workspace()->house()->match->frostC;
        $exposure = ($site->shade ?? false) || ($site->bay ?? false) ? Exposure::Shade : Exposure::Flat;
        $curve = DayCurve::of(
            array_map(static fn(WeatherHour $hour): Air => $hour->air, $weather),
            Tone::from($vehicle->tone),
            Material::from($vehicle->material),
            Film::BeadedRinse,
            $exposure,
        );

        $zone = new DateTimeZone($this->tenancy->workspace()->time_zone);

        return array_map(
            static fn(WeatherHour $hour, array $one): array => [
                'at' => $hour->at->format('Y-m-d\TH:i:s\Z'),
                'hour' => (int) $hour->at->setTimezone($zone)->format('G'),
                'air_c' => $hour->air->airC,
                'rain_mm' => $hour->rainMm,
                'sureness' => $hour->sureness,
                'panel_c' => round($one['panel_c'], 1),
                'working_s' => $one['working_s'] === null ? null : round($one['working_s']),
                'avoid' => match (true) {
                    !$one['suits'] => 'dries-too-fast',
                    $hour->air->airC < $frost => 'frost',
                    $hour->rainMm >= $rained && !($site->bay ?? false) => 'rain',
                    default => null,
                },
            ],
            $weather,
            $curve->hours,
        );
    }

    /**
     * The rinses from the tank, by the visit's own steps.
     *
     * @param list<Told<'SheetStep'>> $steps
     * @return list<array{float, float, float}> minutes into the visit, minutes, litres
     */
    private static function rinses(array $steps, float $minutes): array
    {
        $rinses = array_filter(
            $steps,
            static fn(array $step): bool => Totals::isLast($step['kind']) && $step['water_l'] > 0.0,
        );

        return array_values(
            array_map(
                static fn(array $step): array => [
                    (float) ($step['start'] ?? $minutes),
                    max(0.5, (float) $step['minutes']),
                    (float) $step['water_l'],
                ],
                $rinses,
            ),
        );
    }

    /**
     * @param list<array{vehicle_id: string, draw: Draw}> $draws
     * @return Told<'RoundTank'>|null null when there is no tank among the gear
     */
    private function tank(array $draws, float $minutes): ?array
    {
        $gear = Gear::query()
            ->whereNull('archived_at')
            ->whereIn('kind', ['tank', 'ro'])
            ->orderBy('name')
            ->get();
        $tank = $gear->firstWhere('kind', 'tank');
        if ($tank === null) {
            return null;
        }
        $level = GearEvent::query()
            ->where('gear_id', $tank->id)
            ->where('kind', 'level')
            ->orderByDesc('at')
            ->orderByDesc('id')
            ->first();
        $holds = $tank->fact('l') ?? 100.0;
        $start = min($holds, is_numeric($level?->facts['l'] ?? null) ? (float) $level->facts['l'] : $holds);
        // On the road nothing is made: the membrane stands in the unit.
        $run = (new Tank($holds, 0.0, 0.0, 0.5))->run($start, array_column($draws, 'draw'), max(1.0, $minutes));
        $dry = null;
        foreach ($draws as ['vehicle_id' => $id, 'draw' => $draw]) {
            if ($run->emptyAt !== null && $run->emptyAt < $draw->startMin + $draw->minutes + 1e-9) {
                $dry = $id;
                break;
            }
        }

        return [
            'name' => $tank->name,
            'holds_l' => $holds,
            'start_l' => $start,
            'end_l' => round($run->endL, 1),
            'short_l' => round($run->shortL, 1),
            'empty_at_min' => $run->emptyAt === null ? null : round($run->emptyAt),
            'dry_at_vehicle' => $dry,
            'minutes' => round($minutes),
            'points' => array_map(
                static fn(array $point): array => ['min' => round($point['min'], 1), 'l' => round($point['l'], 1)],
                $run->points,
            ),
        ];
    }

    /**
     * Turns of the plan that are not on the way yet.
     *
     * @param array<array-key, mixed> $going
     * @return list<array{vehicle_id: string, name: string, kinds: list<string>}>
     */
    private function planned(string $on, array $going): array
    {
        return array_values(
            PlannedVisit::query()
                ->with('vehicle:id,name')
                ->where('on', $on)
                ->whereNotIn('vehicle_id', $going)
                ->orderBy('crew_id')
                ->orderBy('id')
                ->get()
                ->map(
                    static fn(PlannedVisit $visit): array => [
                        'vehicle_id' => $visit->vehicle_id,
                        'name' => $visit->vehicle->name ?? '',
                        'kinds' => $visit->kinds,
                    ],
                )
                ->all(),
        );
    }

    private function wallTime(float $minutes): string
    {
        $at = OrderRound::LEAVES + (int) round($minutes);

        return sprintf('%02d:%02d', intdiv($at, 60) % 24, $at % 60);
    }

    /**
     * Who is due by rhythm, longest overdue first; not who is planned until then.
     *
     * @param list<string> $going
     * @return list<array{vehicle_id: string, name: string, site: string|null, days_over: int|null,
     *     planned_on: string|null}> days_over: null where there was no visit yet
     */
    private function suggested(array $going, CarbonImmutable $day): array
    {
        $due = [];
        $rows = DB::table('vehicles as v')
            ->leftJoin('sites as s', 's.id', '=', 'v.site_id')
            ->leftJoinLateral(
                DB::table('turns')
                    ->whereColumn('turns.vehicle_id', 'v.id')
                    ->orderByDesc('worked_at')
                    ->limit(1)
                    ->selectRaw('worked_at as at'),
                'worked',
            )
            ->leftJoinSub(
                PlannedVisit::query()
                    ->where('on', '>=', $this->tenancy->workspace()->dateOf($this->clock->now()))
                    ->selectRaw('vehicle_id, min("on") as next')
                    ->groupBy('vehicle_id'),
                'planned',
                'planned.vehicle_id',
                '=',
                'v.id',
            )
            ->whereNull('v.archived_at')
            ->where(
                static fn($query) => $query
                    ->whereNull('planned.next')
                    ->orWhere('planned.next', '>', $day->toDateString()),
            )
            ->get([
                'v.id',
                'v.name',
                'v.cadence_target',
                's.name as site',
                'planned.next',
                DB::raw('extract(epoch from worked.at)::bigint as last'),
            ]);
        foreach ($rows as $row) {
            /** @var object{id: string, name: string, cadence_target: int, site: string|null, next: string|null, last: int|null} $row */
            $over =
                $row->last === null
                    ? null
                    : intdiv($day->endOfDay()->getTimestamp() - $row->last, 86400) - $row->cadence_target;
            if (($over ?? 0) >= 0 && !in_array($row->id, $going, true)) {
                $due[] = [
                    'vehicle_id' => $row->id,
                    'name' => $row->name,
                    'site' => $row->site,
                    'days_over' => $over,
                    'planned_on' => $row->next,
                ];
            }
        }
        usort(
            $due,
            static fn(array $a, array $b): int => [$b['days_over'] ?? 0, $a['name']] <=> [
                $a['days_over'] ?? 0,
                $b['name'],
            ],
        );

        return $due;
    }
}
