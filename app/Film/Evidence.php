<?php

declare(strict_types=1);

namespace App\Film;

/** What other vehicles tell about a product: summed ln likelihood along μ, and from how many layers. */
final readonly class Evidence
{
    /** @param list<float> $curve */
    public function __construct(public array $curve, public int $layers) {}
}
