<?php

declare(strict_types=1);

namespace App\Standins;

use App\Models\Site;

/** A pen one dips into water: dissolved solids. */
interface TdsPen
{
    /**
     * @param "tap"|"ro"|"treated"|"tank" $point
     * @return float mg/l, as it shows
     */
    public function read(?Site $site, string $point): float;
}
