<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

/** One visit of a plan. */
final readonly class PlacedVisit
{
    /** @param int $bits  kinds beside the wash, Kind::bit() */
    public function __construct(public string $vehicle, public int $day, public string $crew, public int $bits) {}
}
