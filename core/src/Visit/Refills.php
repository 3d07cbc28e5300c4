<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

use Vicissa\Core\Matching\Turn\Situation;
use Vicissa\Core\Matching\Turn\TurnMatch;
use Vicissa\Core\Matching\Water;
use Vicissa\Core\Says\Said;

/** Before which goes the tank has to be filled again, so that no soap waits for water. */
final readonly class Refills
{
    public function __construct(private TurnMatch $match, private Situation $situation, private Outfit $outfit) {}

    /** Litres of treated water the final rinse takes; 0 when it comes from the tap. */
    public function litres(float $share = 1.0): float
    {
        return $this->match->finalRinse->water === Water::Treated
            ? $this->outfit->rules->rinseLM2 * $this->situation->vehicle->paintM2 * $share
            : 0.0;
    }

    /**
     * @param list<array{panels: list<string>, share: float}> $goes
     * @return array{minutes: int, says: Said}|null
     */
    public function before(array $goes, int $go): ?array
    {
        $tank = $this->outfit->tank;
        if ($tank === null || $tank->makeLMin <= 0.0 || $this->litres() === 0.0) {
            return null;
        }
        [$level, $refilled, $missing] = [$tank->startL, false, 0.0];
        for ($i = 0; $i <= $go; $i++) {
            $need = min($tank->holdsL, $this->litres($goes[$i]['share']));
            $refilled = $level < $need;
            $missing = $tank->holdsL - $level;
            $level = ($refilled ? $tank->holdsL : $level) - $need;
        }
        $minutes = (int) ceil($missing / $tank->makeLMin);

        return $refilled
            ? [
                'minutes' => $minutes,
                'says' => Said::of('refills.the-tank-holds-l-and-the', holdsL: round($tank->holdsL), minutes: $minutes),
            ]
            : null;
    }

    /** What has to be said when the water can't last; null when it can. */
    public function shortfall(): ?Said
    {
        $tank = $this->outfit->tank;
        $need = $this->litres();
        if ($tank === null || $need <= $tank->startL || $tank->makeLMin > 0.0) {
            return null;
        }

        return Said::of('refills.the-final-rinse-takes-about', need: round($need), startL: round($tank->startL));
    }
}
