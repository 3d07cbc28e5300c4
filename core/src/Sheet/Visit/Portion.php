<?php

declare(strict_types=1);

namespace Vicissa\Core\Sheet\Visit;

use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Zone;

/** What a step takes of a product. */
final readonly class Portion
{
    /** @param float|null $ml  of the product itself, undiluted; null when nobody can say */
    public function __construct(
        public string $productId,
        public string $name,
        public Role $role,
        public Zone $zone,
        public ?float $ml,
        public string $why,
    ) {}
}
