<?php

declare(strict_types=1);

namespace Vicissa\Core\Record;

use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Planning\Cycle;

/** When what is renewed now and then comes due again (domain §15.1). Day numbers; a rhythm is in days. */
final readonly class Rhythm
{
    /** A topper that nobody has laid for long is due at once, within two weeks, and again after six. */
    private const TOPPED_AGAIN = [14, 42];

    /**
     * Every so many days since it was done last: worth doing from seven tenths, late after one and a half times that.
     */
    public static function every(int $last, int $days): Cycle
    {
        return new Cycle($last + intdiv(7 * $days, 10), $last + $days, $last + intdiv(3 * $days, 2), $days);
    }

    /**
     * The topper by a rhythm of weeks where the vehicle has one, else by its forecast; null where none is wanted.
     *
     * @param int|null $everyDays  the vehicle's own rhythm
     * @param bool $everTopped  the vehicle has had one before
     * @param int $start  the first day of the plan
     */
    public static function topper(?int $everyDays, ?Foreseen $topper, bool $everTopped, int $start): ?Cycle
    {
        [$within, $repeat] = self::TOPPED_AGAIN;

        return match (true) {
            $everyDays !== null => self::every($topper->on ?? $start - $everyDays, $everyDays),
            $topper !== null => $topper->asTopper(),
            $everTopped => new Cycle($start, $start, $start + $within, $repeat),
            default => null,
        };
    }

    /**
     * A topper every so many washes, where that comes before its date: for the plan a date through the rhythm of
     * washing.
     *
     * @param int $washes  as the vehicle has it
     * @param int $since   washes since the last topper
     * @param int $target  days from wash to wash
     * @param int $last    the day of the last one
     */
    public static function orByWashes(?Cycle $cycle, int $washes, int $since, int $target, int $last): Cycle
    {
        $due = $last + max(1, $washes - $since) * $target;
        $repeat = $washes * $target;

        return $cycle !== null && $cycle->due <= $due
            ? new Cycle($cycle->from, $cycle->due, $cycle->late, min($cycle->repeat, $repeat))
            : new Cycle(
                $due - intdiv($target, 2),
                $due,
                $cycle->late ?? $due + 2 * $target,
                min($cycle->repeat ?? $repeat, $repeat),
            );
    }

    /**
     * What can't wait for its rhythm: due at the next visit, and open until the vehicle must have been seen again.
     *
     * @param int $start  the first day of the plan
     * @param int $within  days in which the vehicle is seen at the latest
     */
    public static function atOnce(int $start, int $within, int $repeat): Cycle
    {
        return new Cycle($start - 1, $start, $start + $within, $repeat);
    }

    /**
     * What was left out of the last visit stands open again, unless its rhythm brings it by the next one anyway.
     *
     * @param int $target  days from visit to visit
     */
    public static function reopened(?Cycle $cycle, int $start, int $target, int $within): Cycle
    {
        return $cycle !== null && $cycle->due <= $start + $target
            ? $cycle
            : self::atOnce($start, $within, $cycle->repeat ?? 365);
    }

    /** @param list<LoggedTurn> $turns  oldest first */
    public static function washesSinceTopper(array $turns, Zone $zone): int
    {
        $since = 0;
        foreach (array_reverse($turns) as $turn) {
            if ($turn->topperOn($zone) !== null) {
                break;
            }
            $since++;
        }

        return $since;
    }
}
