<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Says\Said;

/** A fact or a product that the match had to do without. */
final readonly class Missing
{
    public function __construct(
        /** product or fact */
        public string $kind,
        public Said $says,
        /** What to buy, measure or ask. */
        public Said $remedy,
    ) {}
}
