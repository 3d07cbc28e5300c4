<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

/**
 * The order of a day's stops: least of waiting, hours missed, bad hours and travel. Exact up to ten stops by dynamic
 * programming over what has been done and where one stands (Bellman 1962; Held & Karp 1962); beyond that the nearest
 * next, then pairs and stretches turned round until nothing is gained.
 */
final readonly class DayOrder
{
    /** Up to so many stops the order is exact. */
    public const EXACT = 10;

    /** Minutes of a stop outside its opening hours count so often. */
    private const SHUT = 1000.0;

    /** Minutes worked in hours that dry too fast count so often beside themselves. */
    private const HOT = 1.0;

    /**
     * @param list<int> $order              places of the stops given, as they are driven
     * @param list<array{arrive: int, begin: int, end: int}> $times  minutes after midnight, in that order
     */
    private function __construct(
        public array $order,
        public array $times,
        public int $travel,
        public int $waits,
        /** Minutes that fall outside opening hours. */
        public int $shut,
        public bool $exact,
    ) {}

    /**
     * @param list<array{minutes: int, opens: int, closes: int, hot: array<int, bool>}> $stops minutes of work, opening
     *     hours in minutes after midnight, hours of the day to avoid
     * @param list<list<int>> $travel  minutes between places; the first is the unit, then the stops in their order
     * @param int $leaves              minutes after midnight
     *
     * @throws InvalidInput
     */
    public static function of(array $stops, array $travel, int $leaves): self
    {
        $n = count($stops);
        if (count($travel) !== $n + 1) {
            throw InvalidInput::at('travel', Said::of('fault.travel'));
        }
        if ($n === 0) {
            return new self([], [], 0, 0, 0, true);
        }
        $order = $n <= self::EXACT ? self::exactly($stops, $travel, $leaves) : self::nearly($stops, $travel, $leaves);

        return self::timed($stops, $travel, $leaves, $order, $n <= self::EXACT);
    }

    /**
     * Labels by (done, at): several, since an earlier end and a lower cost may not go together.
     *
     * @param list<array{minutes: int, opens: int, closes: int, hot: array<int, bool>}> $stops
     * @param list<list<int>> $travel
     * @return list<int>
     */
    private static function exactly(array $stops, array $travel, int $leaves): array
    {
        $n = count($stops);
        /** @var array<int, array<int, list<array{float, int, list<int>}>>> $labels */
        $labels = [0 => [0 => [[0.0, $leaves, []]]]];
        for ($done = 0; $done < (1 << $n) - 1; $done++) {
            foreach ($labels[$done] ?? [] as $at => $some) {
                for ($next = 0; $next < $n; $next++) {
                    if (($done >> $next) & 1) {
                        continue;
                    }
                    $set = $done | (1 << $next);
                    foreach ($some as [$cost, $time, $way]) {
                        [$begin, $step] = self::step($stops[$next], $travel[$at][$next + 1], $time);
                        $new = [$cost + $step, $begin + $stops[$next]['minutes'], [...$way, $next]];
                        $labels[$set][$next + 1] = self::with($labels[$set][$next + 1] ?? [], $new);
                    }
                }
            }
            unset($labels[$done]);
        }
        [$best, $order] = [INF, []];
        foreach ($labels[(1 << $n) - 1] as $at => $some) {
            foreach ($some as [$cost, , $way]) {
                if ($cost + $travel[$at][0] < $best) {
                    [$best, $order] = [$cost + $travel[$at][0], $way];
                }
            }
        }

        return $order;
    }

    /**
     * The labels of a place with one more, without those that are both dearer and later than another.
     *
     * @param list<array{float, int, list<int>}> $labels  cost, end, way
     * @param array{float, int, list<int>} $new
     * @return list<array{float, int, list<int>}>
     */
    private static function with(array $labels, array $new): array
    {
        foreach ($labels as [$cost, $ends]) {
            if ($cost <= $new[0] && $ends <= $new[1]) {
                return $labels;
            }
        }
        $left = array_filter($labels, static fn(array $old): bool => $old[0] < $new[0] || $old[1] < $new[1]);

        return [...array_values($left), $new];
    }

    /**
     * @param list<array{minutes: int, opens: int, closes: int, hot: array<int, bool>}> $stops
     * @param list<list<int>> $travel
     * @return list<int>
     */
    private static function nearly(array $stops, array $travel, int $leaves): array
    {
        $left = array_keys($stops);
        $order = [];
        [$at, $time] = [0, $leaves];
        while ($left !== []) {
            $costs = array_map(
                static fn(int $next): float => self::step($stops[$next], $travel[$at][$next + 1], $time)[1],
                $left,
            );
            $next = $left[array_keys($costs, min($costs), true)[0]];
            $time = self::step($stops[$next], $travel[$at][$next + 1], $time)[0] + $stops[$next]['minutes'];
            $at = $next + 1;
            $order[] = $next;
            $left = array_values(array_diff($left, [$next]));
        }
        $cost = self::cost($stops, $travel, $leaves, $order);
        do {
            $better = false;
            foreach (self::places(count($order)) as [$i, $j]) {
                foreach (self::changed($order, $i, $j) as $try) {
                    $now = self::cost($stops, $travel, $leaves, $try);
                    if ($now < $cost - 1e-9) {
                        [$order, $cost, $better] = [$try, $now, true];
                    }
                }
            }
        } while ($better);

        return $order;
    }

    /** @return iterable<array{int, int}> every two of so many, in their order */
    private static function places(int $count): iterable
    {
        for ($i = 0; $i < $count - 1; $i++) {
            for ($j = $i + 1; $j < $count; $j++) {
                yield [$i, $j];
            }
        }
    }

    /**
     * @param list<int> $order
     * @return list<list<int>> with what lies from one place to the other turned round, and with the one moved to the
     *     other
     */
    private static function changed(array $order, int $i, int $j): array
    {
        $turned = [
            ...array_slice($order, 0, $i),
            ...array_reverse(array_slice($order, $i, $j - $i + 1)),
            ...array_slice($order, $j + 1),
        ];
        array_splice($order, $j, 0, array_splice($order, $i, 1));

        return [$turned, $order];
    }

    /**
     * @param list<array{minutes: int, opens: int, closes: int, hot: array<int, bool>}> $stops
     * @param list<list<int>> $travel
     * @param list<int> $order
     */
    public static function cost(array $stops, array $travel, int $leaves, array $order): float
    {
        [$at, $time, $cost] = [0, $leaves, 0.0];
        foreach ($order as $next) {
            [$begin, $step] = self::step($stops[$next], $travel[$at][$next + 1], $time);
            $cost += $step;
            [$at, $time] = [$next + 1, $begin + $stops[$next]['minutes']];
        }

        return $cost + $travel[$at][0];
    }

    /**
     * @param array{minutes: int, opens: int, closes: int, hot: array<int, bool>} $stop
     * @return array{int, float} when work begins, and what travel, waiting, shut and hot minutes cost
     */
    private static function step(array $stop, int $travel, int $time): array
    {
        $arrive = $time + $travel;
        $begin = max($arrive, $stop['opens']);
        $end = $begin + $stop['minutes'];
        $hot = 0;
        foreach ($stop['hot'] as $hour => $is) {
            $hot += $is ? max(0, min($end, 60 * $hour + 60) - max($begin, 60 * $hour)) : 0;
        }

        return [
            $begin,
            $travel + ($begin - $arrive) + self::SHUT * max(0, $end - max($begin, $stop['closes'])) + self::HOT * $hot,
        ];
    }

    /**
     * @param list<array{minutes: int, opens: int, closes: int, hot: array<int, bool>}> $stops
     * @param list<list<int>> $travel
     * @param list<int> $order
     */
    private static function timed(array $stops, array $travel, int $leaves, array $order, bool $exact): self
    {
        [$at, $time, $driven, $waits, $shut] = [0, $leaves, 0, 0, 0];
        $times = [];
        foreach ($order as $next) {
            $arrive = $time + $travel[$at][$next + 1];
            $begin = max($arrive, $stops[$next]['opens']);
            $end = $begin + $stops[$next]['minutes'];
            $times[] = ['arrive' => $arrive, 'begin' => $begin, 'end' => $end];
            $driven += $travel[$at][$next + 1];
            $waits += $begin - $arrive;
            $shut += max(0, $end - max($begin, $stops[$next]['closes']));
            [$at, $time] = [$next + 1, $end];
        }

        return new self($order, $times, $driven + $travel[$at][0], $waits, $shut, $exact);
    }
}
