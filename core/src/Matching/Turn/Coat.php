<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Protection\Designed;
use Vicissa\Core\Protection\Family;

/** A layer that lies on a zone. */
final readonly class Coat
{
    public function __construct(
        public Family $family,
        public ?string $line = null,
        public ?string $name = null,
        public Designed $designed = Designed::Beads,
    ) {}
}
