<?php

declare(strict_types=1);

namespace Vicissa\Core\Record;

use Vicissa\Core\Protection\Family;

/** A layer as it went onto a zone. */
final readonly class LaidLayer
{
    public function __construct(
        public LayerKind $kind,
        public Family $family,
        /** Seconds since 1970. */
        public int $on,
        /** A person said that it was taken off. */
        public bool $removed = false,
    ) {}
}
