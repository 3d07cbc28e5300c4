<?php

declare(strict_types=1);

namespace Vicissa\Core\Record;

use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Family;
use Vicissa\Core\Protection\WearFactors;

/** The turns a layer has lived through, oldest first. */
final readonly class WearingTurns
{
    /** How many of the last turns speak for a habit. */
    private const HABIT = 6;

    /** @param list<LoggedTurn> $turns */
    public function __construct(public array $turns) {}

    /**
     * Wear-weeks that one usual wash costs: its share by how it is done, less what a drying aid gives back.
     */
    public function usualWash(Zone $zone, Family $family, WearFactors $factors): float
    {
        $last = array_slice($this->turns, -self::HABIT);
        if ($last === []) {
            return $factors->washing * $factors->washFactor([]);
        }
        $cost = array_map(
            static fn(LoggedTurn $turn): float => $factors->washing * $factors->washFactor($turn->traits($zone)) -
                ($turn->dryingAidFor($zone, $family) ? $factors->dryingAidGivesBack : 0.0),
            $last,
        );

        return array_sum($cost) / count($cost);
    }
}
