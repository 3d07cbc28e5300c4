<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

use Vicissa\Core\Says\Said;

/** One change that makes a visit workable, with the finish it leads to. */
final readonly class Remedy
{
    public function __construct(
        /** helper, shade or product */
        public string $kind,
        public Said $says,
        public int $finish,
        /** Which product to leave out, when that is the change. */
        public ?string $without = null,
    ) {}
}
