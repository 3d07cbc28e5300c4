<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection\Life;

/**
 * When a lasting base is to be looked over: at least once a year, sooner where its refresh begins to be worth doing.
 * Moments in seconds since 1970.
 */
final readonly class InspectionWindow
{
    private const DAY = 86400;

    private function __construct(
        public int $from,
        public int $due,
        public int $late,
        /** Whether the forecast asks for it before the year is over. */
        public bool $byForecast,
    ) {}

    /**
     * @param int $since             when it was looked over last, or went on
     * @param int|null $refreshFrom  from when refreshing is worth doing, by the forecast
     * @param int $everyDays         at least so often
     * @param int $aroundDays        how long before it is worth doing, and twice as long after it is late
     */
    public static function of(int $since, ?int $refreshFrom, int $everyDays = 365, int $aroundDays = 30): self
    {
        $yearly = $since + $everyDays * self::DAY;
        // Looked at a month ago, it needn't be looked at again for a forecast that has not moved.
        $asked = $refreshFrom === null ? null : max($refreshFrom, $since + 3 * $aroundDays * self::DAY);
        $due = $asked === null ? $yearly : min($yearly, $asked);

        return new self($due - $aroundDays * self::DAY, $due, $due + 2 * $aroundDays * self::DAY, $due < $yearly);
    }
}
