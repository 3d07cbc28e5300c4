<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection\Gauge;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Protection\Drop;
use Vicissa\Core\Says\Said;

/**
 * A drop on a side-on photo, marked at its two feet and its top. The foot line may lean: height is measured square to
 * it. Where the picture's scale is known, the drop's own weight is reckoned ({@see SessileDrop}); else it is a cap (model
 * "bead"). Uncertainty is that of the marks, carried through θ = 2 · atan(2h ÷ b) to first order: marks off by σ in any
 * direction move the base by √2 σ and the height by √1.5 σ.
 */
final readonly class MarkedDrop
{
    private function __construct(
        public float $angleDeg,
        /** One standard deviation, degrees. */
        public float $uncertaintyDeg,
        public float $basePx,
        public float $heightPx,
        /** How far the foot line leans from the picture's level, degrees, 0 to 90. */
        public float $leansDeg,
        /** Where the top stands over the foot line, 0 to 1; a half is the middle. */
        public float $topAt,
        /** Millimetres of a pixel; null where nobody knows. */
        public ?float $mmPerPx,
    ) {}

    /**
     * @param array{float, float} $left   pixels, in any direction of axes
     * @param array{float, float} $right
     * @param array{float, float} $top
     * @param float $markingPx            how far a mark is off, one standard deviation
     * @param float|null $mmPerPx         the picture's scale
     * @param float $waterC               temperature of the water
     *
     * @throws InvalidInput
     */
    public static function at(
        array $left,
        array $right,
        array $top,
        float $markingPx = 1.5,
        ?float $mmPerPx = null,
        float $waterC = 20.0,
    ): self {
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
        $angle =
            $mmPerPx === null
                ? Drop::measured($base, $height)->angleDeg
                : Drop::lying($base * $mmPerPx, $height * $mmPerPx, $waterC)->angleDeg;
        $slope = 1.0 + ((2.0 * $height) / $base) ** 2;
        $byHeight = rad2deg(4.0 / ($base * $slope)) * sqrt(1.5) * $markingPx;
        $byBase = rad2deg((4.0 * $height) / ($base * $base * $slope)) * M_SQRT2 * $markingPx;

        return new self(
            $angle,
            hypot($byHeight, $byBase),
            $base,
            $height,
            rad2deg(atan2(abs($dy), abs($dx))),
            $along,
            $mmPerPx,
        );
    }
}
