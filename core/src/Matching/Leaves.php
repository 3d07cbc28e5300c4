<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching;

use Vicissa\Core\Protection\Family;

/** What a product leaves behind on the surface. */
enum Leaves: string
{
    case Nothing = 'nothing';
    case Wax = 'wax';
    case Oils = 'oils';
    case Silica = 'silica';
    case Polymer = 'polymer';

    /** Whether it feeds a layer of this family with its own kind. */
    public function suits(Family $family): bool
    {
        return match ($this) {
            self::Silica => $family === Family::Ceramic || $family === Family::SilicaSpray,
            self::Wax => $family === Family::Wax,
            self::Polymer => $family === Family::Polymer,
            self::Nothing, self::Oils => false,
        };
    }

    /** Whether what stays is a protective layer of its own; oils only shine. */
    public function protects(): bool
    {
        return $this === self::Wax || $this === self::Silica || $this === self::Polymer;
    }

    /** Wax and oils shine, and hide what lies under them. */
    public function shines(): bool
    {
        return $this === self::Wax || $this === self::Oils;
    }
}
