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

    /** @throws InvalidInput */
    public function __invoke(Vehicle $vehicle, AtHand $atHand, OrdinaryWish $wish = new OrdinaryWish()): Visit
    {
        $vehicle->loadMissing(['site', 'standing.forecast']);

        return ($this->layVisit)(
            new VisitWish(
                $vehicle,
                '',
                $wish->people,
                [],
                [
                    'seen' => ['soil' => $wish->soil, 'grit' => $wish->grit, 'on' => []],
                    'place' => [...ExpectVisit::place($vehicle, $atHand), ...$wish->place],
                    'weather' => OrdinaryDay::WEATHER,
                    'kinds' => array_map(static fn(Kind $kind): string => $kind->value, $wish->kinds),
                    'scope' => Scope::of($wish->scope ?? $vehicle->scope)->written(),
                    ...$wish->more,
                ],
            ),
            $atHand,
        )->visit;
    }
}
