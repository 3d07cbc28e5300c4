<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection;

use Vicissa\Core\InvalidInput;

/** How a vehicle lives between visits. */
final readonly class Habits
{
    /** @param list<int> $saltMonths */
    private function __construct(
        public Storage $storage,
        public Road $road,
        public float $kmPerWeek,
        public array $saltMonths,
    ) {}

    /**
     * @param list<int> $saltMonths  months (1–12) in which its roads are salted, whatever they are otherwise
     *
     * @throws InvalidInput
     */
    public static function of(Storage $storage, Road $road, float $kmPerWeek, array $saltMonths = []): self
    {
        InvalidInput::unlessBetween('km_per_week', $kmPerWeek, 0, 10000, 'km');
        foreach ($saltMonths as $month) {
            InvalidInput::unlessBetween('salt_months', (float) $month, 1, 12);
        }

        return new self($storage, $road, $kmPerWeek, array_values(array_unique($saltMonths)));
    }

    /** The same vehicle while its roads are salted. */
    public function onSalt(): self
    {
        return new self($this->storage, Road::Salted, $this->kmPerWeek, []);
    }

    /** The same vehicle if it never drove. */
    public function standing(): self
    {
        return new self($this->storage, $this->road, 0.0, []);
    }
}
