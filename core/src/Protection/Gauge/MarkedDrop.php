<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection\Gauge;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Protection\Drop;
use Vicissa\Core\Says\Said;

/**
 * A drop on a side-on photo, marked at its two feet and its top. The foot line may lean: height is measured square to
 * it. Uncertainty is that of the marks, carried through θ = 2 · atan(2h ÷ b) (spherical cap, model "bead") to first
 * order: marks off by σ in any direction move the base by √2 σ and the height by √1.5 σ.
 */
final readonly class MarkedDrop
{
    private function __construct(
        public float $angleDeg,
        /** One standard deviation, degrees. */
        public float $uncertaintyDeg,
        public float $basePx,
        public float $heightPx,
    ) {}

    /**
     * @param array{float, float} $left   pixels, in any direction of axes
     * @param array{float, float} $right
     * @param array{float, float} $top
     * @param float $markingPx            how far a mark is off, one standard deviation
     *
     * @throws InvalidInput
     */
    public static function at(array $left, array $right, array $top, float $markingPx = 1.5): self
    {
        InvalidInput::unlessBetween('marking_px', $markingPx, 0.1, 50, 'pixels');
        [$dx, $dy] = [$right[0] - $left[0], $right[1] - $left[1]];
        $base = hypot($dx, $dy);
        if ($base < 8.0) {
            throw InvalidInput::at('right', Said::of('fault.drop-feet'));
        }
        $height = abs($dx * ($top[1] - $left[1]) - $dy * ($top[0] - $left[0])) / $base;
        $along = ($dx * ($top[0] - $left[0]) + $dy * ($top[1] - $left[1])) / ($base * $base);
        if ($along < 0.15 || $along > 0.85) {
            throw InvalidInput::at('top', Said::of('fault.drop-top'));
        }
        $angle = Drop::measured($base, $height)->angleDeg;
        $slope = 1.0 + ((2.0 * $height) / $base) ** 2;
        $byHeight = rad2deg(4.0 / ($base * $slope)) * sqrt(1.5) * $markingPx;
        $byBase = rad2deg((4.0 * $height) / ($base * $base * $slope)) * M_SQRT2 * $markingPx;

        return new self($angle, hypot($byHeight, $byBase), $base, $height);
    }
}
