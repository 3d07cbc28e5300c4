<?php

declare(strict_types=1);

namespace Vicissa\Core\Sheet\Schedule;

/** One piece of hands-on work, never interrupted once begun. */
final readonly class Task
{
    /**
     * @param int $minutes         hands-on
     * @param int $people          how many it takes at once
     * @param list<string> $after  ids it may not begin before the end of
     */
    public function __construct(
        public string $id,
        public int $minutes,
        public int $people = 1,
        public array $after = [],
        public ?Dwell $dwell = null,
    ) {}
}
