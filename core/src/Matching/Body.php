<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching;

/** Kinds of body, with the painted area to start from until someone measures (domain §11: cars 9–14 m², vans 16–25). */
enum Body: string
{
    case Small = 'small';
    case Hatch = 'hatch';
    case Saloon = 'saloon';
    case Estate = 'estate';
    case Suv = 'suv';
    case Pickup = 'pickup';
    case Limousine = 'limousine';
    case Tourer = 'tourer';
    case Van = 'van';
    case Minibus = 'minibus';
    case Coach = 'coach';
    case Horsebox = 'horsebox';
    /** On its trailer: hull, deck and the frame below. */
    case Boat = 'boat';

    /** Painted area in m². */
    public function paintM2(): float
    {
        return match ($this) {
            self::Small => 9.0,
            self::Hatch => 10.0,
            self::Saloon => 11.5,
            self::Tourer => 10.0,
            self::Estate => 12.5,
            self::Suv => 14.0,
            self::Pickup => 13.5,
            self::Limousine => 15.0,
            self::Van => 19.0,
            self::Minibus => 24.0,
            self::Horsebox => self::boxM2(6.5, 2.2, 2.9),
            self::Boat => self::boxM2(6.0, 2.1, 1.6),
            self::Coach => self::boxM2(8.4, 2.4, 3.0),
        };
    }

    /** Area of a large vehicle: 2 × length × height × 0.8 + width × (length + 2 × height × 0.5); all in metres. */
    public static function boxM2(float $length, float $width, float $height): float
    {
        return 2.0 * $length * $height * 0.8 + $width * ($length + 2.0 * $height * 0.5);
    }
}
