<?php

declare(strict_types=1);

namespace App\Bench;

use App\Book\Vehicle;
use App\Record\VehicleFacts;
use App\Shelf\Product;
use App\Tenancy\Tenancy;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Matching\Turn\Asked;
use Vicissa\Core\Matching\Turn\Assessment;
use Vicissa\Core\Matching\Turn\Bottle;
use Vicissa\Core\Matching\Turn\Conditions;
use Vicissa\Core\Matching\Turn\Hour;
use Vicissa\Core\Matching\Turn\MatchedVehicle as MatchVehicle;
use Vicissa\Core\Matching\Turn\Place;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Matching\Turn\Situation;

/** Gathers what a match needs: the vehicle as it stands in the book or as it was described, the shelf, the schools. */
final readonly class MatchTurn
{
    public function __construct(private Tenancy $tenancy, private ClockInterface $clock) {}

    /**
     * @param Vehicle|MatchVehicle $vehicle  of the book, or described
     * @param Schools $own                   sides tried for this once, over the vehicle's and the workspace's
     * @param list<Bottle>|null $shelf       as it stands when left out
     * @return array{Situation, Schools}
     */
    public function __invoke(
        Vehicle|MatchVehicle $vehicle,
        Assessment $seen,
        Place $place,
        Hour $hour,
        Schools $own,
        ?array $shelf = null,
        Asked $asked = new Asked(),
    ): array {
        $workspace = $this->tenancy->workspace();
        $schools = $vehicle instanceof Vehicle ? $vehicle->sidesIn($workspace) : $workspace->sides();
        $subject =
            $vehicle instanceof Vehicle
                ? VehicleFacts::of(
                    $vehicle,
                    $vehicle->relationLoaded('standing')
                        ? $vehicle->standing
                        : $vehicle->standing()->with('forecast')->get(),
                    $this->clock->now(),
                )
                : $vehicle;
        $rules = $workspace->house()->match;
        $shelf ??= Product::onTheShelf();

        return [
            new Situation(
                $subject,
                $seen,
                $place,
                Conditions::at($hour->air, $subject, $place, $hour->panelC, $hour->rain, $rules),
                $shelf,
                $rules,
                asked: $asked,
            ),
            $schools->under($own),
        ];
    }
}
