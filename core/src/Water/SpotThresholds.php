<?php

declare(strict_types=1);

namespace Vicissa\Core\Water;

/** Residue in mg/m² up to which it shows so much on dark paint, and how much more pale paint forgives. */
final readonly class SpotThresholds
{
    public function __construct(
        public float $none = 2.0,
        public float $faint = 8.0,
        public float $visible = 25.0,
        public float $lightPaint = 3.0,
    ) {}
}
