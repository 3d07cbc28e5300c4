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
}
