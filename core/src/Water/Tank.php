<?php

declare(strict_types=1);

namespace Vicissa\Core\Water;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

/** A tank of treated water with a float switch: filling starts at or below one level and stops when it is full. */
final readonly class Tank
{
    /**
     * @param float $tankL      what it holds, l
     * @param float $onBelowL   filling starts when the level is at or below this, l
     * @param float $makeLMin   treated water made while it fills, l/min
     * @param float $recovery   made ÷ feed, 0 to 1
     *
     * @throws InvalidInput
     */
    public function __construct(
        public float $tankL,
        public float $onBelowL,
        public float $makeLMin,
        public float $recovery,
    ) {
        if (!is_finite($tankL) || $tankL <= 0.0 || $tankL > 20000.0) {
            throw InvalidInput::at('tank_l', Said::of('fault.tank'));
        }
        InvalidInput::unlessBetween('on_below_l', $onBelowL, 0, $tankL, 'l');
        InvalidInput::unlessBetween('make_l_min', $makeLMin, 0, 200, 'l/min');
        if (!is_finite($recovery) || $recovery <= 0.0 || $recovery > 1.0) {
            throw InvalidInput::at('recovery', Said::of('fault.recovery'));
        }
    }

    /**
     * Runs it event by event; between events the level changes evenly, so nothing is approximated.
     *
     * @param list<Draw> $draws
     *
     * @throws InvalidInput
     */
    public function run(float $startL, array $draws, float $horizonMin): TankRun
    {
        InvalidInput::unlessBetween('start_l', $startL, 0, $this->tankL, 'l');
        InvalidInput::unlessBetween('horizon_min', $horizonMin, 0, 100000, 'min');
        $stops = [0.0, $horizonMin];
        foreach ($draws as $draw) {
            array_push($stops, min($horizonMin, $draw->startMin), min($horizonMin, $draw->startMin + $draw->minutes));
        }
        sort($stops);
        $stops = array_values(array_unique($stops));
        [$t, $level, $made, $short] = [0.0, $startL, 0.0, 0.0];
        $filling = $level <= $this->onBelowL;
        [$minL, $minAt, $emptyAt] = [$level, 0.0, null];
        $points = [['min' => 0.0, 'l' => $level]];
        foreach (array_slice($stops, 1) as $stop) {
            $drawn = array_sum(array_map(static fn(Draw $draw): float => $draw->at($t) ? $draw->lMin : 0.0, $draws));
            while ($t < $stop) {
                $make = $filling ? $this->makeLMin : 0.0;
                $rate = $make - $drawn;
                $left = $stop - $t;
                if ($level <= 0.0 && $rate < 0.0) {
                    // Dry: what is made goes straight out, the rest is missed.
                    $emptyAt ??= $t;
                    $short -= $rate * $left;
                    $made += $make * $left;
                    $t = $stop;
                } else {
                    $to = match (true) {
                        $rate < 0.0 && !$filling && $level > $this->onBelowL => $this->onBelowL,
                        $rate < 0.0 => 0.0,
                        $rate > 0.0 => $this->tankL,
                        default => null,
                    };
                    $takes = $to === null ? INF : ($to - $level) / $rate;
                    $step = min($left, $takes);
                    $made += $make * $step;
                    $t = $step === $left ? $stop : $t + $step;
                    $level = $takes <= $left && $to !== null ? $to : $level + $rate * $step;
                }
                $filling = match (true) {
                    $filling && $level >= $this->tankL => false,
                    !$filling && $level <= $this->onBelowL => true,
                    default => $filling,
                };
                if ($level < $minL - 1e-12) {
                    [$minL, $minAt] = [$level, $t];
                }
                $points[] = ['min' => $t, 'l' => $level];
            }
        }

        return new TankRun($minL, $minAt, $emptyAt, $short, $level, $made, $made / $this->recovery, $points);
    }
}
