<?php

declare(strict_types=1);

namespace App\Bench;

use Vicissa\Core\Planning\Kind;

/** What is wanted of a visit on an ordinary day, and what is otherwise than usual. */
final readonly class OrdinaryWish
{
    /**
     * @param list<Kind> $kinds
     * @param string|null $scope  the vehicle's when left out
     * @param array<string, mixed> $place  what is otherwise than where it stands
     * @param array<string, mixed> $more   further facts (BenchInput)
     */
    public function __construct(
        public array $kinds = [Kind::Wash],
        public int $people = 1,
        public int $soil = OrdinaryDay::SOIL,
        public bool $grit = false,
        public ?string $scope = null,
        public array $place = [],
        public array $more = [],
    ) {}
}
