<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

/** Where vehicles stand. */
final readonly class PlanSite
{
    /**
     * @param int $hopMin               minutes of travel, once a day and crew
     * @param array<int, true> $closed  day numbers
     */
    public function __construct(
        public string $id,
        public int $hopMin,
        public array $closed = [],
    ) {}
}
