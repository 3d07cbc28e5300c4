<?php

declare(strict_types=1);

namespace Vicissa\Core\Sky;

use DateTimeInterface;
use Vicissa\Core\InvalidInput;

/**
 * Where the sun stands, good to about a hundredth of a degree (Meeus, Astronomical Algorithms, 2nd ed. 1998, chapters
 * 12, 13, 22 and 25, low accuracy), without refraction.
 */
final readonly class Sun
{
    private function __construct(
        /** Above the horizon, degrees. */
        public float $elevationDeg,
        /** From north over east, degrees. */
        public float $azimuthDeg,
    ) {}

    /**
     * @param float $latitude   degrees, north positive
     * @param float $longitude  degrees, east positive
     *
     * @throws InvalidInput
     */
    public static function at(float $latitude, float $longitude, DateTimeInterface $moment): self
    {
        InvalidInput::unlessBetween('latitude', $latitude, -90, 90);
        InvalidInput::unlessBetween('longitude', $longitude, -180, 180);
        $days = ($moment->getTimestamp() - 946728000) / 86400.0;
        $century = $days / 36525.0;
        $mean = 280.46646 + 36000.76983 * $century + 0.0003032 * $century ** 2;
        $anomaly = deg2rad(357.52911 + 35999.05029 * $century - 0.0001537 * $century ** 2);
        $centre =
            (1.914602 - 0.004817 * $century) * sin($anomaly) +
            (0.019993 - 0.000101 * $century) * sin(2.0 * $anomaly) +
            0.000289 * sin(3.0 * $anomaly);
        $node = deg2rad(125.04 - 1934.136 * $century);
        $longitudeOfSun = deg2rad($mean + $centre - 0.00569 - 0.00478 * sin($node));
        $obliquity = deg2rad(23.439291 - 0.0130042 * $century + 0.00256 * cos($node));
        $declination = asin(sin($obliquity) * sin($longitudeOfSun));
        $ascension = atan2(cos($obliquity) * sin($longitudeOfSun), cos($longitudeOfSun));
        $sidereal = 280.46061837 + 360.98564736629 * $days + 0.000387933 * $century ** 2;
        $hour = deg2rad($sidereal + $longitude) - $ascension;
        $north = deg2rad($latitude);
        $elevation = asin(sin($north) * sin($declination) + cos($north) * cos($declination) * cos($hour));
        $azimuth = rad2deg(atan2(sin($hour), cos($hour) * sin($north) - tan($declination) * cos($north))) + 180.0;

        return new self(rad2deg($elevation), fmod($azimuth + 720.0, 360.0));
    }

    /** Sun and sky on level ground under a clear sky, W/m² (Haurwitz 1945). */
    public function clearSky(): float
    {
        $high = sin(deg2rad($this->elevationDeg));

        return $high <= 0.0 ? 0.0 : 1098.0 * $high * exp(-0.057 / $high);
    }

    /**
     * The same under cloud (Kasten & Czeplak 1980).
     *
     * @param float $cloud  cover, 0 to 1
     */
    public function under(float $cloud): float
    {
        InvalidInput::unlessBetween('cloud', $cloud, 0, 1);

        return $this->clearSky() * (1.0 - 0.75 * $cloud ** 3.4);
    }
}
