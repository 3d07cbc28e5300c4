<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection\Life;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

/**
 * What one earlier layer tells: it failed between two amounts of wear, or had not failed by the first.
 * Both are read on clean surfaces.
 */
final readonly class FailureInterval
{
    private function __construct(
        /** Wear-weeks at the last reading that held (0 when there was none). */
        public float $held,
        /** Wear-weeks at the first reading that failed; null when it was renewed or is still on. */
        public ?float $failed,
    ) {}

    /**
     * @throws InvalidInput
     */
    public static function of(float $held, ?float $failed = null): self
    {
        InvalidInput::unlessBetween('held', $held, 0, 10000, 'wear-weeks');
        if ($failed !== null) {
            InvalidInput::unlessBetween('failed', $failed, 0, 10000, 'wear-weeks');
            if ($failed <= $held) {
                throw InvalidInput::at('failed', Said::of('fault.failed-before-held'));
            }
        }

        return new self($held, $failed);
    }
}
