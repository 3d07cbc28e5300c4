<?php

declare(strict_types=1);

namespace Vicissa\Core\Money;

use Vicissa\Core\InvalidInput;

/** Water that went onto a vehicle, and where it came from. */
final readonly class WaterUsed
{
    /** @param float|null $feedMgL  solids going into the resin; null: not treated */
    private function __construct(
        public float $litres,
        public ?float $feedMgL,
        public float $recovery,
        public float $capacityGPerL,
    ) {}

    public static function tap(float $litres): self
    {
        return new self($litres, null, 1.0, 0.0);
    }

    /**
     * @param float $feedMgL   solids going into the resin
     * @param float $recovery  made ÷ feed of the membrane
     * @param float $capacityGPerL  solids that a litre of resin takes out
     *
     * @throws InvalidInput
     */
    public static function treated(float $litres, float $feedMgL, float $recovery, float $capacityGPerL): self
    {
        InvalidInput::unlessBetween('recovery', $recovery, 0.01, 1);

        return new self($litres, $feedMgL, $recovery, $capacityGPerL);
    }

    /** Litres drawn for it, what the membrane let go among them. */
    public function drawn(): float
    {
        return $this->litres / $this->recovery;
    }

    /** Litres of resin that its solids wear out. */
    public function resinL(): float
    {
        return $this->feedMgL !== null && $this->capacityGPerL > 0.0
            ? ($this->litres * $this->feedMgL) / 1000.0 / $this->capacityGPerL
            : 0.0;
    }
}
