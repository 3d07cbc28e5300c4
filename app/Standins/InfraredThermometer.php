<?php

declare(strict_types=1);

namespace App\Standins;

use DateTimeImmutable;
use Vicissa\Core\Drying\Exposure;
use Vicissa\Core\Drying\Tone;

/** A thermometer one aims at a panel. */
interface InfraredThermometer
{
    /** @return float °C, as it shows */
    public function aim(?Whereabouts $place, Tone $tone, Exposure $exposure, DateTimeImmutable $at): float;
}
