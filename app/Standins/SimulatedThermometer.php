<?php

declare(strict_types=1);

namespace App\Standins;

use DateTimeImmutable;
use Vicissa\Core\Drying\DryPanel;
use Vicissa\Core\Drying\Exposure;
use Vicissa\Core\Drying\Tone;

/** Shows where the simulated weather would put a panel of that colour, give or take a degree. */
final readonly class SimulatedThermometer implements InfraredThermometer
{
    public function __construct(private Weather $weather) {}

    public function aim(?Whereabouts $place, Tone $tone, Exposure $exposure, DateTimeImmutable $at): float
    {
        $hour = $this->weather->hours(
            $place->latitude ?? Weather::SOMEWHERE[0],
            $place->longitude ?? Weather::SOMEWHERE[1],
            $at,
            1,
        )[0];
        $settled = DryPanel::settlesAt(
            $hour->air->shaded($exposure->ofSun()),
            $tone->absorptance(),
            $exposure->lie(),
            $hour->cloud,
        );

        return round(
            $settled + Noise::of('infrared', $place?->id, $tone->value, $exposure->value, $at->format('Y-m-d H:i')),
            1,
        );
    }
}
