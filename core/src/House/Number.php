<?php

declare(strict_types=1);

namespace Vicissa\Core\House;

use Vicissa\Core\Says\Said;

/** One number a workspace may have its own way: what it says, where it stands in the house, and within which limits. */
final readonly class Number
{
    /** @param string $path  as House::get reads it; the default is what stands there */
    public function __construct(
        public Said $group,
        public Said $says,
        public string|Said $unit,
        public string $path,
        public float $low,
        public float $high,
        public bool $whole = false,
    ) {}

    public function of(House $house): float
    {
        return $house->get($this->path);
    }
}
