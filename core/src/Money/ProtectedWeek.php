<?php

declare(strict_types=1);

namespace Vicissa\Core\Money;

use Vicissa\Core\InvalidInput;

/** What a topper costs for each week it really protects: what putting it on costs, over the life that was found. */
final readonly class ProtectedWeek
{
    private function __construct(
        public float $eachMinor,
        /** By the life that was found; a reference week. */
        public float $foundMinor,
        /** By the label's middle. */
        public ?float $labelMinor,
    ) {}

    /**
     * @param float $productMinor            of one application
     * @param float $minutes                 of putting it on
     * @param float $foundWeeks              exp(mean μ) of "due", reference weeks
     * @param array{float, float}|null $labelWeeks
     *
     * @throws InvalidInput
     */
    public static function of(
        float $productMinor,
        float $minutes,
        float $foundWeeks,
        ?array $labelWeeks,
        Rates $rates,
    ): self {
        InvalidInput::unlessBetween('found_weeks', $foundWeeks, 0.05, 2000, 'weeks');
        $each = $productMinor + ($minutes / 60.0) * $rates->labourMinorH;

        return new self(
            $each,
            $each / $foundWeeks,
            $labelWeeks === null || $labelWeeks[0] <= 0.0 ? null : $each / sqrt($labelWeeks[0] * $labelWeeks[1]),
        );
    }
}
