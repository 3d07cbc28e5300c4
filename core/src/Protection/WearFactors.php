<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

/**
 * The factors of wear (domain, model "wear"), as a set a workspace may replace. One wear-week is the ageing of a
 * layer in the reference week: outdoors, 200 km, one neutral contact wash.
 */
final readonly class WearFactors
{
    /**
     * @param array<string, float> $storage     by Storage value
     * @param array<string, float> $road        by Road value
     * @param array<string, float> $wash        by WashTrait value
     * @param float $weather                    share of the reference week from standing
     * @param float $driving                    share from driving $referenceKm
     * @param float $washing                    share from one wash
     * @param float $dryingAidGivesBack         wear-weeks a drying aid that fits the layer gives back
     */
    public function __construct(
        public array $storage = [
            'heated-garage' => 0.5,
            'garage' => 0.6,
            'carport' => 0.8,
            'outdoors' => 1.0,
            'harsh' => 1.3,
        ],
        public array $road = ['normal' => 1.0, 'unpaved' => 1.3, 'salted' => 1.6],
        public array $wash = [
            'touchless' => 0.8,
            'rinseless' => 0.9,
            'contact' => 1.0,
            'waterless' => 1.0,
            'alkaline-prewash' => 1.8,
            'iron-remover' => 2.5,
            'machine-brush' => 4.0,
            'clay' => 4.0,
            'stripping-cleaner' => 12.0,
        ],
        public float $weather = 0.5,
        public float $driving = 0.25,
        public float $washing = 0.25,
        public float $referenceKm = 200.0,
        public float $dryingAidGivesBack = 0.35,
    ) {}

    /** Wear-weeks per week without any wash. */
    public function idle(Habits $habits): float
    {
        return $this->weather * $this->of($this->storage, $habits->storage->value) +
            $this->driving * ($habits->kmPerWeek / $this->referenceKm) * $this->of($this->road, $habits->road->value);
    }

    /**
     * The factor of one wash: the hardest thing done in it.
     *
     * @param list<WashTrait> $traits  none counts as a neutral contact wash
     */
    public function washFactor(array $traits): float
    {
        if ($traits === []) {
            return $this->of($this->wash, WashTrait::Contact->value);
        }

        return max(array_map(fn(WashTrait $trait): float => $this->of($this->wash, $trait->value), $traits));
    }

    /**
     * Wear-weeks per week: weather × storage + driving × km × road + washing × washes × factor.
     *
     * @throws InvalidInput
     */
    public function perWeek(Habits $habits, float $washesPerWeek, float $washFactor = 1.0): float
    {
        InvalidInput::unlessBetween('washes_per_week', $washesPerWeek, 0, 21);
        InvalidInput::unlessBetween('wash_factor', $washFactor, 0, 100);

        return $this->idle($habits) + $this->washing * $washesPerWeek * $washFactor;
    }

    /** @param array<string, float> $factors */
    private function of(array $factors, string $name): float
    {
        return $factors[$name] ?? throw InvalidInput::at('factors', Said::of('fault.wear-factor', name: $name));
    }
}
