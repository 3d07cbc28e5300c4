<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection;

/** Contact angles (degrees) from which water is called tight, good, weak or sheeting; below the last it lies flat. */
final readonly class BeadThresholds
{
    public function __construct(
        public float $tight = 100.0,
        public float $good = 85.0,
        public float $weak = 60.0,
        public float $sheeting = 30.0,
    ) {}
}
