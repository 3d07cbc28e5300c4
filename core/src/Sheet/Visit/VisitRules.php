<?php

declare(strict_types=1);

namespace Vicissa\Core\Sheet\Visit;

/** Hands-on minutes of each kind of step, as a set a workspace may replace; its own pace goes on top. */
final readonly class VisitRules
{
    /**
     * @param array<string, array{float, float}> $minutes  by kind of step: minutes to begin with, and minutes a m² of paint
     * @param array<string, float> $washM2                 contact wash by Method value, minutes a m²
     * @param array<string, float> $dryM2                  drying by its way, minutes a m²
     * @param float $dirtier                               each level of soil above 2 makes the contact wash so much longer
     * @param float $fill                                  minutes a bucket or bottle takes to fill
     * @param float $goM2                                  at most so much paint is washed before it is rinsed
     * @param int $rinseWithin                             minutes after the contact wash in which soap is rinsed off
     * @param array{int, int} $tyreWipe                    minutes after dressing in which tyres are wiped back
     * @param float $rinseLM2                              litres of a rinse a m²
     * @param float $wheelsRinseL                          litres that rinse four wheels
     * @param int $mostGoes                                more goes than this is no way to work
     */
    public function __construct(
        public array $minutes = [
            'look' => [3.0, 0.05], 'water' => [2.0, 0.03], 'mix' => [1.0, 0.0], 'platform' => [4.0, 0.0], 'refill' => [3.0, 0.0],
            'wheels-spray' => [1.5, 0.0], 'wheels-brush' => [10.0, 0.0], 'wheels-rinse' => [3.0, 0.0], 'wheels-wipe' => [10.0, 0.0], 'wheels-iron' => [2.0, 0.0], 'wheels-iron-rinse' => [3.0, 0.0],
            'soften' => [1.5, 0.05], 'soften-wipe' => [1.5, 0.1], 'first-rinse' => [1.0, 0.2], 'prewash' => [1.0, 0.15], 'prewash-rinse' => [1.0, 0.2],
            'foam' => [1.0, 0.12], 'gaps' => [2.5, 0.0], 'foam-rinse' => [1.0, 0.2], 'iron' => [1.0, 0.2], 'iron-rinse' => [1.0, 0.2], 'tar' => [2.0, 0.15], 'tar-rinse' => [1.0, 0.1],
            'clay' => [2.0, 1.2], 'clay-rinse' => [1.0, 0.2], 'wash' => [1.0, 0.0], 'rinse' => [1.0, 0.2], 'read' => [1.0, 0.0],
            'topper' => [1.0, 0.35], 'topper-rinse' => [1.0, 0.2], 'topper-wipe' => [2.0, 0.9], 'wheels-topper' => [4.0, 0.0],
            'dry' => [2.0, 0.0], 'wheels-dry' => [5.0, 0.0], 'glass' => [3.0, 0.2], 'jambs' => [3.0, 0.1], 'trim' => [2.0, 0.1], 'tyres' => [4.0, 0.0], 'tyres-wipe' => [2.5, 0.0],
            'check' => [2.0, 0.12], 'hand-over' => [3.0, 0.0],
        ],
        public array $washM2 = ['multi-towel' => 2.0, 'two-mitts' => 1.9, 'one-mitt' => 1.8, 'rinseless' => 2.3, 'waterless' => 2.5],
        public array $dryM2 = ['air-then-towel' => 1.0, 'sheet-then-towel' => 1.1, 'air-and-blot' => 1.2, 'air-only' => 0.7, 'towel' => 0.3],
        public float $dirtier = 0.08,
        public float $fill = 1.2,
        public float $goM2 = 16.0,
        public int $rinseWithin = 2,
        public array $tyreWipe = [5, 10],
        public float $rinseLM2 = 2.2,
        public float $wheelsRinseL = 14.0,
        public int $mostGoes = 8,
    ) {}

    public function minutes(string $kind, float $m2): float
    {
        [$fixed, $perM2] = $this->minutes[$kind];

        return $fixed + $perM2 * $m2;
    }
}
