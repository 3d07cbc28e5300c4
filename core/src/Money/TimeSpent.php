<?php

declare(strict_types=1);

namespace Vicissa\Core\Money;

use Vicissa\Core\InvalidInput;

/** Time that people spend on a turn. */
final readonly class TimeSpent
{
    /**
     * @param float $minutes    from arriving to leaving
     * @param float $travelMin  this turn's share of the way there and back
     *
     * @throws InvalidInput
     */
    public function __construct(public float $minutes, public int $people = 1, public float $travelMin = 0.0)
    {
        InvalidInput::unlessBetween('people', $people, 1, 20);
    }
}
