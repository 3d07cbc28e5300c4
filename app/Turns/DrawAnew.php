<?php

declare(strict_types=1);

namespace App\Turns;

use GdImage;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

/**
 * A fresh picture of a picture: it is decoded and drawn anew, so that nothing of the file comes along but what one sees;
 * where it was taken, and with what, stays behind.
 */
final class DrawAnew
{
    /** Longer edges are scaled down to this. */
    private const EDGE = 1600;

    private const QUALITY = 82;

    /** More pixels than this are no photo, but a way to fill the memory. */
    private const MOST_PIXELS = 16_000_000;

    /**
     * @param string $file  the bytes as they came
     * @return string JPEG
     *
     * @throws InvalidInput when it is no picture
     */
    public static function of(string $file): string
    {
        $size = @getimagesizefromstring($file);
        if ($size === false || !in_array($size[2], [IMAGETYPE_JPEG, IMAGETYPE_PNG, IMAGETYPE_WEBP], true)) {
            throw InvalidInput::at('file', Said::of('photo.kind'));
        }
        if ($size[0] * $size[1] > self::MOST_PIXELS) {
            throw InvalidInput::at('file', Said::of('photo.large'));
        }
        $picture = @imagecreatefromstring($file);
        if ($picture === false) {
            throw InvalidInput::at('file', Said::of('photo.damaged'));
        }
        $edge = max(imagesx($picture), imagesy($picture));
        $scaled =
            $edge > self::EDGE
                ? imagescale(
                    $picture,
                    max(1, (int) round((imagesx($picture) * self::EDGE) / $edge)),
                    max(1, (int) round((imagesy($picture) * self::EDGE) / $edge)),
                    IMG_BICUBIC,
                )
                : $picture;
        $scaled = $scaled === false ? $picture : $scaled;

        return self::jpeg($scaled);
    }

    private static function jpeg(GdImage $picture): string
    {
        ob_start();
        imagejpeg($picture, null, self::QUALITY);

        return (string) ob_get_clean();
    }
}
