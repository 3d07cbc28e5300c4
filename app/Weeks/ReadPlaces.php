<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Book\Site;
use Illuminate\Support\Collection;
use Vicissa\Core\Planning\PlanCrew;
use Vicissa\Core\Planning\PlanSite;
use Vicissa\Core\Planning\PlanVehicle;

/** Where vehicles stand, how far that is, and on which days somebody is let in. */
final readonly class ReadPlaces
{
    /** Minutes of travel to a vehicle that has no place. */
    private const HOP_SOMEWHERE = 15;

    /**
     * @param Collection<int, Site> $sites
     * @param Collection<int, Closure> $closures
     * @param list<PlanCrew> $crews
     * @param list<PlanVehicle> $vehicles
     * @return list<PlanSite>
     */
    public function __invoke(
        Calendar $calendar,
        Collection $sites,
        Collection $closures,
        array $crews,
        array $vehicles,
    ): array {
        $shut = $closures->whereNotNull('site_id')->groupBy('site_id');
        $somewhere = array_filter(
            $vehicles,
            static fn(PlanVehicle $vehicle): bool => str_starts_with($vehicle->site, VehicleWants::BY),
        );

        return array_values([
            ...$sites
                ->map(
                    fn(Site $site): PlanSite => new PlanSite(
                        $site->id,
                        $site->travel_min,
                        $calendar->closed($shut->get($site->id, new Collection())) + $this->uninsured($site, $calendar),
                        $this->barred($site, $crews, $calendar),
                        $site->certificate_expires_on === null ? null : $calendar->day($site->certificate_expires_on),
                        $site->bay,
                    ),
                )
                ->all(),
            ...array_map(
                static fn(PlanVehicle $vehicle): PlanSite => new PlanSite($vehicle->site, self::HOP_SOMEWHERE),
                $somewhere,
            ),
        ]);
    }

    /**
     * Where the proof of insurance has run out nobody goes, whatever is locked; and where there is a register, a crew
     * goes as long as the papers of all its people on it hold.
     *
     * @param list<PlanCrew> $crews
     * @return array<string, array<int, true>>
     */
    private function barred(Site $site, array $crews, Calendar $calendar): array
    {
        $uninsured = $this->uninsured($site, $calendar);
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
            $ends = $of?->pluck('valid_until')->filter()->map($calendar->day(...))->all() ?? [];
            $from =
                $of === null
                    ? $calendar->start
                    : ($ends === []
                        ? $calendar->end()
                        : max($calendar->start, min($ends) + 1));
            if ($from < $calendar->end()) {
                $barred[$crew->id] =
                    array_fill_keys(range($from, $calendar->end() - 1), true) + ($barred[$crew->id] ?? []);
            }
        }

        return $barred;
    }

    /** @return array<int, true> days after the proof of insurance has run out */
    private function uninsured(Site $site, Calendar $calendar): array
    {
        $until = $site->certificate_expires_on === null ? null : $calendar->day($site->certificate_expires_on);

        return $until === null || $until >= $calendar->end() - 1
            ? []
            : array_fill_keys(range(max($calendar->start, $until + 1), $calendar->end() - 1), true);
    }
}
