<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection;

use Vicissa\Core\Says\Said;

/** Where on the paint the water was read: all of it at a glance, or one part by itself. */
enum Part: string
{
    case Whole = 'whole';
    /** Roof, bonnet, boot lid: what faces the sun. */
    case Top = 'top';
    case Sides = 'sides';
    /** Sills, lower doors, bumpers: what faces the road. */
    case Low = 'low';

    /** As it stands within a sentence. */
    public function said(): Said
    {
        return match ($this) {
            self::Whole => Said::of('part.whole-said'),
            self::Top => Said::of('part.top-said'),
            self::Sides => Said::of('part.sides-said'),
            self::Low => Said::of('part.low-said'),
        };
    }
}
