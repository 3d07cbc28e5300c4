<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection\Gauge;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Protection\BeadThresholds;
use Vicissa\Core\Protection\Behaviour;
use Vicissa\Core\Protection\Drop;
use Vicissa\Core\Says\Said;

/** Several marked drops as one reading: their mean, and how well it is known. */
final readonly class GaugeReading
{
    /** So many standard errors from a threshold and it is as good as crossed. */
    private const CLEARLY = 2.0;

    /** @param list<MarkedDrop> $drops */
    private function __construct(
        public array $drops,
        public float $angleDeg,
        /** Standard error of the mean: the larger of what the marks allow and what the drops show by differing. */
        public float $uncertaintyDeg,
        public Behaviour $behaviour,
        /** Another reading it might as well be; null when it is clear. */
        public ?Behaviour $orElse,
    ) {}

    /**
     * @param list<MarkedDrop> $drops
     *
     * @throws InvalidInput
     */
    public static function of(array $drops, BeadThresholds $thresholds = new BeadThresholds()): self
    {
        $n = count($drops);
        if ($n === 0) {
            throw InvalidInput::at('drops', Said::of('fault.drop-none'));
        }
        $angles = array_map(static fn(MarkedDrop $drop): float => $drop->angleDeg, $drops);
        $mean = array_sum($angles) / $n;
        $marks =
            sqrt(array_sum(array_map(static fn(MarkedDrop $drop): float => $drop->uncertaintyDeg ** 2, $drops))) / $n;
        $differ =
            $n > 1
                ? sqrt(
                    array_sum(array_map(static fn(float $angle): float => ($angle - $mean) ** 2, $angles)) /
                        ($n - 1) /
                        $n,
                )
                : 0.0;
        $uncertainty = max($marks, $differ);
        $behaviour = Drop::ofAngle($mean)->behaviour($thresholds);
        $low = Drop::ofAngle($mean - self::CLEARLY * $uncertainty)->behaviour($thresholds);
        $high = Drop::ofAngle($mean + self::CLEARLY * $uncertainty)->behaviour($thresholds);

        return new self(
            $drops,
            $mean,
            $uncertainty,
            $behaviour,
            match (true) {
                $low !== $behaviour => $low,
                $high !== $behaviour => $high,
                default => null,
            },
        );
    }
}
