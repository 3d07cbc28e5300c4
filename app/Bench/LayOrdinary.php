<?php

declare(strict_types=1);

namespace App\Bench;

use App\Book\Vehicle;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Matching\Turn\Scope;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Visit\Visit;

/** A visit of an ordinary day, laid out in thought: what plan, quote, year ahead and paces reckon with. */
final readonly class LayOrdinary
{
    public function __construct(private LayVisit $layVisit) {}

    /**
     * @param list<Kind> $kinds
     * @param array<string, mixed> $place  what is otherwise than where it stands
     * @param array<string, mixed> $more   further facts (BenchInput)
     *
     * @throws InvalidInput
     */
    public function __invoke(
        Vehicle $vehicle,
        AtHand $atHand,
        array $kinds = [Kind::Wash],
        int $people = 1,
        int $soil = OrdinaryDay::SOIL,
        bool $grit = false,
        ?string $scope = null,
        array $place = [],
        array $more = [],
    ): Visit {
        $vehicle->loadMissing(['site', 'standing.forecast']);

        return ($this->layVisit)(
            new VisitWish(
                $vehicle,
                '',
                $people,
                [],
                [
                    'seen' => ['soil' => $soil, 'grit' => $grit, 'on' => []],
                    'place' => [...ExpectVisit::place($vehicle, $atHand), ...$place],
                    'weather' => OrdinaryDay::WEATHER,
                    'kinds' => array_map(static fn(Kind $kind): string => $kind->value, $kinds),
                    'scope' => Scope::of($scope ?? $vehicle->scope)->written(),
                    ...$more,
                ],
            ),
            $atHand,
        )->visit;
    }
}
