<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection;

use Vicissa\Core\InvalidInput;

/** One wash as a layer feels it. */
final readonly class Wash
{
    /**
     * @param float $day               days since the layer went on (fractions allowed)
     * @param list<WashTrait> $traits  what was done; none is a neutral contact wash
     * @param bool $dryingAid          a drying aid that fits the layer was used
     */
    public function __construct(public float $day, public array $traits = [], public bool $dryingAid = false)
    {
        InvalidInput::unlessBetween('day', $day, 0, 36525, 'days');
    }
}
