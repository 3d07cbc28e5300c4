<?php

declare(strict_types=1);

namespace App\Standins;

/** A pen one dips into water: dissolved solids. */
interface TdsPen
{
    /**
     * @param "tap"|"ro"|"treated"|"tank" $point
     * @return float mg/l, as it shows
     */
    public function read(?Whereabouts $place, string $point): float;
}
