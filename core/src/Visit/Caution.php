<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

use Vicissa\Core\Matching\Turn\Step;
use Vicissa\Core\Says\Said;

/** A danger, said where it begins (domain §12). */
final readonly class Caution
{
    public function __construct(
        public Step $step,
        public Said $says,
        /** Someone can be hurt: it has to be acknowledged. */
        public bool $grave = false,
        /** What the danger is, the same wherever it is said. */
        public string $hazard = '',
    ) {}
}
