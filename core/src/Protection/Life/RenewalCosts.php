<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection\Life;

/** What it costs to renew a layer, and to leave one that has failed, in one money: only how they compare counts. */
final readonly class RenewalCosts
{
    public function __construct(
        /** Product and time. */
        public float $renewal = 20.0,
        /** A wear-week in which the paint is not protected: what sticks and stains, what washing then takes longer. */
        public float $failedWeek = 15.0,
    ) {}
}
