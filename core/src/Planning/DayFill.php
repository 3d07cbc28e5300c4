<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

/**
 * One crew's day by itself: which of the visits that are offered earn most at their prices, less trips and overtime, within the
 * minutes there are. An exact knapsack over minutes: place by place a trip is paid for or not, and of each vehicle one visit may be
 * taken.
 */
final readonly class DayFill
{
    /**
     * @param array<string, array<int, array<int, int>>> $offers  minutes by place, vehicle, visit
     * @param array<string, PlanSite> $sites
     */
    public function __construct(
        private array $offers,
        private array $sites,
        private int $minutes,
        private PlanRules $rules,
    ) {}

    /**
     * @param array<int, float> $price  by visit
     * @return array{float, list<int>} what is earned, by which visits
     */
    public function best(array $price): array
    {
        $worth = $all = [];
        $earned = 0.0;
        $longest = 0;
        foreach ($this->offers as $site => $vehicles) {
            $hop = $this->sites[$site]->hopMin;
            $sum = -$this->rules->travel * $hop;
            $long = $hop;
            $of = $first = [];
            foreach ($vehicles as $visits) {
                $ways = self::ways($visits, $price);
                if ($ways !== []) {
                    $of[] = $ways;
                    $sum += $ways[0][0];
                    $long += max(array_column($ways, 1));
                    $first[] = $ways[0][2];
                }
            }
            if ($sum > 0.0) {
                $worth[$site] = $of;
                $earned += $sum;
                $longest += $long;
                array_push($all, ...$first);
            }
        }

        // Where all that earns anything fits in, there is nothing to choose.
        return $longest <= $this->minutes ? [$earned, $all] : $this->packed($worth);
    }

    /**
     * @param array<int, int> $visits  minutes by visit
     * @param array<int, float> $price
     * @return list<array{float, int, int}> points, minutes, visit of those that earn anything; the best of them first, of equals the shorter
     */
    private static function ways(array $visits, array $price): array
    {
        $ways = [];
        foreach ($visits as $id => $work) {
            if ($price[$id] > 1e-9) {
                $ways[] = [$price[$id], $work, $id];
            }
        }
        usort($ways, static fn(array $a, array $b): int => [$b[0], $a[1], $a[2]] <=> [$a[0], $b[1], $b[2]]);

        return $ways;
    }

    /**
     * @param array<string, list<list<array{float, int, int}>>> $worth  points, minutes, visit, by place and vehicle
     * @return array{float, list<int>}
     */
    private function packed(array $worth): array
    {
        $room = $this->minutes + $this->rules->overtimeMost;
        // Most points by minutes, only where more minutes earn more; what was taken as a chain of links.
        $fills = [0 => 0.0];
        $links = [0 => -1];
        $chain = [];
        foreach ($worth as $site => $vehicles) {
            $hop = $this->sites[$site]->hopMin;
            $trip = $this->rules->travel * $hop;
            $there = $linked = [];
            foreach ($fills as $at => $points) {
                if ($at + $hop <= $room) {
                    $there[$at + $hop] = $points - $trip;
                    $linked[$at + $hop] = $links[$at];
                }
            }
            foreach ($vehicles as $ways) {
                [$there, $linked] = self::growing(...self::taking($there, $linked, $ways, $room, $chain));
            }
            foreach ($there as $at => $points) {
                if (!isset($fills[$at]) || $fills[$at] < $points) {
                    $fills[$at] = $points;
                    $links[$at] = $linked[$at];
                }
            }
            [$fills, $links] = self::growing($fills, $links);
        }
        [$best, $last] = [0.0, -1];
        foreach ($fills as $at => $points) {
            $points -= $this->rules->overtime * max(0, $at - $this->minutes);
            if ($points > $best) {
                [$best, $last] = [$points, $links[$at]];
            }
        }
        $taken = [];
        for ($link = $last; $link >= 0; $link = $chain[$link][0]) {
            $taken[] = $chain[$link][1];
        }

        return [$best, $taken];
    }

    /**
     * With one of a vehicle's visits, or none.
     *
     * @param array<int, float> $there
     * @param array<int, int> $linked
     * @param list<array{float, int, int}> $ways
     * @param list<array{int, int}> $chain  grows
     * @return array{array<int, float>, array<int, int>}
     */
    private static function taking(array $there, array $linked, array $ways, int $room, array &$chain): array
    {
        [$next, $to] = [$there, $linked];
        foreach ($there as $at => $points) {
            foreach ($ways as [$more, $work, $id]) {
                $end = $at + $work;
                if ($end <= $room && (!isset($next[$end]) || $next[$end] < $points + $more)) {
                    $next[$end] = $points + $more;
                    $to[$end] = count($chain);
                    $chain[] = [$linked[$at], $id];
                }
            }
        }

        return [$next, $to];
    }

    /**
     * Without what takes longer and earns no more.
     *
     * @param array<int, float> $fills
     * @param array<int, int> $links
     * @return array{array<int, float>, array<int, int>}
     */
    private static function growing(array $fills, array $links): array
    {
        ksort($fills);
        $most = -INF;
        $kept = $to = [];
        foreach ($fills as $at => $points) {
            if ($points > $most + 1e-12) {
                $most = $kept[$at] = $points;
                $to[$at] = $links[$at];
            }
        }

        return [$kept, $to];
    }
}
