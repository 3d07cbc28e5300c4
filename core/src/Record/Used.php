<?php

declare(strict_types=1);

namespace Vicissa\Core\Record;

use Vicissa\Core\Matching\Leaves;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Strips;
use Vicissa\Core\Matching\Zone;

/** A product that was used on a zone, as far as the layers felt it. */
final readonly class Used
{
    public function __construct(
        public string $productId,
        public Zone $zone,
        public Role $role,
        public float $ph,
        public Strips $strips,
        public Leaves $leaves,
        /** Laid as the layer that is meant to last. */
        public bool $asBase,
    ) {}

    public function isBase(): bool
    {
        return $this->asBase || $this->role === Role::Base;
    }

    public function isTopper(): bool
    {
        return $this->role === Role::Topper && !$this->asBase;
    }
}
