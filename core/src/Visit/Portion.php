<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Says\Said;

/** What a step uses of a product. */
final readonly class Portion
{
    /**
     * @param float|null $ml   of the product itself, not of the mix (grams of a paste); null when it is not reckoned
     * @param bool $paste      dosed by weight
     */
    public function __construct(
        public string $productId,
        public string $name,
        public Role $role,
        public Zone $zone,
        public ?float $ml,
        public Said $why,
        public bool $paste = false,
    ) {}
}
