<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

/** People who go together. */
final readonly class Crew
{
    /** @param array<int, int> $minutes  by day number; a day that is missing is off */
    public function __construct(
        public string $id,
        public array $minutes,
    ) {}
}
