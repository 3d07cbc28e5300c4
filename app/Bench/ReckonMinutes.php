<?php

declare(strict_types=1);

namespace App\Bench;

use App\Book\Layer;
use App\Book\Vehicle;
use App\Record\TurnEntry;
use Illuminate\Database\Eloquent\Collection;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Says\Said;

/**
 * How many minutes a vehicle's visits take on an ordinary day, and what each kind adds: visits laid out as everywhere
 * else. The plan searches with these; a visit of the next days is laid out for its own day. What was reckoned is kept
 * as long as nothing it rests on has changed.
 */
final readonly class ReckonMinutes
{
    public function __construct(private LayOrdinary $layOrdinary, private KeepLaid $keepLaid) {}

    /**
     * @param Collection<int, Vehicle> $vehicles
     * @param list<int> $crews  how many people come, each size once
     * @param array<string, int>|null $soils  by vehicle; as it was last time when left out
     * @return array<string, array{by: array<int, array{wash: int, topper: int, decon: int, inspection: int, base: int,
     *     recoat: int}>, says: Said|null}> by vehicle; says where it can't be laid out as it stands
     */
    public function __invoke(Collection $vehicles, array $crews, AtHand $atHand, ?array $soils = null): array
    {
        $vehicles->loadMissing(['site', 'standing.forecast']);
        /** @var list<string> $ids */
        $ids = $vehicles->modelKeys();
        $last = $soils ?? TurnEntry::lastOf($ids)->addSelect('turn_entries.soil')->pluck('soil', 'of_vehicle')->all();
        $asked = [];
        foreach ($vehicles as $vehicle) {
            $pace = $atHand->pace->for($vehicle->id);
            $asked[$vehicle->id] = [
                $vehicle,
                [$vehicle->site?->getAttributes(), $last[$vehicle->id] ?? null, $crews, $pace],
            ];
        }

        return $this->keepLaid->each(
            'minutes',
            $asked,
            $atHand,
            fn(string $id): array => $this->of($asked[$id][0], $crews, $last[$id] ?? OrdinaryDay::SOIL, $atHand),
        );
    }

    /**
     * Minutes of visits that can't be laid out as things stand, so that every place plans with the same: as on a better
     * day (see minutes()).
     *
     * @param array<int, VisitWish> $wishes
     * @return array<int, int> by the keys given
     */
    public function standIns(array $wishes, AtHand $atHand): array
    {
        if ($wishes === []) {
            return [];
        }
        $vehicles = (new Collection(
            array_values(array_map(static fn(VisitWish $wish): Vehicle => $wish->vehicle, $wishes)),
        ))
            ->unique('id')
            ->values();
        $soils = [];
        foreach ($wishes as $wish) {
            $soils[$wish->vehicle->id] = (int) data_get($wish->facts, 'seen.soil', OrdinaryDay::SOIL);
        }
        $minutes = $this(
            $vehicles,
            array_values(array_unique(array_map(static fn(VisitWish $wish): int => $wish->people, $wishes))),
            $atHand,
            $soils,
        );

        return array_map(static function (VisitWish $wish) use ($minutes): int {
            $kinds = is_array($wish->facts['kinds'] ?? null) ? $wish->facts['kinds'] : [Kind::Wash->value];

            return (int) array_sum(
                array_intersect_key(
                    $minutes[$wish->vehicle->id]['by'][$wish->people],
                    array_flip([Kind::Wash->value, ...array_filter($kinds, is_string(...))]),
                ),
            );
        }, $wishes);
    }

    /**
     * @param list<int> $crews
     * @return array{by: array<int, array{wash: int, topper: int, decon: int, inspection: int, base: int, recoat: int}>,
     *     says: Said|null}
     */
    private function of(Vehicle $vehicle, array $crews, int $soil, AtHand $atHand): array
    {
        $by = [];
        $says = null;
        foreach ($crews as $people) {
            $usual = $this->minutes($vehicle, $people, $soil, $vehicle->scope, [Kind::Wash], $atHand, $says);
            $with = fn(Kind $kind): int => max(
                0,
                $this->minutes($vehicle, $people, $soil, $vehicle->scope, [Kind::Wash, $kind], $atHand) - $usual,
            );
            $wash = $usual;
            if ($vehicle->full_every !== null && $vehicle->scope !== 'full') {
                // One in so many is a full one; the search reckons with the mean of them.
                $wash = (int) round(
                    ($usual * ($vehicle->full_every - 1) +
                        $this->minutes($vehicle, $people, $soil, 'full', [Kind::Wash], $atHand)) /
                        $vehicle->full_every,
                );
            }
            $base = $vehicle->standing->first(
                static fn(Layer $layer): bool => $layer->kind === 'base' && $layer->zone === Zone::Paint->value,
            );
            $by[$people] = [
                'wash' => $wash,
                'topper' => $with(Kind::Topper),
                'decon' => $with(Kind::Decon),
                'inspection' => $with(Kind::Inspection),
                'base' => $base === null ? 0 : $with(Kind::Base),
                'recoat' => 0,
            ];
        }

        return ['by' => $by, 'says' => $says];
    }

    /**
     * @param list<Kind> $kinds
     * @param Said|null $says  hears why it can't be worked as it stands
     */
    private function minutes(
        Vehicle $vehicle,
        int $people,
        int $soil,
        string $scope,
        array $kinds,
        AtHand $atHand,
        ?Said &$says = null,
    ): int {
        // As it stands; where it can't be worked so, as it would be on a better day: cleaner, then with water.
        foreach (
            [[$soil, []], [min($soil, 1), []], [min($soil, 2), ['water' => 'tap', 'pressure' => true, 'shade' => true]]]
            as $try => [$level, $better]
        ) {
            $visit = ($this->layOrdinary)(
                $vehicle,
                $atHand,
                new OrdinaryWish($kinds, $people, $level, scope: $scope, place: $better),
            );
            if ($try === 0 && $visit->problems !== [] && $visit->schedule === null) {
                $says = $visit->problems[0];
            }
            if ($visit->totals->minutes !== null) {
                return $visit->totals->minutes;
            }
        }
        $hands = 0.0;
        foreach ($visit->steps as $step) {
            $hands += $step->minutes * $step->people;
        }

        return (int) round($hands / $people);
    }
}
