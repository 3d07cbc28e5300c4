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
 *
 * Two more marks may be made. The nearest point of the foot's edge tells how far the camera looked down ({@see Camera}). In
 * glossy paint a drop stands on its own mirror image, and whatever the camera's height the panel lies half-way between the two
 * tops: that shows feet that were marked through the water or on the mirror image, and a height from both tops, off by σ ÷ √2,
 * does not rest on the feet at all.
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
        /** How far the camera looked down, degrees; null where the near edge was not marked. */
        public ?float $looksDownDeg,
        /** How far the foot line lies from the middle between the tops; null without the mirror image. */
        public ?float $mirrorOffPx,
        /** How far a mark is off, one standard deviation; the foot line is off the middle by as much. */
        public float $markingPx,
    ) {}

    /**
     * @param array{float, float} $left   pixels, in any direction of axes
     * @param array{float, float} $right
     * @param array{float, float} $top
     * @param float $markingPx            how far a mark is off, one standard deviation
     * @param float|null $mmPerPx         the picture's scale
     * @param float $waterC               temperature of the water
     * @param array{float, float}|null $near    the foot's nearest point
     * @param array{float, float}|null $mirror  the top of the mirror image
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
        ?array $near = null,
        ?array $mirror = null,
    ): self {
        InvalidInput::unlessBetween('marking_px', $markingPx, 0.1, 50, 'pixels');
        [$dx, $dy] = [$right[0] - $left[0], $right[1] - $left[1]];
        $base = hypot($dx, $dy);
        if ($base < 8.0) {
            throw InvalidInput::at('right', Said::of('fault.drop-feet'));
        }
        // Square to the foot line; one side of it is positive.
        $over = static fn(array $mark): float => ($dx * ($mark[1] - $left[1]) - $dy * ($mark[0] - $left[0])) / $base;
        $up = $over($top);
        $seen = abs($up);
        $below = static fn(string $field, array $mark): float => $over($mark) * $up <= 0.0
            ? abs($over($mark))
            : throw InvalidInput::at($field, Said::of('fault.drop-below'));
        $camera = $near === null ? null : Camera::seeing($base, $below('near', $near));
        $mirrored = $mirror === null ? null : $below('mirror', $mirror);
        $height = $mirrored === null ? $seen : 0.5 * ($seen + $mirrored);
        $height = $camera?->height($base, $height) ?? $height;
        $along = ($dx * ($top[0] - $left[0]) + $dy * ($top[1] - $left[1])) / ($base * $base);
        if ($along < 0.15 || $along > 0.85) {
            throw InvalidInput::at('top', Said::of('fault.drop-top'));
        }
        $angle =
            $mmPerPx === null
                ? Drop::measured($base, $height)->angleDeg
                : Drop::lying($base * $mmPerPx, $height * $mmPerPx, $waterC)->angleDeg;
        $slope = 1.0 + ((2.0 * $height) / $base) ** 2;
        $byHeight = rad2deg(4.0 / ($base * $slope)) * sqrt($mirrored === null ? 1.5 : 0.5) * $markingPx;
        $byBase = rad2deg((4.0 * $height) / ($base * $base * $slope)) * M_SQRT2 * $markingPx;

        return new self(
            $angle,
            hypot($byHeight, $byBase),
            $base,
            $height,
            rad2deg(atan2(abs($dy), abs($dx))),
            $along,
            $mmPerPx,
            $camera?->downDeg,
            $mirrored === null ? null : 0.5 * abs($seen - $mirrored),
            $markingPx,
        );
    }
}
