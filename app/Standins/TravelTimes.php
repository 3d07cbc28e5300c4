<?php

declare(strict_types=1);

namespace App\Standins;

/** Minutes from one place to another; without a place, the unit one leaves from. */
interface TravelTimes
{
    public function minutes(?Whereabouts $from, ?Whereabouts $to): int;
}
