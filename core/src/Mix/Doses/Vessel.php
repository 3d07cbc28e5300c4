<?php

declare(strict_types=1);

namespace Vicissa\Core\Mix\Doses;

/** A bucket, sprayer, bottle or lance bottle that is at hand. */
final readonly class Vessel
{
    /** @param float $ml  to its usual fill line */
    public function __construct(public string $name, public VesselKind $kind, public float $ml) {}
}
