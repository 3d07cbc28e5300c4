<?php

declare(strict_types=1);

namespace Vicissa\Core\Textiles;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

/** How much one towel side may wipe and take up, as a set a workspace may replace. */
final readonly class WipeFactors
{
    /**
     * @param list<float> $m2PerSide     by soil 0 to 5
     * @param float $notPrerinsed        factor when nothing was rinsed off first
     * @param float $uptakeTimesWeight   water a towel takes up, times its dry weight
     * @param array<string, float> $kg   dry weight of a towel in kg: large 75 × 125 cm, medium 50 × 75 cm
     */
    public function __construct(
        public array $m2PerSide = [1.2, 1.0, 0.8, 0.5, 0.35, 0.25],
        public float $notPrerinsed = 0.7,
        public float $uptakeTimesWeight = 3.0,
        public array $kg = ['large' => 0.56, 'medium' => 0.22],
    ) {}

    /** @throws InvalidInput */
    public function m2PerSide(int $soil, bool $prerinsed): float
    {
        $area = $this->m2PerSide[$soil] ?? throw InvalidInput::at('soil', Said::of('fault.soil'));

        return $area * ($prerinsed ? 1.0 : $this->notPrerinsed);
    }

    /** Litres one towel of that size takes up. */
    public function uptakeL(string $size): float
    {
        return $this->uptakeTimesWeight * $this->kg[$size];
    }
}
