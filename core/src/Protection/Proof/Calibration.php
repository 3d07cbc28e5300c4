<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection\Proof;

use Vicissa\Core\Protection\Life\FailureInterval;
use Vicissa\Core\Protection\Life\Normal;
use Vicissa\Core\Says\Said;

/**
 * Whether past forecasts were right, in place and in spread. What a forecast had said of each life makes it a normal deviate
 * (the probability integral transform, Dawid 1984, through the normal quantile), known between two readings, or only from below
 * where the layer was renewed; right forecasts make these standard normal, whenever layers are renewed, as long as what renews
 * them is what was known. Place and spread are found by maximum likelihood ({@see CensoredNormal}), and nothing is said where
 * the data could not tell. The curve is the Turnbull estimate of the transforms, as far as anything was seen.
 */
final readonly class Calibration
{
    /** Fewer finished layers than this prove nothing. */
    public const TOO_FEW = 8;

    private const FAILED = 3;

    /** χ² of two, and of one: right forecasts are called wrong in five of a hundred, and wrong ones for the wrong reason. */
    private const JOINTLY = 5.99;

    private const SINGLY = 3.84;

    /** So many standard errors would have shown. */
    private const CLEARLY = 2.0;

    /** A handful of vehicles can't tell how alike their layers are. */
    private const MOST_CLUSTERED = 3.0;

    /** A place off by more than a whole spread, or a spread off by two, would have been seen: else it is too early to say. */
    private const HIDDEN_PLACE = 1.3;

    private const HIDDEN_SPREAD = M_LN2;

    /**
     * @param list<array{said: float, was: float, low: float, high: float}> $points
     */
    private function __construct(
        public array $points,
        public int $layers,
        /** Largest gap between said and was, in points of 100. */
        public float $offBy,
        public Leaning $place,
        public Fit $spread,
        public Said $says,
    ) {}

    /** @param list<Foretold> $all */
    public static function of(array $all): self
    {
        $transforms = $deviates = [];
        $failures = 0;
        foreach ($all as $i => $one) {
            $held = $one->life->held > 0.0 ? $one->deviateBy($one->life->held) : -8.0;
            $failed = $one->life->failed === null ? null : $one->deviateBy($one->life->failed);
            if ($failed === null ? $held <= -8.0 : $failed <= $held) {
                continue;
            }
            $transforms[] = FailureInterval::of(
                Normal::below($held),
                $failed === null ? null : max(Normal::below($held) + 1e-9, Normal::below($failed)),
            );
            // What comes from nobody in particular stands for itself.
            $deviates[] = [$held, $failed ?? 40.0, $one->source === '' ? "#{$i}" : $one->source];
            $failures += $failed === null ? 0 : 1;
        }
        [$points, $off] = self::points($transforms);
        $layers = count($transforms);
        if ($layers < self::TOO_FEW || $failures < self::FAILED) {
            return new self(
                $points,
                $layers,
                $off,
                Leaning::TooEarly,
                Fit::TooEarly,
                Said::of('calibration.too-few', layers: $layers),
            );
        }
        [$place, $spread] = self::judged($deviates);

        return new self($points, $layers, $off, $place, $spread, self::says($place, $spread));
    }

    /**
     * By how much likelier the lives are with another place, another spread, or both (likelihood ratios, made smaller by as much as
     * layers of one vehicle agree).
     *
     * @param list<array{float, float, string}> $deviates
     * @return array{Leaning, Fit}
     */
    private static function judged(array $deviates): array
    {
        $said = CensoredNormal::of($deviates, []);
        $both = CensoredNormal::of($deviates);
        $placed = CensoredNormal::of($deviates, [0]);
        $spread = CensoredNormal::of($deviates, [1]);
        $gain = static fn(CensoredNormal $more, CensoredNormal $less): float => (2.0 *
            ($more->likelihood - $less->likelihood)) /
            min(self::MOST_CLUSTERED, $both->clustered);
        $hidden = [
            self::CLEARLY * $placed->placeError > self::HIDDEN_PLACE ? Leaning::TooEarly : Leaning::Right,
            self::CLEARLY * $both->spreadError > self::HIDDEN_SPREAD ? Fit::TooEarly : Fit::Right,
        ];
        if ($hidden[1] === Fit::TooEarly) {
            return $gain($placed, $said) < self::SINGLY
                ? $hidden
                : [$placed->place < 0.0 ? Leaning::Sooner : Leaning::Longer, $hidden[1]];
        }
        if ($gain($both, $said) < self::JOINTLY) {
            return $hidden;
        }
        // What the other can't explain; where either could alone, the likelier.
        $ofPlace = $gain($both, $spread) >= self::SINGLY;
        $ofSpread = $gain($both, $placed) >= self::SINGLY;
        if (!$ofPlace && !$ofSpread) {
            $ofPlace = $placed->likelihood >= $spread->likelihood;
            $ofSpread = !$ofPlace;
        }
        $at = $ofSpread && $ofPlace ? $both : ($ofPlace ? $placed : $spread);

        return [
            match (true) {
                !$ofPlace => $hidden[0],
                $at->place < 0.0 => Leaning::Sooner,
                default => Leaning::Longer,
            },
            match (true) {
                !$ofSpread => $hidden[1],
                $at->spread > 0.0 => Fit::TooNarrow,
                default => Fit::TooWide,
            },
        ];
    }

    private static function says(Leaning $place, Fit $spread): Said
    {
        return match (true) {
            $place === Leaning::TooEarly => Said::of('calibration.too-early'),
            $place === Leaning::Right && $spread === Fit::Right => Said::of('calibration.right'),
            $place === Leaning::Right && $spread === Fit::TooEarly => Said::of('calibration.right-place'),
            default => Said::after(
                match ($place) {
                    Leaning::Sooner => Said::of('calibration.sooner'),
                    Leaning::Longer => Said::of('calibration.longer'),
                    default => Said::of('calibration.middle-right'),
                },
                match ($spread) {
                    Fit::TooNarrow => Said::of('calibration.narrow'),
                    Fit::TooWide => Said::of('calibration.wide'),
                    default => null,
                },
            ),
        };
    }

    /**
     * @param list<FailureInterval> $transforms
     * @return array{list<array{said: float, was: float, low: float, high: float}>, float}
     */
    private static function points(array $transforms): array
    {
        $curve = SurvivalCurve::of($transforms, band: false);
        $seen = max([
            0.0,
            ...array_map(static fn(FailureInterval $one): float => $one->failed ?? $one->held, $transforms),
        ]);
        $points = [];
        $off = 0.0;
        foreach (range(1, 9) as $tenth) {
            $said = $tenth / 10.0;
            // Of what nobody let come about, nothing is drawn.
            $there = count(
                array_filter(
                    $transforms,
                    static fn(FailureInterval $one): bool => $one->failed !== null || $one->held >= $said,
                ),
            );
            if ($said > $seen || $there === 0) {
                continue;
            }
            $was = 1.0 - $curve->holds($said);
            // Binomial at 95 in 100 of those that tell; two points for reading off between tenths.
            $half = 0.02 + 1.96 * sqrt(($said * (1.0 - $said)) / $there);
            $points[] = [
                'said' => $said,
                'was' => $was,
                'low' => max(0.0, $said - $half),
                'high' => min(1.0, $said + $half),
            ];
            $off = max($off, abs($was - $said));
        }

        return [$points, 100.0 * $off];
    }
}
