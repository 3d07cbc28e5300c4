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

    /** A panel that leans more makes a drop steep below and shallow above. */
    private const LEANS_DEG = 8.0;

    /** Where the top stands between the feet of a drop that sits on a level panel. */
    private const UPRIGHT = [0.38, 0.62];

    /** From so far above a drop's outline is no longer the drop's. */
    private const LOOKS_DOWN_DEG = 12.0;

    /** The foot line lies off the middle between the tops by so many standard deviations, and by so much of the base. */
    private const MIRROR_OFF = [3.0, 0.03];

    /** As large as a bead on a panel commonly gets, mm. */
    private const LARGE_MM = 5.0;

    /**
     * @param list<MarkedDrop> $drops
     * @param list<Said> $doubts  why the picture may not tell
     */
    private function __construct(
        public array $drops,
        public float $angleDeg,
        /** Standard error of the mean: the larger of what the marks allow and what the drops show by differing. */
        public float $uncertaintyDeg,
        public Behaviour $behaviour,
        /** Another reading it might as well be; null when it is clear. */
        public ?Behaviour $orElse,
        public array $doubts,
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
            self::doubts($drops, $behaviour, $thresholds),
        );
    }

    /**
     * @param list<MarkedDrop> $drops
     * @return list<Said>
     */
    private static function doubts(array $drops, Behaviour $behaviour, BeadThresholds $thresholds): array
    {
        $doubts = [];
        $leans = max([0.0, ...array_map(static fn(MarkedDrop $drop): float => $drop->leansDeg, $drops)]);
        if ($leans > self::LEANS_DEG) {
            $doubts[] = Said::of('gauge.leans', degrees: round($leans));
        }
        [$least, $most] = self::UPRIGHT;
        if (
            array_filter($drops, static fn(MarkedDrop $drop): bool => $drop->topAt < $least || $drop->topAt > $most) !==
            []
        ) {
            $doubts[] = Said::of('gauge.lopsided');
        }
        $down = max([0.0, ...array_map(static fn(MarkedDrop $drop): float => $drop->looksDownDeg ?? 0.0, $drops)]);
        if ($down > self::LOOKS_DOWN_DEG) {
            $doubts[] = Said::of('gauge.looks-down', degrees: round($down));
        }
        if (array_filter($drops, self::standsOff(...)) !== []) {
            $doubts[] = Said::of('gauge.mirror');
        }
        $large = array_map(
            static fn(MarkedDrop $drop): float => $drop->mmPerPx !== null
                ? $drop->angleDeg
                : Drop::lying(self::LARGE_MM, (self::LARGE_MM * $drop->heightPx) / $drop->basePx)->angleDeg,
            $drops,
        );
        $as = Drop::ofAngle(array_sum($large) / max(1, count($large)));
        if ($as->behaviour($thresholds) !== $behaviour) {
            $doubts[] = Said::of('gauge.size-unknown', mm: self::LARGE_MM, degrees: round($as->angleDeg));
        }

        return $doubts;
    }

    private static function standsOff(MarkedDrop $drop): bool
    {
        [$deviations, $ofBase] = self::MIRROR_OFF;

        return $drop->mirrorOffPx > max($deviations * $drop->markingPx, $ofBase * $drop->basePx);
    }
}
