<?php

declare(strict_types=1);

namespace Vicissa\Core\Drying;

/** How much of the sun on level ground a panel gets. */
enum Exposure: string
{
    case Flat = 'flat';
    case Sides = 'sides';
    case Shade = 'shade';

    /** Share of the sun on level ground; sides are taken round the car. */
    public function ofSun(): float
    {
        return match ($this) {
            self::Flat => 1.0,
            self::Sides => 0.5,
            self::Shade => 0.15,
        };
    }

    public function lie(): Lie
    {
        return $this === self::Sides ? Lie::Upright : Lie::Level;
    }
}
