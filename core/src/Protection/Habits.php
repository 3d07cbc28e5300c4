<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection;

use Vicissa\Core\InvalidInput;

/** How a vehicle lives between visits. */
final readonly class Habits
{
    private function __construct(
        public Storage $storage,
        public Road $road,
        public float $kmPerWeek,
    ) {}

    /**
     * @throws InvalidInput
     */
    public static function of(Storage $storage, Road $road, float $kmPerWeek): self
    {
        InvalidInput::unlessBetween('km_per_week', $kmPerWeek, 0, 10000, 'km');

        return new self($storage, $road, $kmPerWeek);
    }
}
