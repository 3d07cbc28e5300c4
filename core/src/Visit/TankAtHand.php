<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

/** Treated water that is at hand. */
final readonly class TankAtHand
{
    /** @param float $makeLMin  what the treatment gives where there is a tap, l/min; 0 where there is none */
    public function __construct(public float $holdsL, public float $startL, public float $makeLMin) {}
}
