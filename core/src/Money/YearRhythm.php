<?php

declare(strict_types=1);

namespace Vicissa\Core\Money;

use Vicissa\Core\InvalidInput;

/** How often a vehicle is visited in a year, and what each visit may hold. */
final readonly class YearRhythm
{
    private const YEAR = 365.25;

    /**
     * @param int $everyDays           between visits
     * @param int|null $saltEveryDays  in the salted months; null: the same
     * @param int $saltMonths          how many they are
     * @param float|null $topperWeeks  weeks a topper lasts; null: none goes on
     * @param int|null $deconDays      null: never
     * @param int|null $baseDays       days a short-lived base lasts; null: it lasts, or there is none
     *
     * @throws InvalidInput
     */
    public function __construct(
        public int $everyDays,
        public ?int $saltEveryDays = null,
        public int $saltMonths = 0,
        public ?float $topperWeeks = null,
        public ?int $deconDays = null,
        public bool $inspection = false,
        public ?int $baseDays = null,
    ) {
        InvalidInput::unlessBetween('every_days', $everyDays, 1, 366, 'days');
        InvalidInput::unlessBetween('salt_months', $saltMonths, 0, 12);
    }

    /** @return array<string, positive-int> how often, by kind; nothing rides on a visit that is not made */
    public function times(): array
    {
        $washes = $this->washes();
        $rides = static fn(?float $days): int => $days === null
            ? 0
            : min($washes, (int) round(self::YEAR / max(1.0, $days)));

        return array_filter(
            [
                'wash' => max(1, $washes),
                'topper' => $rides($this->topperWeeks === null ? null : 7.0 * $this->topperWeeks),
                'decon' => $rides($this->deconDays === null ? null : (float) $this->deconDays),
                'inspection' => $this->inspection ? 1 : 0,
                'base' => $rides($this->baseDays === null ? null : (float) $this->baseDays),
            ],
            static fn(int $times): bool => $times > 0,
        );
    }

    private function washes(): int
    {
        $salted = $this->saltEveryDays === null ? 0.0 : (self::YEAR * $this->saltMonths) / 12.0;

        return (int) round(
            (self::YEAR - $salted) / $this->everyDays +
                ($this->saltEveryDays === null ? 0.0 : $salted / max(1, $this->saltEveryDays)),
        );
    }
}
