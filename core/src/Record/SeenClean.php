<?php

declare(strict_types=1);

namespace Vicissa\Core\Record;

use Vicissa\Core\Protection\Behaviour;

/** What the water said of a layer on a clean surface, while it was the outermost one. */
final readonly class SeenClean
{
    public function __construct(
        /** Seconds since 1970. */
        public int $at,
        /** Wear-weeks behind the layer by then. */
        public float $wear,
        public Behaviour $behaviour,
        /** Read after decontamination: nothing can be clogged any more. */
        public bool $decontaminated,
    ) {}
}
