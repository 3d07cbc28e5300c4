<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

use Closure;

/** Numbers of goes that may be tried on a vehicle, and how long putting on and taking off take in each. */
final readonly class TriedGoes
{
    /**
     * @param list<int> $numbers  ascending
     * @param Closure(int): array{float, float} $takes  seconds that putting on and taking off take in the largest of so
     *     many goes
     * @param array{float, float} $panelTakes  the same for one panel
     */
    public function __construct(
        public int $panels,
        public array $numbers,
        public Closure $takes,
        public array $panelTakes,
    ) {}
}
