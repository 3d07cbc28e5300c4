<?php

declare(strict_types=1);

namespace Tests\Study;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/** Numbers drawn from a seed. */
final readonly class Luck
{
    private Randomizer $random;

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Xoshiro256StarStar($seed));
    }

    public function even(): float
    {
        return ($this->random->getInt(0, 2_147_483_646) + 0.5) / 2_147_483_647.0;
    }

    /** Box & Muller 1958. */
    public function normal(): float
    {
        return sqrt(-2.0 * log($this->even())) * cos(2.0 * M_PI * $this->even());
    }

    public function below(int $many): int
    {
        return $this->random->getInt(0, $many - 1);
    }
}
