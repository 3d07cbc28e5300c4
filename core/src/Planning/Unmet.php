<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

use Vicissa\Core\Says\Said;

/** Something asked for that the plan does not hold, and why. */
final readonly class Unmet
{
    /**
     * @param string $what "deadline 2027-03-17", "lock 2027-03-09", "cadence", "topper", "decon", "inspection", "base",
     *     "papers"
     * @param bool $binding  asked for by somebody, on a day or before one: missing it costs more than any rhythm
     */
    public function __construct(
        public string $vehicle,
        public string $what,
        public Said $why,
        public bool $binding = false,
    ) {}
}
