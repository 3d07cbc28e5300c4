<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection\Proof;

use Vicissa\Core\Protection\Life\FailureInterval;
use Vicissa\Core\Says\Said;

/**
 * Whether past forecasts were right: of the layers of which it was said that p in 100 would have failed by then, how
 * many had. A life is known between two readings only, so each layer counts with the share of its forecast between them
 * (the distribution of probability integral transforms for censored lives, Henderson, Jones & Stare 2001; the curve is
 * the Turnbull estimate of the transforms). Right forecasts lie on the diagonal.
 */
final readonly class Calibration
{
    /** Fewer finished layers than this prove nothing. */
    public const TOO_FEW = 8;

    /**
     * @param list<array{said: float, was: float, low: float, high: float}> $points
     */
    private function __construct(
        public array $points,
        public int $layers,
        /** Largest gap between said and was, in points of 100. */
        public float $offBy,
        public Said $says,
    ) {}

    /** @param list<Foretold> $all */
    public static function of(array $all): self
    {
        $transforms = [];
        foreach ($all as $one) {
            $held = $one->chanceBy($one->life->held);
            $failed = $one->life->failed === null ? null : $one->chanceBy($one->life->failed);
            if ($failed === null ? $held > 0.0 : $failed > $held) {
                $transforms[] = FailureInterval::of($held, $failed);
            }
        }
        $curve = SurvivalCurve::of($transforms, band: false);
        $points = [];
        $off = 0.0;
        foreach (range(1, 9) as $tenth) {
            $said = $tenth / 10.0;
            $was = 1.0 - $curve->holds($said);
            // Binomial at 95 in 100, since each layer had failed by then or had not; two points for reading off between
            // tenths.
            $half = 0.02 + 1.96 * sqrt(($said * (1.0 - $said)) / max(1, $curve->layers));
            $points[] = [
                'said' => $said,
                'was' => $was,
                'low' => max(0.0, $said - $half),
                'high' => min(1.0, $said + $half),
            ];
            $off = max($off, abs($was - $said));
        }
        $within = count(
            array_filter(
                $points,
                static fn(array $point): bool => $point['was'] >= $point['low'] - 1e-9 &&
                    $point['was'] <= $point['high'] + 1e-9,
            ),
        );

        return new self(
            $points,
            $curve->layers,
            100.0 * $off,
            match (true) {
                $curve->layers < self::TOO_FEW || $curve->failed < 3 => Said::of(
                    'calibration.too-few',
                    layers: $curve->layers,
                ),
                $within >= 7 => Said::of('calibration.right'),
                array_sum(array_column($points, 'was')) > array_sum(array_column($points, 'said')) => Said::of(
                    'calibration.sooner',
                ),
                default => Said::of('calibration.longer'),
            },
        );
    }
}
