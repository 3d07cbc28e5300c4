<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection;

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
    public function said(): string
    {
        return match ($this) {
            self::Whole => 'the paint',
            self::Top => 'the roof and bonnet',
            self::Sides => 'the sides',
            self::Low => 'the low panels',
        };
    }
}
