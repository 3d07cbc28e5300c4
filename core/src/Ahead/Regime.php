<?php

declare(strict_types=1);

namespace Vicissa\Core\Ahead;

use Vicissa\Core\InvalidInput;

/** A way of keeping a vehicle for a year: how often, how, with what, and what one of each costs. */
final readonly class Regime
{
    /**
     * @param int|null $saltEveryDays   in salted months; null: the same
     * @param float $topperWeeks        for TopperRule::Weeks
     * @param float $caution            for TopperRule::Forecast: share of layers that may be spent, 0 to 1
     * @param float $washFactor         wear of a wash (14.8)
     * @param bool $givesBack           a fitting drying aid at each wash
     * @param float $medium             contact risk of the method (domain §5)
     * @param int $ceiling       soil beyond which the method is refused and a pre-wash with many towels stands in
     * @param array{wash: float, topper: float} $minutes
     * @param array{wash: float, topper: float} $litres
     * @param array{wash: float, topper: float} $minor  materials
     *
     * @throws InvalidInput
     */
    public function __construct(
        public string $name,
        public int $everyDays,
        public ?int $saltEveryDays,
        public TopperRule $topper,
        public float $topperWeeks,
        public float $caution,
        public float $washFactor,
        public bool $givesBack,
        public float $medium,
        public int $ceiling,
        public array $minutes,
        public array $litres,
        public array $minor,
    ) {
        InvalidInput::unlessBetween('every_days', $everyDays, 1, 366, 'days');
        if ($saltEveryDays !== null) {
            InvalidInput::unlessBetween('salt_every_days', $saltEveryDays, 1, 366, 'days');
        }
        InvalidInput::unlessBetween('topper_weeks', $topperWeeks, 1, 104, 'weeks');
        InvalidInput::unlessBetween('caution', $caution, 0.01, 0.9);
        InvalidInput::unlessBetween('wash_factor', $washFactor, 0, 20);
    }
}
