<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

/** A danger, said where the step is (domain §12). */
final readonly class Caution
{
    public function __construct(
        public Step $step,
        public string $says,
        /** Someone can be hurt: it has to be acknowledged. */
        public bool $grave = false,
    ) {}
}
