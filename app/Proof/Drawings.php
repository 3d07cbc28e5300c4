<?php

declare(strict_types=1);

namespace App\Proof;

/** Drops and ribbons for paper, drawn as they are on the screen. */
final readonly class Drawings
{
    private const ANGLES = ['tight' => 110.0, 'good' => 92.0, 'weak' => 70.0, 'sheeting' => 40.0, 'flat' => 15.0];

    /** A drop on its panel with its contact angle: a circular segment of 42 units base. */
    public static function drop(string $behaviour, ?float $angle): string
    {
        $degrees = max(8.0, min(150.0, $angle ?? (self::ANGLES[$behaviour] ?? 90.0)));
        $half = $degrees > 90.0 ? 16.0 : 21.0;
        $radius = $half / sin(deg2rad($degrees));
        $large = $degrees > 90.0 ? 1 : 0;

        return sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" width="80" height="52" viewBox="0 0 80 52"><path d="M%1$.2F 44A%2$.2F %2$.2F 0 %3$d 1 %4$.2F 44z" fill="#dbe9e7" stroke="#15201f" stroke-width="1.4"/><path d="M6 45.2h68" stroke="#176e6a" stroke-width="2.6"/></svg>',
            40.0 - $half,
            abs($radius),
            $large,
            40.0 + $half,
        );
    }

    /**
     * What is left of the layers along time, with washes as nicks, readings as dots, and the window in which to renew.
     *
     * @param Told<'Ribbon'> $ribbon  as the film draws it
     */
    public static function ribbon(array $ribbon, string $from, string $to, string $today): string
    {
        [$w, $h, $floor, $tall] = [700.0, 92.0, 66.0, 50.0];
        [$start, $end] = [(float) strtotime($from), (float) strtotime($to)];
        $x = static fn(string $at): float => ($w * ((float) strtotime($at) - $start)) / max(1.0, $end - $start);
        $y = static fn(float $left): float => $floor - $tall * max(0.0, min(1.0, $left));
        $now = $x($today);
        $parts = [];
        foreach ($ribbon['segments'] as $segment) {
            $points = $segment['points'];
            $line = $last = '';
            foreach ($points as $point) {
                $px = max(0.0, min($now, $x($point['at'])));
                $last = sprintf('%.1F', $px);
                $line .= sprintf('%s%.1F %.1F', $line === '' ? 'M' : 'L', $px, $y((float) $point['left']));
            }
            if ($line !== '') {
                $first = max(0.0, $x($points[0]['at']));
                $parts[] = sprintf(
                    '<path d="%sL%s %.1FL%.1F %.1Fz" fill="#176e6a" fill-opacity="0.85"/>',
                    $line,
                    $last,
                    $floor,
                    $first,
                    $floor,
                );
            }
        }
        $spread = $ribbon['spread'];
        if ($spread !== null && $ribbon['left'] !== null) {
            foreach (['p90' => 0.16, 'p50' => 0.3, 'p10' => 0.5] as $name => $opacity) {
                $spent = $spread[$name];
                $until = $spent === null ? $w : min($w, $x($spent));
                $parts[] = sprintf(
                    '<path d="M%1$.1F %2$.1FL%1$.1F %3$.1FL%4$.1F %2$.1Fz" fill="#176e6a" fill-opacity="%5$.2F"/>',
                    $now,
                    $floor,
                    $y((float) $ribbon['left']),
                    $until,
                    $opacity,
                );
            }
        }
        foreach ($ribbon['washes'] as $wash) {
            $px = $x((string) $wash);
            if ($px >= 0.0 && $px <= $w) {
                $parts[] = sprintf(
                    '<path d="M%.1F %.1Fl-3 7h6z" fill="#ffffff" stroke="#15201f" stroke-width="0.8"/>',
                    $px,
                    $floor - 7.0,
                );
            }
        }
        foreach ($ribbon['readings'] as $reading) {
            $px = $x((string) $reading['at']);
            if ($px >= 0.0 && $px <= $w) {
                $parts[] = sprintf(
                    '<circle cx="%.1F" cy="10" r="3.4" fill="%s" stroke="#15201f" stroke-width="1"/>',
                    $px,
                    in_array($reading['behaviour'], ['tight', 'good'], true) ? '#dbe9e7' : '#ffffff',
                );
            }
        }
        $due = $ribbon['due_at'];
        if (is_string($due)) {
            $at = static fn(mixed $moment) => max(1.0, min($w - 1.0, $x(is_string($moment) ? $moment : $due)));
            $parts[] = sprintf(
                '<path d="M%.1F 70V75H%.1FV70" fill="none" stroke="#8f4a12" stroke-width="1.6"/><path d="M%.1F 75l-4.5 8h9z" fill="#8f4a12"/>',
                $at($ribbon['from_at']),
                $at($ribbon['late_at']),
                $at($due),
            );
        }
        $parts[] = sprintf(
            '<path d="M0 %1$.1FH%2$.1F" stroke="#6f7f8c" stroke-width="3.4"/><path d="M%3$.1F 2V88" stroke="#15201f" stroke-width="1" stroke-dasharray="3 3"/>',
            $floor + 1.6,
            $w,
            $now,
        );

        return sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" width="%1$d" height="%2$d" viewBox="0 0 %1$d %2$d">%3$s</svg>',
            $w,
            $h,
            implode('', $parts),
        );
    }
}
