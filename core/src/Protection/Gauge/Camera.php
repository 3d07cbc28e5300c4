<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection\Gauge;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

/**
 * How far a camera looked down on a drop, and what that made of its height. The round foot of a drop shows as an ellipse whose
 * half axes are as 1 to sin α. The outline's top is not the drop's own: of a cap of contact angle θ and radius R it stands
 * R (1 − cos θ cos α) over the middle of the foot, and below θ = α it is the foot's far edge, which tells nothing.
 */
final readonly class Camera
{
    private function __construct(public float $downDeg) {}

    /**
     * @param float $base  width of the foot
     * @param float $near  how far its nearest edge hangs below the line of its ends, in the same measure
     *
     * @throws InvalidInput
     */
    public static function seeing(float $base, float $near): self
    {
        $sine = (2.0 * $near) / $base;
        if (!is_finite($sine) || $sine < 0.0 || $sine > sin(deg2rad(60.0))) {
            throw InvalidInput::at('near', Said::of('fault.drop-near'));
        }

        return new self(rad2deg(asin($sine)));
    }

    /**
     * A cap's own height from that of its outline.
     *
     * @throws InvalidInput where only the foot's far edge was seen
     */
    public function height(float $base, float $seen): float
    {
        $down = deg2rad($this->downDeg);
        if ($down < 1e-6) {
            return $seen;
        }
        $wanted = (2.0 * $seen) / $base;
        if ($wanted <= 1.02 * sin($down)) {
            throw InvalidInput::at('top', Said::of('fault.drop-from-above', degrees: round($this->downDeg)));
        }
        [$low, $high] = [$down, M_PI - 1e-9];
        for ($i = 0; $i < 60; $i++) {
            $angle = 0.5 * ($low + $high);
            (1.0 - cos($angle) * cos($down)) / sin($angle) < $wanted ? ($low = $angle) : ($high = $angle);
        }

        return 0.5 * $base * tan(0.25 * ($low + $high));
    }
}
