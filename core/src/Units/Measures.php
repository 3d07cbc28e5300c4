<?php

declare(strict_types=1);

namespace Vicissa\Core\Units;

/** How a workspace wants quantities said. The models reckon in SI units; only sentences pass through here. */
enum Measures: string
{
    case Metric = 'metric';
    case Us = 'us';
    case Imperial = 'imperial';

    private const SQUARE_FEET_PER_M2 = 10.7639104167;

    public function temperature(float $c): string
    {
        return $this === self::Us ? sprintf('%d °F', round(1.8 * $c + 32.0)) : sprintf('%d °C', round($c));
    }

    public function area(float $m2): string
    {
        return $this === self::Metric
            ? self::plain($m2, 1) . ' m²'
            : sprintf('%d sq ft', round($m2 * self::SQUARE_FEET_PER_M2));
    }

    /** In what reports on water speak where such measures are used; there are others. */
    public function hardness(): Hardness
    {
        return match ($this) {
            self::Metric => Hardness::MilligramsPerLitre,
            self::Us => Hardness::Grains,
            self::Imperial => Hardness::English,
        };
    }

    public function litres(float $l): string
    {
        return match ($this) {
            self::Metric => $l < 1.0 ? sprintf('%d ml', round(1000.0 * $l)) : self::plain($l, 1) . ' l',
            self::Us => self::plain((1000.0 * $l) / VolumeUnit::UsFluidOunce->millilitres(), 1) . ' fl oz',
            self::Imperial => self::plain((1000.0 * $l) / VolumeUnit::ImperialFluidOunce->millilitres(), 1) .
                ' imp fl oz',
        };
    }

    /** Seconds as a person counts them. */
    public static function time(float $s): string
    {
        return match (true) {
            $s < 90.0 => sprintf('%d s', floor($s)),
            // A minute rounded away would halve what is left.
            $s < 180.0 && fmod($s, 60.0) >= 10.0 => sprintf('%d s', 10 * floor($s / 10.0)),
            default => sprintf('%d min', floor($s / 60.0)),
        };
    }

    public static function plain(float $value, int $digits): string
    {
        $text = number_format($value, $digits, '.', '');

        return str_contains($text, '.') ? rtrim(rtrim($text, '0'), '.') : $text;
    }
}
