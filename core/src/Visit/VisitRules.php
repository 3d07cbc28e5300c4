<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

/**
 * Hands-on minutes of each kind of step, and what a visit runs through, as a set a workspace may replace; its own pace
 * goes on top (domain §15.2).
 */
final readonly class VisitRules
{
    /**
     * @param array<string, array{float, float}> $minutes by kind of step: minutes to begin with, and minutes a m² of
     *     paint
     * @param array<string, float> $washM2         wash by Method value, minutes a m² on a road film; wiped ways on dust
     * @param array<string, float> $dryM2                  drying by DryingWay value, minutes a m²
     * @param float $dirtier                each level of soil above 2 makes a contact wash so much longer
     * @param float $dust                                  on dust a contact wash takes this share
     * @param float $wipedDirtier                          each level of soil above 1 makes a wiped wash so much longer
     * @param array<string, float> $quick                  what a quick visit takes of a kind of step, as a share
     * @param list<float> $together            share of the minutes a step takes that one, two, three people work at
     *     together
     * @param float $fill                                  minutes a bucket or bottle takes to fill
     * @param float $goM2                                  at most so much paint is washed before it is rinsed
     * @param int $rinseWithin                             minutes after the contact wash in which soap is rinsed off
     * @param array{int, int} $tyreWipe                    minutes after dressing in which tyres are wiped back
     * @param array{float, float} $hazeMin         minutes a wax hazes in the warm and dry, and in the cold or damp
     * @param float $rinseLM2                              litres of a rinse a m²
     * @param float $wheelsRinseL                          litres that rinse four wheels of a car
     * @param float $carM2                                 a car: wheels of bigger vehicles are bigger by their paint
     * @param int $mostGoes                                more goes than this, and it is worked panel by panel
     */
    public function __construct(
        public array $minutes = [
            'look' => [3.0, 0.05],
            'water' => [2.0, 0.03],
            'mix' => [1.0, 0.0],
            'platform' => [4.0, 0.0],
            'refill' => [3.0, 0.0],
            'cool' => [2.0, 0.25],
            'wheels-spray' => [0.5, 0.1],
            'wheels-brush' => [2.0, 0.55],
            'wheels-rinse' => [1.0, 0.2],
            'wheels-wipe' => [2.0, 0.5],
            'wheels-pass' => [1.0, 0.05],
            'wheels-iron' => [0.5, 0.15],
            'wheels-iron-rinse' => [1.0, 0.2],
            'arches' => [2.0, 0.2],
            'soften' => [1.5, 0.05],
            'soften-wipe' => [1.5, 0.1],
            'soften-rinse' => [0.5, 0.1],
            'first-rinse' => [1.0, 0.2],
            'prewash' => [1.0, 0.15],
            'prewash-rinse' => [1.0, 0.2],
            'foam' => [1.0, 0.12],
            'gaps' => [2.5, 0.0],
            'foam-rinse' => [1.0, 0.2],
            'iron' => [1.0, 0.2],
            'iron-rinse' => [1.0, 0.2],
            'tar' => [2.0, 0.15],
            'tar-rinse' => [1.0, 0.1],
            'clay' => [2.0, 1.2],
            'clay-rinse' => [1.0, 0.2],
            'prespray' => [0.5, 0.05],
            'wash' => [1.0, 0.0],
            'rinse' => [1.0, 0.2],
            'read' => [1.0, 0.0],
            'inspect' => [4.0, 0.6],
            'topper' => [1.0, 0.35],
            'topper-rinse' => [1.0, 0.2],
            'topper-wipe' => [2.0, 0.9],
            'wax-on' => [2.0, 1.0],
            'wax-off' => [1.0, 0.9],
            'recoat' => [10.0, 6.0],
            'wheels-topper' => [0.5, 0.12],
            'wheels-topper-rinse' => [0.5, 0.1],
            'dry' => [2.0, 0.0],
            'wheels-dry' => [2.0, 0.25],
            'seals' => [1.0, 0.25],
            'glass' => [3.0, 0.2],
            'jambs' => [3.0, 0.1],
            'trim' => [2.0, 0.1],
            'tyres' => [1.5, 0.2],
            'tyres-wipe' => [1.0, 0.12],
            'check' => [2.0, 0.12],
            'hand-over' => [3.0, 0.0],
        ],
        public array $washM2 = [
            'multi-towel' => 2.0,
            'two-mitts' => 1.9,
            'one-mitt' => 1.8,
            'rinseless' => 1.6,
            'waterless' => 1.5,
        ],
        public array $dryM2 = [
            'air-then-towel' => 1.0,
            'warm-air' => 1.7,
            'sheet-then-towel' => 1.1,
            'towel' => 1.3,
            'air-and-blot' => 1.2,
            'blot' => 1.4,
            'air-only' => 0.7,
        ],
        public float $dirtier = 0.08,
        public float $dust = 0.75,
        public float $wipedDirtier = 0.25,
        public array $quick = [
            'look' => 0.4,
            'water' => 0.6,
            'check' => 0.4,
            'hand-over' => 0.5,
            'glass' => 0.4,
            'wash' => 0.9,
            'dry' => 0.6,
            'first-rinse' => 0.8,
            'rinse' => 0.8,
        ],
        public array $together = [1.0, 0.55, 0.4],
        public float $fill = 1.2,
        public float $goM2 = 16.0,
        public int $rinseWithin = 2,
        public array $tyreWipe = [5, 10],
        public array $hazeMin = [5.0, 10.0],
        public float $rinseLM2 = 2.2,
        public float $wheelsRinseL = 14.0,
        public float $carM2 = 11.5,
        public int $mostGoes = 8,
    ) {}

    public function minutes(string $kind, float $m2): float
    {
        [$fixed, $perM2] = $this->minutes[$kind];

        return $fixed + $perM2 * $m2;
    }

    /** How much bigger than a car's the wheels are. */
    public function wheelsOf(float $paintM2): float
    {
        return max(1.0, $paintM2 / $this->carM2);
    }

    /** Share of the minutes a step takes when so many work at it together. */
    public function share(int $people): float
    {
        return $this->together[min($people, count($this->together)) - 1];
    }
}
