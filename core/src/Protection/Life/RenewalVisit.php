<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection\Life;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Protection\Life\Learnt\LearntForecast;

/**
 * At which of the visits to come a layer is renewed. Layers can only be renewed when somebody is there, and a layer that is
 * seen to hold is not one that holds for good: so the rule is laid down when the layer goes on, by what such layers live, and
 * among all layers renewed by it so many in a hundred will have failed before, as was asked. Two visits stand around that share;
 * which of them it is goes by a lot of the layer's own, in the proportion that makes the share come out.
 */
final readonly class RenewalVisit
{
    /** What waiting until a reading fails may cost more than the cheapest visit, and still be what is said. */
    private const AS_CHEAP = 1.005;

    private function __construct(
        /** Which of the visits, counted from 0. */
        public int $index,
        /** Share of such layers that will have failed by then; and by the visit after. */
        public float $risk,
        public float $after,
    ) {}

    /**
     * @param LearntForecast $fresh        what such a layer may live, as it went on
     * @param non-empty-list<float> $visits  wear-weeks behind the layer at each visit since it went on, ascending
     * @param float $share                 of layers that may have failed before they are renewed, 0.01 to 0.6
     * @param float $lot                   the layer's own, even between 0 and 1: the same each time it is asked
     *
     * @throws InvalidInput
     */
    public static function atShare(LearntForecast $fresh, array $visits, float $share, float $lot): self
    {
        InvalidInput::unlessBetween('caution', $share, 0.01, 0.6);
        $last = count($visits) - 1;
        $i = 0;
        while ($i < $last && $fresh->risk($visits[$i + 1]) <= $share) {
            $i++;
        }
        $below = $fresh->risk($visits[$i]);
        $above = $i < $last ? $fresh->risk($visits[$i + 1]) : $below;
        if ($above > $below && $below < $share && $lot < ($share - $below) / ($above - $below)) {
            $i++;
        }

        return self::at($fresh, $visits, $i);
    }

    /**
     * The visit that costs least in the long run: each layer costs one renewal, and each week of wear that it lies there
     * failed, until the visit that finds it, costs besides; what is compared is cost by wear-week of all layers to come
     * (renewal reward, Barlow & Proschan 1965), over every visit there is. The last one stands for waiting until a reading fails:
     * it is taken where it costs next to nothing more.
     *
     * @param non-empty-list<float> $visits  as above
     * @param float $renewal                 what renewing costs: product and time
     * @param float $failedWeek              what a wear-week of a failed layer costs, in the same money
     *
     * @throws InvalidInput
     */
    public static function atLeastLoss(LearntForecast $fresh, array $visits, float $renewal, float $failedWeek): self
    {
        InvalidInput::unlessBetween('renewal_cost', $renewal, 1e-6, 1e9);
        InvalidInput::unlessBetween('failed_week_cost', $failedWeek, 0, 1e9);
        $lain = $length = $from = 0.0;
        $alive = 1.0;
        [$best, $least] = [0, INF];
        foreach ($visits as $i => $to) {
            // Between two visits a layer fails somewhere: Simpson over the share that has, which is how long it lies there failed.
            $failed = static fn(float $wear): float => $fresh->risk($wear) - (1.0 - $alive);
            $lain += (($to - $from) / 6.0) * (4.0 * $failed(0.5 * ($from + $to)) + $failed($to));
            $length += $alive * ($to - $from);
            $rate = ($renewal + $failedWeek * $lain) / max(1e-9, $length);
            if ($rate < $least - 1e-12) {
                [$best, $least] = [$i, $rate];
            }
            [$from, $alive] = [$to, 1.0 - $fresh->risk($to)];
        }

        return self::at($fresh, $visits, $rate <= self::AS_CHEAP * $least ? count($visits) - 1 : $best);
    }

    /** @param non-empty-list<float> $visits */
    private static function at(LearntForecast $fresh, array $visits, int $i): self
    {
        return new self($i, $fresh->risk($visits[$i]), $fresh->risk($visits[$i + 1] ?? $visits[$i]));
    }
}
