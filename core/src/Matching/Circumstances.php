<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching;

/** The moment of use. */
final readonly class Circumstances
{
    /**
     * @param float|null $panelC     panel temperature (°C), null when not known
     * @param float|null $workingS   seconds a film stays workable, null when not known
     * @param bool $bareFace         the school that keeps coatings free of wax and oils
     */
    public function __construct(
        public ?float $panelC = null,
        public ?float $workingS = null,
        public Water $water = Water::Tap,
        public Purpose $purpose = Purpose::Maintain,
        public bool $bareFace = false,
        public bool $inStock = true,
    ) {}
}
