<?php

declare(strict_types=1);

namespace Database\Demo;

use GdImage;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Draws the demo's photos: a vehicle from the side on a wet drive, as dirty or as clean as it was. */
final class Darkroom
{
    private const TONES = [
        'white' => [233, 232, 226],
        'silver' => [172, 177, 180],
        'mid' => [61, 92, 120],
        'dark' => [47, 58, 56],
        'black' => [24, 25, 28],
    ];

    /** A PNG. */
    public function picture(string $tone, string $body, int $soil, int $seed): string
    {
        $chance = new Randomizer(new Mt19937($seed));
        $w = 960;
        $h = 640;
        $image = imagecreatetruecolor($w, $h);
        assert($image instanceof GdImage);
        imageantialias($image, true);
        for ($y = 0; $y < $h; $y++) {
            $ground = $y > 430;
            $t = $ground ? ($y - 430) / 210 : $y / 430;
            imageline(
                $image,
                0,
                $y,
                $w,
                $y,
                $ground
                    ? $this->colour($image, 96 - 30 * $t, 99 - 30 * $t, 100 - 28 * $t)
                    : $this->colour($image, 176 + 34 * $t, 190 + 26 * $t, 197 + 22 * $t),
            );
        }
        [$r, $g, $b] = self::TONES[$tone] ?? self::TONES['mid'];
        $paint = $this->colour($image, $r, $g, $b);
        $tall = in_array($body, ['van', 'minibus', 'coach', 'horsebox'], true);
        imagefilledellipse($image, 480, 500, 760, 46, $this->colour($image, 52, 54, 55));
        $outline = $tall
            ? [110, 480, 108, 330, 150, 190, 200, 150, 840, 150, 850, 480]
            : [
                100,
                470,
                106,
                395,
                170,
                360,
                300,
                345,
                380,
                262,
                420,
                248,
                620,
                248,
                690,
                262,
                770,
                350,
                852,
                372,
                862,
                470,
            ];
        imagefilledpolygon($image, $outline, $paint);
        $glass = $this->colour($image, 70, 84, 92);
        if ($tall) {
            imagefilledpolygon($image, [140, 300, 172, 206, 205, 190, 240, 190, 240, 300], $glass);
            imagefilledrectangle($image, 270, 195, 800, 270, $glass);
        } else {
            imagefilledpolygon($image, [330, 345, 398, 272, 500, 266, 500, 345], $glass);
            imagefilledpolygon($image, [516, 345, 516, 266, 620, 266, 690, 280, 735, 345], $glass);
        }
        // One strong light along the shoulder.
        for ($i = 0; $i < 26; $i++) {
            imageline(
                $image,
                150 + 3 * $i,
                ($tall ? 320 : 378) + $i,
                820 - 3 * $i,
                ($tall ? 320 : 378) + $i,
                $this->colour($image, 255, 255, 255, 112 + $i / 2),
            );
        }
        foreach ([250, 715] as $x) {
            imagefilledellipse($image, $x, 468, 128, 128, $this->colour($image, 26, 26, 27));
            imagefilledellipse(
                $image,
                $x,
                468,
                82,
                82,
                $this->colour($image, 150 - 14 * $soil, 152 - 16 * $soil, 152 - 20 * $soil),
            );
            imagefilledellipse($image, $x, 468, 24, 24, $this->colour($image, 60, 60, 60));
        }
        $soil === 0 ? $this->beads($image, $chance, $tall) : $this->dirt($image, $chance, $soil, $tall);
        ob_start();
        imagepng($image);

        return (string) ob_get_clean();
    }

    /**
     * Drops on a panel, seen from the side with the light behind them: the samples of the bead gauge. A JPEG.
     *
     * @param float $angleDeg  contact angle of the drops, give or take two degrees
     */
    public function drops(float $angleDeg, int $seed): string
    {
        $chance = new Randomizer(new Mt19937($seed));
        [$w, $h, $floor] = [960, 540, 400];
        $image = imagecreatetruecolor($w, $h);
        assert($image instanceof GdImage);
        for ($y = 0; $y < $h; $y++) {
            $t = $y / $h;
            imageline(
                $image,
                0,
                $y,
                $w,
                $y,
                $y < $floor
                    ? $this->colour($image, 214 - 40 * $t, 224 - 34 * $t, 228 - 30 * $t)
                    : $this->colour($image, 30, 46, 54),
            );
        }
        foreach ([190, 480, 770] as $x) {
            $angle = deg2rad($angleDeg + (4.0 * $chance->getInt(0, 1000)) / 1000 - 2.0);
            $base = $chance->getInt(130, 190);
            // A circle that cuts the panel at the contact angle.
            $radius = $base / 2 / sin($angle);
            $middle = $floor + $radius * cos($angle);
            for ($y = (int) ceil($middle - $radius); $y < $floor; $y++) {
                $half = sqrt(max(0.0, $radius ** 2 - ($y - $middle) ** 2));
                $deep = ($floor - $y) / max(1.0, $floor - $middle + $radius);
                imageline(
                    $image,
                    (int) round($x - $half),
                    $y,
                    (int) round($x + $half),
                    $y,
                    $this->colour($image, 96 + 70 * $deep, 118 + 66 * $deep, 128 + 62 * $deep),
                );
            }
            imagefilledellipse(
                $image,
                (int) ($x - $base / 8),
                (int) ($middle - 0.45 * $radius),
                (int) ($base / 7),
                (int) ($base / 9),
                $this->colour($image, 255, 255, 255, 30),
            );
        }
        imagefilter($image, IMG_FILTER_GAUSSIAN_BLUR);
        ob_start();
        imagejpeg($image, null, 86);

        return (string) ob_get_clean();
    }

    private function dirt(GdImage $image, Randomizer $chance, int $soil, bool $tall): void
    {
        for ($i = 0; $i < 900 * $soil; $i++) {
            $x = $chance->getInt(112, 848);
            // Most of it lies low.
            $y = 470 - (int) (($tall ? 270 : 150) * ($chance->getInt(0, 1000) / 1000) ** (2.6 - 0.3 * $soil));
            $size = $chance->getInt(1, 2 + $soil);
            imagefilledellipse(
                $image,
                $x,
                $y,
                $size + 2,
                $size,
                $this->colour($image, 122, 106, 82, $chance->getInt(70, 110)),
            );
        }
    }

    private function beads(GdImage $image, Randomizer $chance, bool $tall): void
    {
        for ($i = 0; $i < 420; $i++) {
            $x = $chance->getInt(150, 820);
            $y = $chance->getInt($tall ? 300 : 375, 455);
            $size = $chance->getInt(2, 6);
            imagefilledellipse($image, $x, $y, $size, $size, $this->colour($image, 255, 255, 255, 88));
            imagefilledellipse(
                $image,
                $x + 1,
                $y + 1,
                max(1, $size - 2),
                max(1, $size - 2),
                $this->colour($image, 20, 30, 40, 104),
            );
        }
    }

    private function colour(GdImage $image, float $r, float $g, float $b, float $alpha = 0.0): int
    {
        $part = static fn(float $value): int => max(0, min(255, (int) round($value)));

        return (int) imagecolorallocatealpha(
            $image,
            $part($r),
            $part($g),
            $part($b),
            max(0, min(127, (int) round($alpha))),
        );
    }
}
