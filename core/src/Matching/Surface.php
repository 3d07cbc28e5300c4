<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching;

use Vicissa\Core\Protection\Family;

/** The zone a product would go on: what is outermost there, and what is special about it. */
final readonly class Surface
{
    /**
     * @param list<Finish> $finish
     */
    public function __construct(
        public Zone $zone,
        public Family $layer,
        public array $finish = [],
        public ?WheelFinish $wheelFinish = null,
    ) {}

    public function is(Finish $finish): bool
    {
        return in_array($finish, $this->finish, true);
    }
}
