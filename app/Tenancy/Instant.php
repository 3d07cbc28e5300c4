<?php

declare(strict_types=1);

namespace App\Tenancy;

use Carbon\CarbonImmutable;

/** The one way in for moments: whatever zone they are said in, from here on they are UTC. */
final class Instant
{
    /** @param string $said  ISO 8601; without a zone it is UTC */
    public static function of(string $said): CarbonImmutable
    {
        return CarbonImmutable::parse($said, 'UTC')->utc();
    }
}
