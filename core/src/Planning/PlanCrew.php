<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

/** People who go together. */
final readonly class PlanCrew
{
    /**
     * @param array<int, int> $minutes  by day number; a day that is missing is off
     * @param int $people               how many they are; the minutes are those of the clock
     */
    public function __construct(public string $id, public array $minutes, public int $people = 1) {}
}
