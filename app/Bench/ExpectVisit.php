<?php

declare(strict_types=1);

namespace App\Bench;

use App\Book\Crew;
use App\Book\PlannedVisit;
use App\Book\RoundStop;
use App\Book\Site;
use App\Book\Vehicle;
use App\Record\Sheet;
use App\Record\TurnEntry;
use App\Standins\Weather;
use App\Tenancy\Tenancy;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection as EloquentCollection;
use Illuminate\Support\Collection;

/**
 * What visits are likely to be until somebody looks: what is planned for the day, the soil of the last time, the place,
 * the weather of their hour, the crew that comes. A sheet that is laid knows better. Queries don't grow with the
 * visits.
 */
final readonly class ExpectVisit
{
    /** When the weather of a day is asked and nobody said at what hour. */
    public const USUAL_HOUR = 10;

    public function __construct(private Weather $weather, private Tenancy $tenancy) {}

    /**
     * @param list<array{Vehicle, string}> $visits  vehicle and day
     * @param bool $laid  whether a sheet that stands is asked first
     * @return list<array{wish: VisitWish, sheet: Sheet|null, planned: PlannedVisit|null, hour: int}>
     */
    public function __invoke(array $visits, AtHand $atHand, bool $laid = true): array
    {
        if ($visits === []) {
            return [];
        }
        $vehicles = (new EloquentCollection(array_column($visits, 0)))->loadMissing(['site', 'standing.forecast']);
        $days = array_values(array_unique(array_column($visits, 1)));
        $by = static fn(Collection $rows): Collection => $rows->keyBy(
            static fn($row): string => "{$row->vehicle_id} {$row->on->toDateString()}",
        );
        $planned = $by(
            PlannedVisit::query()->whereIn('vehicle_id', $vehicles->modelKeys())->whereIn('on', $days)->get(),
        );
        $sheets = $laid
            ? $by(
                Sheet::query()
                    ->whereIn('vehicle_id', $vehicles->modelKeys())
                    ->whereIn('on', $days)
                    ->whereIn('status', ['laid', 'begun'])
                    ->orderBy('created_at')
                    ->get(),
            )
            : new Collection();
        $stops = $by(RoundStop::query()->whereIn('vehicle_id', $vehicles->modelKeys())->whereIn('on', $days)->get());
        $crews = Crew::query()->get()->keyBy('id');
        /** @var list<string> $ids */
        $ids = $vehicles->modelKeys();
        $last = TurnEntry::lastOf($ids)
            ->addSelect(['turn_entries.soil', 'turn_entries.grit'])
            ->get()
            ->keyBy('of_vehicle');
        // Planning asks for the same days over and over: what is asked and where it stands is found once.
        $wishes = $found = $places = $skies = [];
        foreach ($visits as [$vehicle, $on]) {
            $visit = $planned->get("{$vehicle->id} {$on}");
            $sheet = $sheets->get("{$vehicle->id} {$on}");
            $crew = $visit === null ? null : $crews->get($visit->crew_id);
            $hour = intdiv($stops->get("{$vehicle->id} {$on}")->begins_min ?? 60 * self::USUAL_HOUR, 60);
            $asked =
                $visit === null ? ['scope' => $vehicle->scope] : ['kinds' => $visit->kinds, 'scope' => $visit->scope];
            $facts =
                $sheet instanceof Sheet
                    ? $sheet->facts
                    : [
                        ...($found["{$vehicle->id} {$on} {$hour}"] ??= [
                            'seen' => self::seen($last->get($vehicle->id)),
                            'place' => ($places[$vehicle->site_id ?? ''] ??= self::place($vehicle, $atHand)),
                            'weather' => ($skies["{$vehicle->site_id} {$on} {$hour}"] ??= $this->sky(
                                $vehicle->site,
                                CarbonImmutable::parse($on, $this->tenancy->workspace()->time_zone)->setTime($hour, 0),
                            )),
                            'expected' => true,
                        ]),
                        ...$asked,
                    ];
            $wishes[] = [
                'wish' => new VisitWish(
                    $vehicle,
                    $on,
                    $sheet->crew ?? ($crew->people ?? 1),
                    $crew->members ?? [],
                    $facts,
                ),
                'sheet' => $sheet,
                'planned' => $visit,
                'hour' => $hour,
            ];
        }

        return $wishes;
    }

    /** @return Told<'BenchSeen'> what one expects to see, until somebody has looked */
    private static function seen(?TurnEntry $last): array
    {
        return ['soil' => $last->soil ?? OrdinaryDay::SOIL, 'grit' => $last->grit ?? false, 'on' => []];
    }

    /**
     * The hour's weather at a place, with whether that rain counts by the workspace's own numbers.
     *
     * @return array{air_c: float, rh: float, wind_m_s: float, sun_w_m2: float, cloud: float|null, rain: bool}
     */
    public function sky(?Site $site, CarbonImmutable $at): array
    {
        $sky = $this->weather->hours(
            $site->latitude ?? Weather::SOMEWHERE[0],
            $site->longitude ?? Weather::SOMEWHERE[1],
            $at,
            1,
        )[0];

        return [
            'air_c' => $sky->air->airC,
            'rh' => $sky->air->rh,
            'wind_m_s' => $sky->air->windMS,
            'sun_w_m2' => $sky->air->sunWM2,
            'cloud' => $sky->air->cloud,
            'rain' => $sky->rainMm >= $this->tenancy->workspace()->house()->sky->wetMm,
        ];
    }

    /**
     * @return array{water: string, tap_tds_mg_l: float|null, tap_hardness_mg_l: float|null, treated_tds_mg_l: float|null, pressure: bool, power: bool,
     *     shade: bool, bay: bool, run_off: string|null, battery: bool} where it stands, with what comes along: treated
     *     water for the last rinse, packs for the dryer
     */
    public static function place(?Vehicle $vehicle, AtHand $atHand): array
    {
        $site = $vehicle?->site;
        $battery = $atHand->blowsFromPacks;
        if ($site === null) {
            return [
                'water' => 'tap',
                'tap_tds_mg_l' => null,
                'tap_hardness_mg_l' => null,
                'treated_tds_mg_l' => null,
                'pressure' => true,
                'power' => true,
                'shade' => false,
                'bay' => false,
                'run_off' => null,
                'battery' => $battery,
            ];
        }

        return [
            'water' => $site->water === 'tap' && $atHand->treatedL !== null ? 'treated' : $site->water,
            'tap_tds_mg_l' => $site->tds_mg_l,
            'tap_hardness_mg_l' => $site->hardness_mg_l,
            'treated_tds_mg_l' => $site->treated_tds_mg_l,
            'pressure' => $site->pressure,
            'power' => $site->power,
            'shade' => $site->shade,
            'bay' => $site->bay,
            'run_off' => $site->run_off,
            'battery' => $battery,
        ];
    }
}
