<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection;

use Vicissa\Core\InvalidInput;

/**
 * A drop seen from the side, as a spherical cap (holds for drops under about 3 mm of base; gravity flattens larger
 * ones).
 */
final readonly class Drop
{
    private function __construct(
        /** Contact angle in degrees, 0–180. */
        public float $angleDeg,
    ) {}

    /**
     * θ = 2 · atan(2 · height ÷ base), the geometry of a spherical cap.
     *
     * @param float $baseMm    width of the wetted base, in mm or pixels of one picture
     * @param float $heightMm  height over the panel, in the same unit
     *
     * @throws InvalidInput
     */
    public static function measured(float $baseMm, float $heightMm): self
    {
        InvalidInput::unlessBetween('base_mm', $baseMm, 0.001, 10000, 'mm');
        InvalidInput::unlessBetween('height_mm', $heightMm, 0, 10000, 'mm');

        return new self(rad2deg(2.0 * atan((2.0 * $heightMm) / $baseMm)));
    }

    /**
     * A drop of any size in millimetres, flattened by its own weight ({@see SessileDrop}).
     *
     * @throws InvalidInput
     */
    public static function lying(float $baseMm, float $heightMm, float $waterC = 20.0): self
    {
        return new self(SessileDrop::measured($baseMm, $heightMm, $waterC)->angleDeg);
    }

    /** @throws InvalidInput */
    public static function ofAngle(float $angleDeg): self
    {
        InvalidInput::unlessBetween('angle_deg', $angleDeg, -180, 360, '°');

        return new self($angleDeg);
    }

    public function behaviour(BeadThresholds $thresholds = new BeadThresholds()): Behaviour
    {
        return match (true) {
            $this->angleDeg >= $thresholds->tight => Behaviour::Tight,
            $this->angleDeg >= $thresholds->good => Behaviour::Good,
            $this->angleDeg >= $thresholds->weak => Behaviour::Weak,
            $this->angleDeg >= $thresholds->sheeting => Behaviour::Sheeting,
            default => Behaviour::Flat,
        };
    }
}
