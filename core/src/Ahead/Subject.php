<?php

declare(strict_types=1);

namespace Vicissa\Core\Ahead;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

/** The vehicle whose year is tried: what its topper may live, what its days do to it, how it takes dirt. */
final readonly class Subject
{
    /**
     * @param float $medianLife       wear-weeks a fresh topper lives in the middle
     * @param float $between     spread of ln life that stays the same for all of its layers in a trial: what is not
     *     known of product and vehicle
     * @param float $each             spread of ln life from layer to layer (14.9: 0.25)
     * @param list<float> $idle       wear-weeks each day adds by itself, 365 of them
     * @param list<bool> $salted      whether roads are salted on that day
     * @param float $wornNow          of the layer that is on, in wear-weeks; infinity: none is on
     * @param float $soilPerDay       levels of soil a mean day adds
     * @param float $softness         1.5 soft, 1 medium, 0.7 hard
     * @param int $sinceWash          days since it was washed last
     * @param int $sinceTopper        days since the topper went on
     *
     * @throws InvalidInput
     */
    public function __construct(
        public float $medianLife,
        public float $between,
        public float $each,
        public array $idle,
        public array $salted,
        public float $wornNow,
        public float $soilPerDay,
        public float $softness,
        public int $sinceWash,
        public int $sinceTopper = 0,
    ) {
        InvalidInput::unlessBetween('median_life', $medianLife, 0.05, 2000, 'weeks');
        InvalidInput::unlessBetween('between', $between, 0, 2);
        InvalidInput::unlessBetween('each', $each, 0, 2);
        if (count($idle) !== YearAhead::DAYS || count($salted) !== YearAhead::DAYS) {
            throw InvalidInput::at('idle', Said::of('fault.year'));
        }
    }
}
