<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Drying\Air;
use Vicissa\Core\Drying\DryPanel;
use Vicissa\Core\Drying\Film;
use Vicissa\Core\Drying\Panel;
use Vicissa\Core\Drying\WorkingWindow;

/** The hour of work: the air at the panel, the panel's temperature, and how long each film stays workable on it. */
final readonly class Conditions
{
    /** @param array<string, float|null> $workingS  by Film value */
    private function __construct(
        public Air $outside,
        public Air $air,
        public float $panelC,
        public bool $panelMeasured,
        public bool $raining,
        /** Where the panel settles while it is kept wet, °C. */
        public float $wetPanelC,
        public array $workingS,
    ) {}

    /**
     * @param Air $outside        the weather in the open
     * @param float|null $panelC  as measured, °C; null has it reckoned from air, sun and colour
     */
    public static function at(
        Air $outside,
        MatchedVehicle $vehicle,
        Place $place,
        ?float $panelC = null,
        bool $rain = false,
        MatchRules $rules = new MatchRules(),
    ): self {
        $air = match (true) {
            $place->bay => new Air(
                max($outside->airC, $rules->bayC),
                min($outside->rh, $rules->bayRh),
                $rules->bayWindMS,
                0.0,
            ),
            $place->shade => $outside->shaded($rules->shadeLeavesSun),
            default => $outside,
        };
        $c = $panelC ?? self::settles($air, $vehicle, $place);
        $panel = new Panel($vehicle->tone->absorptance(), $vehicle->material->heat(), $c);
        $windows = $working = [];
        foreach (Film::cases() as $film) {
            // Two films weigh the same and dry alike.
            $window = $windows[(string) $film->kgM2()] ??= WorkingWindow::of($air, $panel, $film->kgM2());
            $working[$film->value] = $window->workingS();
        }

        return new self($outside, $air, $c, $panelC !== null, $rain && !$place->bay, $window->wetPanelC, $working);
    }

    /** Where its panels settle, °C, within what a panel may be: under a roof no sky is seen. */
    public static function settles(Air $air, MatchedVehicle $vehicle, Place $place): float
    {
        return Panel::within(
            $place->bay
                ? DryPanel::settlesAt($air, $vehicle->tone->absorptance(), cloud: 1.0)
                : DryPanel::settlesAt($air, $vehicle->tone->absorptance()),
        );
    }

    /** Seconds in which to be done with a film; null when it stays wet. */
    public function workingS(Film $film): ?float
    {
        return $this->workingS[$film->value];
    }

    /** Frost in the open, whatever it is like under a roof. */
    public function isFreezing(MatchRules $rules): bool
    {
        return $this->outside->airC < $rules->frostC;
    }
}
