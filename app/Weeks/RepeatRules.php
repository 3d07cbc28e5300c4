<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Tables\UnreadableFile;
use DateTimeImmutable;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Component\VEvent;
use Sabre\VObject\Property\ICalendar\DateTime;
use Sabre\VObject\Property\ICalendar\Recur;
use Vicissa\Core\Says\Said;

/**
 * What repeats in a stranger's calendar, before it is laid out: only rules that are sure to come round again soon are
 * followed. One that never does (a 30 February) or began long ago would be looked for without end.
 */
final class RepeatRules
{
    private const EVENTS = 2000;

    private const RULES = 40;

    private const INTERVAL = 60;

    private const COUNT = 2000;

    /** Daily and weekly ones that began earlier are taken up from about here on, years. */
    private const BACK = 1;

    private const PARTS = ['FREQ', 'INTERVAL', 'COUNT', 'UNTIL', 'BYDAY', 'BYMONTHDAY', 'BYMONTH', 'BYSETPOS', 'WKST'];

    /** Days a month is sure to have. */
    private const LENGTHS = [1 => 31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];

    /** @throws UnreadableFile */
    public static function tame(VCalendar $calendar, DateTimeImmutable $now): void
    {
        $events = $calendar->select('VEVENT');
        if (count($events) > self::EVENTS) {
            throw new UnreadableFile(Said::of('file.events', count: count($events), most: self::EVENTS));
        }
        $rules = 0;
        foreach ($events as $event) {
            if (!($event instanceof VEvent) || !isset($event->RRULE)) {
                continue;
            }
            $start = $event->select('DTSTART')[0] ?? null;
            if (!($start instanceof DateTime) || ++$rules > self::RULES) {
                throw new UnreadableFile(Said::of('file.repeats-much', most: self::RULES));
            }
            foreach ($event->select('RRULE') as $rule) {
                $parts = $rule instanceof Recur ? array_change_key_case($rule->getParts(), CASE_UPPER) : [];
                $begins = $start->getDateTime();
                if (!self::comesRound($parts, $begins, $now)) {
                    throw new UnreadableFile(
                        Said::of('file.repeats-never', name: mb_substr((string) ($event->SUMMARY ?? '…'), 0, 60)),
                    );
                }
                self::takeUp($event, $parts, $begins, $now);
            }
        }
    }

    /** @param array<array-key, mixed> $parts */
    private static function comesRound(array $parts, DateTimeImmutable $begins, DateTimeImmutable $now): bool
    {
        $often = self::whole($parts, 'INTERVAL', 1);
        $kind = is_string($parts['FREQ'] ?? null) ? strtoupper($parts['FREQ']) : '';
        $count = self::whole($parts, 'COUNT', 1);
        if (
            array_diff(array_keys($parts), self::PARTS) !== [] ||
            $often < 1 ||
            $often > self::INTERVAL ||
            $count < 1 ||
            $count > self::COUNT ||
            (isset($parts['COUNT']) && $begins < $now->modify('-10 years')) ||
            !in_array($kind, ['DAILY', 'WEEKLY', 'MONTHLY', 'YEARLY'], true)
        ) {
            return false;
        }
        $days = self::numbers($parts['BYMONTHDAY'] ?? []);
        $months = self::numbers($parts['BYMONTH'] ?? []);
        $named = array_map(strval(...), is_array($parts['BYDAY'] ?? []) ? $parts['BYDAY'] ?? [] : [$parts['BYDAY']]);
        foreach ($named as $day) {
            if (preg_match('/^([+-]?[1-4])?(MO|TU|WE|TH|FR|SA|SU)$/i', $day) !== 1) {
                return false;
            }
        }
        if (isset($parts['BYSETPOS'])) {
            // The last working day of a month, say; more is asked for by nobody, and much of it never comes.
            return $kind === 'MONTHLY' &&
                $days === [] &&
                count($named) > 0 &&
                preg_match('/^-?[1-4]$/', implode(',', (array) $parts['BYSETPOS'])) === 1 &&
                preg_grep('/\d/', $named) === [];
        }
        if (in_array($kind, ['DAILY', 'WEEKLY'], true)) {
            // Which day it falls on is only ours to foresee where nothing else is asked of it.
            return $days === [] && $months === [] && ($kind === 'WEEKLY' || $named === []);
        }
        if (($days !== [] && $named !== []) || array_diff($months, range(1, 12)) !== []) {
            return false;
        }

        return $days === [] || self::isThere($days, $kind, $months, $often, $begins);
    }

    /**
     * Whether one of the days is in one of the months it comes to.
     *
     * @param list<int> $days
     * @param list<int> $months
     */
    private static function isThere(
        array $days,
        string $kind,
        array $months,
        int $often,
        DateTimeImmutable $begins,
    ): bool {
        $first = (int) $begins->format('n');
        $reached =
            $kind === 'YEARLY'
                ? ($months === []
                    ? [$first]
                    : $months)
                : array_map(static fn(int $k): int => (($first - 1 + $k * $often) % 12) + 1, range(0, 11));
        if ($kind === 'MONTHLY' && $months !== []) {
            $reached = array_intersect($reached, $months);
        }
        foreach ($reached as $month) {
            foreach ($days as $day) {
                if ($day !== 0 && abs($day) <= self::LENGTHS[$month]) {
                    return true;
                }
            }
        }

        return false;
    }

    /**
     * One that goes on for years begins, for us, not long ago: the same days follow.
     *
     * @param array<array-key, mixed> $parts
     */
    private static function takeUp(VEvent $event, array $parts, DateTimeImmutable $begins, DateTimeImmutable $now): void
    {
        $step =
            self::whole($parts, 'INTERVAL', 1) *
            match (strtoupper((string) $parts['FREQ'])) {
                'DAILY' => 1,
                'WEEKLY' => 7,
                default => 0,
            };
        $from = $now->modify('-' . self::BACK . ' years');
        if ($step === 0 || isset($parts['COUNT']) || $begins >= $from) {
            return;
        }
        $days = $step * intdiv((int) $begins->diff($from)->days, $step);
        foreach ([...$event->select('DTSTART'), ...$event->select('DTEND')] as $at) {
            if ($at instanceof DateTime) {
                $at->setDateTime($at->getDateTime()->modify("+{$days} days"));
            }
        }
    }

    /** @param array<array-key, mixed> $parts */
    private static function whole(array $parts, string $name, int $else): int
    {
        $value = $parts[$name] ?? $else;

        return is_numeric($value) ? (int) $value : -1;
    }

    /** @return list<int> */
    private static function numbers(mixed $of): array
    {
        return array_values(array_map(static fn(mixed $one): int => is_numeric($one) ? (int) $one : 0, (array) $of));
    }
}
