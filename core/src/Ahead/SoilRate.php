<?php

declare(strict_types=1);

namespace Vicissa\Core\Ahead;

use Vicissa\Core\Protection\Habits;
use Vicissa\Core\Protection\WearFactors;

/**
 * How fast a vehicle gets dirty, in levels of soil (domain §5) a day: what settles on it where it stands, and what it
 * throws up where it drives. A working default: a car outdoors with 200 km a week on ordinary roads has a road film
 * after a fortnight.
 */
final readonly class SoilRate
{
    public static function perDay(
        Habits $habits,
        float $settles = 0.05,
        float $throwsUp = 0.1,
        WearFactors $factors = new WearFactors(),
    ): float {
        return $settles * $factors->storage[$habits->storage->value] +
            $throwsUp * sqrt($habits->kmPerWeek / $factors->referenceKm) * $factors->road[$habits->road->value];
    }
}
