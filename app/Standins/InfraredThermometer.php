<?php

declare(strict_types=1);

namespace App\Standins;

use App\Models\Site;
use DateTimeImmutable;
use Vicissa\Core\Drying\Exposure;
use Vicissa\Core\Drying\Tone;

/** A thermometer one aims at a panel. */
interface InfraredThermometer
{
    /** @return float °C, as it shows */
    public function aim(?Site $site, Tone $tone, Exposure $exposure, DateTimeImmutable $at): float;
}
