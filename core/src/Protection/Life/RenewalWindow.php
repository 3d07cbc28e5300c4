<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection\Life;

use Vicissa\Core\InvalidInput;

/**
 * The risks that bound the time to renew a layer: worth doing from half the accepted risk, due at the accepted risk,
 * late when 40 points more of such layers would have failed.
 */
final readonly class RenewalWindow
{
    private function __construct(public float $from, public float $due, public float $late) {}

    /**
     * @param float $caution  accepted risk of being too late, 0.01–0.6
     *
     * @throws InvalidInput
     */
    public static function atRisk(float $caution): self
    {
        InvalidInput::unlessBetween('caution', $caution, 0.01, 0.6);

        return new self($caution / 2.0, $caution, min(0.95, $caution + 0.4));
    }
}
