<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

/**
 * How long a product lies where it was put, within one step: from its spray to its rinse, for whatever part waits
 * longest.
 */
final readonly class Lying
{
    /**
     * @param float $longestS      seconds
     * @param float $shortestS     seconds it has worked at least
     * @param float|null $atMostS  what the label, or the film, allows
     * @param float $atLeastS      what the label asks for
     */
    public function __construct(
        public string $productId,
        public float $longestS,
        public float $shortestS,
        public ?float $atMostS,
        public float $atLeastS,
    ) {}
}
