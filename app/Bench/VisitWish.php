<?php

declare(strict_types=1);

namespace App\Bench;

use App\Book\Vehicle;

/** A visit somebody asks about: whose, when, by how many, with what facts. */
final readonly class VisitWish
{
    /**
     * @param string $on                       YYYY-MM-DD where the workspace is
     * @param list<string> $members            people of the crew who sign in here, ids
     * @param array<string, mixed> $facts      as BenchInput, with what is planned
     */
    public function __construct(
        public Vehicle $vehicle,
        public string $on,
        public int $people,
        public array $members,
        public array $facts,
    ) {}
}
