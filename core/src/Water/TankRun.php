<?php

declare(strict_types=1);

namespace Vicissa\Core\Water;

/** What a tank went through. */
final readonly class TankRun
{
    /** @param non-empty-list<array{min: float, l: float}> $points  the level where its course bends */
    public function __construct(
        public float $minL,
        public float $minAt,
        /** First minute at nought with more drawn than made; null when it never ran dry. */
        public ?float $emptyAt,
        /** Demand that was not met, l. */
        public float $shortL,
        public float $endL,
        public float $madeL,
        public float $feedL,
        public array $points,
    ) {}
}
