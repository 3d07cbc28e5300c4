<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

/** The weeks to be planned (domain, model "plan"). */
final readonly class Instance
{
    /** Kind bits that weather of a kind forbids: topper, decontamination, base. */
    public const WEATHERED = 11;

    /** @var array<string, PlanSite> */
    public array $sites;

    /** The day after the last. */
    public int $end;

    /**
     * @param int $start              day number of the first day
     * @param list<PlanCrew> $crews
     * @param array<int, Sky> $sky    by day number; a day that is missing is fine
     * @param list<PlanSite> $sites
     * @param list<PlanVehicle> $vehicles
     *
     * @throws InvalidInput
     */
    public function __construct(
        public int $start,
        public int $days,
        public array $crews,
        public array $sky,
        array $sites,
        public array $vehicles,
        public PlanRules $rules = new PlanRules(),
    ) {
        InvalidInput::unlessBetween('days', $days, 1, 371, 'days');
        InvalidInput::unlessBetween('rules.holds', $rules->holds, 50, 99, '%');
        $this->end = $start + $days;
        $byId = [];
        foreach ($sites as $i => $site) {
            InvalidInput::unlessBetween("sites.{$i}.hop_min", $site->hopMin, 0, 1440, 'minutes');
            $byId[$site->id] = $site;
        }
        $this->sites = $byId;
        $seen = [];
        foreach ($vehicles as $i => $vehicle) {
            if (!isset($byId[$vehicle->site])) {
                throw InvalidInput::at("vehicles.{$i}.site", Said::of('fault.site', site: $vehicle->site));
            }
            if (isset($seen[$vehicle->id])) {
                throw InvalidInput::at("vehicles.{$i}.id", Said::of('fault.twice', id: $vehicle->id));
            }
            $seen[$vehicle->id] = true;
            if ($vehicle->min < 1 || $vehicle->min > $vehicle->target || $vehicle->target > $vehicle->max) {
                throw InvalidInput::at("vehicles.{$i}.cadence", Said::of('fault.cadence'));
            }
            InvalidInput::unlessBetween("vehicles.{$i}.spread", $vehicle->spread, 0.0, 2.0, '');
            InvalidInput::unlessBetween("vehicles.{$i}.common", $vehicle->common, 0.0, $vehicle->spread, '');
            foreach ($vehicle->minutes as $kind => $minutes) {
                InvalidInput::unlessBetween(
                    "vehicles.{$i}.minutes.{$kind}",
                    $minutes,
                    0,
                    $vehicle->mayStay ? 7 * 1440 : 1440,
                    'minutes',
                );
            }
            foreach (
                [
                    'topper' => $vehicle->topper,
                    'decon' => $vehicle->decon,
                    'base' => $vehicle->base,
                    'inspection' => $vehicle->inspection,
                ]
                as $what => $cycle
            ) {
                if ($cycle !== null) {
                    InvalidInput::unlessBetween("vehicles.{$i}.{$what}.repeat_days", $cycle->repeat, 1, 3660, 'days');
                }
            }
            if ($vehicle->lastWash >= $start) {
                throw InvalidInput::at("vehicles.{$i}.last_wash", Said::of('fault.last-wash'));
            }
        }
    }

    /** @return array<string, PlanVehicle> by id */
    public function byId(): array
    {
        return array_combine(
            array_map(static fn(PlanVehicle $vehicle): string => $vehicle->id, $this->vehicles),
            $this->vehicles,
        );
    }

    /** @return array<string, PlanCrew> by id */
    public function crewsById(): array
    {
        return array_combine(array_map(static fn(PlanCrew $crew): string => $crew->id, $this->crews), $this->crews);
    }

    public function sky(int $day): Sky
    {
        return $this->sky[$day] ?? new Sky();
    }

    /** What a day's weather lets be done on a vehicle where it stands: a bay has none. */
    public function skyOver(PlanVehicle $vehicle, int $day): Sky
    {
        return $this->siteOf($vehicle)->bay ? new Sky() : $this->sky($day);
    }

    /** Kind bits that may be asked of a vehicle's day: weather, and what there is to do them with. */
    public function kindsOn(PlanVehicle $vehicle, int $day): int
    {
        return ($this->skyOver($vehicle, $day)->topper ? 31 : 31 & ~self::WEATHERED) & ~($vehicle->without[$day] ?? 0);
    }

    public function siteOf(PlanVehicle $vehicle): PlanSite
    {
        return $this->sites[$vehicle->site];
    }

    /** @return list<PlanCrew> who works on a day and is let in where the vehicle stands */
    public function mayGo(PlanVehicle $vehicle, int $day): array
    {
        $site = $this->siteOf($vehicle);

        return array_values(
            array_filter(
                $this->crews,
                static fn(PlanCrew $crew): bool => ($crew->minutes[$day] ?? 0) > 0 && $site->admits($crew->id, $day),
            ),
        );
    }

    /** Whether a visit that isn't locked may fall on a day: vehicle, site and weather; crews are another matter. */
    public function isOpen(PlanVehicle $vehicle, int $day): bool
    {
        return $day >= $this->start &&
            $day < $this->end &&
            !isset($vehicle->closed[$day]) &&
            !isset($this->siteOf($vehicle)->closed[$day]) &&
            $this->skyOver($vehicle, $day)->wash;
    }
}
