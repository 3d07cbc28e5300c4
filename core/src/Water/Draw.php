<?php

declare(strict_types=1);

namespace Vicissa\Core\Water;

use Vicissa\Core\InvalidInput;

/** Water taken from a tank for a while. */
final readonly class Draw
{
    /** @throws InvalidInput */
    public function __construct(public float $startMin, public float $minutes, public float $lMin)
    {
        InvalidInput::unlessBetween('start_min', $startMin, 0, 100000, 'min');
        InvalidInput::unlessBetween('minutes', $minutes, 0, 100000, 'min');
        InvalidInput::unlessBetween('l_min', $lMin, 0, 200, 'l/min');
    }

    public function at(float $min): bool
    {
        return $min >= $this->startMin && $min < $this->startMin + $this->minutes;
    }
}
