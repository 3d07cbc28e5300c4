<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Bench\GatherAtHand;
use App\Bench\ReckonMinutes;
use App\Book\Crew;
use App\Book\Site;
use App\Book\Vehicle;
use App\Standins\Weather;
use App\Standins\WeatherHour;
use App\Tenancy\Tenancy;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Planning\Instance;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Planning\PlanCrew;
use Vicissa\Core\Planning\PlanVehicle;
use Vicissa\Core\Planning\Sky;
use Vicissa\Core\Says\Said;

/**
 * Everything the plan needs to know, from the book: who works when, what stands where, how long a vehicle takes, when
 * its topper, its decontamination and its deadlines fall. Queries don't grow with the vehicles.
 */
final readonly class GatherWeeks
{
    public const DAYS = 56;

    /** Beyond so many days a weather forecast says nothing. */
    private const WEATHER_DAYS = 10;

    public function __construct(
        private Tenancy $tenancy,
        private ClockInterface $clock,
        private Weather $weather,
        private ReckonMinutes $reckonMinutes,
        private GatherAtHand $gatherAtHand,
        private JudgeDays $judgeDays,
        private ReadCrews $readCrews,
        private ReadPlaces $readPlaces,
    ) {}

    /**
     * @param list<array{vehicle: string, date: string, crew: string, kinds: list<string>, locked: bool}>|null $standing
     *     what counts as planned; the book's when left out
     */
    public function __invoke(?array $standing = null, int $days = self::DAYS): Weeks
    {
        $workspace = $this->tenancy->workspace();
        $today = CarbonImmutable::instance($this->clock->now())->setTimezone($workspace->time_zone)->startOfDay();
        $calendar = new Calendar($today, $days, $workspace->time_zone);
        // Read once, for wants, minutes, days and whoever draws them.
        $vehicles = Vehicle::query()
            ->with(['site', 'standing.forecast'])
            ->whereNull('archived_at')
            ->orderBy('name')
            ->orderBy('id')
            ->get();
        $sites = Site::query()->with('admissions')->orderBy('id')->get();
        $closures = Closure::query()->where('to_on', '>', $today->toDateString())->get();
        $crews = ($this->readCrews)($calendar, $closures->whereNull('vehicle_id')->whereNull('site_id'));
        $wants = new VehicleWants($workspace, $calendar, $vehicles, $closures, $standing);
        $sizes = array_values(array_unique([1, ...array_map(static fn(PlanCrew $crew): int => $crew->people, $crews)]));
        $atHand = ($this->gatherAtHand)();
        $minutes = ($this->reckonMinutes)($vehicles, $sizes, $atHand);
        $of = array_values(
            $vehicles
                ->map(
                    static fn(Vehicle $vehicle): PlanVehicle => $wants->of(
                        $vehicle,
                        $minutes[$vehicle->id]['by'],
                        $atHand->pace->for($vehicle->id),
                    ),
                )
                ->all(),
        );
        $sky = $this->sky($sites, $today, $calendar->start);
        $lost = ($this->judgeDays)($this->weathered($of, $vehicles, self::judged($sky, $crews)), $atHand);
        $of = array_map(
            static fn(PlanVehicle $vehicle): PlanVehicle => $vehicle->without($lost[$vehicle->id] ?? []),
            $of,
        );
        $places = ($this->readPlaces)($calendar, $sites, $closures, $crews, $of);

        return new Weeks(
            new Instance($calendar->start, $days, $crews, $sky, $places, $of, $workspace->house()->plan),
            $vehicles->keyBy('id')->all(),
            array_filter(array_map(static fn(array $one): ?Said => $one['says'], $minutes)),
            $atHand,
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
}
