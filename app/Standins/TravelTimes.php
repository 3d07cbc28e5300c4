<?php

declare(strict_types=1);

namespace App\Standins;

use App\Models\Site;

/** Minutes from one place to another; without a place, the unit one leaves from. */
interface TravelTimes
{
    public function minutes(?Site $from, ?Site $to): int;
}
