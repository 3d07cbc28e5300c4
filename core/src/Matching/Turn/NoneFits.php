<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Says\Said;

/** Why nothing of the shelf serves a need, and what would help. */
enum NoneFits: string
{
    case NotOnTheShelf = 'not-on-the-shelf';
    case OnlyAnAcid = 'only-an-acid';
    case TooHot = 'too-hot';
    case TooCold = 'too-cold';
    case DriesFirst = 'dries-first';
    case NeedsWater = 'needs-water';
    case RuledOut = 'ruled-out';

    /** In a few words, to stand within a sentence. */
    public function says(Role $role): Said
    {
        return match ($this) {
            self::NotOnTheShelf => Said::of('none-fits.not-on-the-shelf', role: $role->says()),
            self::OnlyAnAcid => Said::of('none-fits.only-an-acid', role: $role->says()),
            self::TooHot => Said::of('none-fits.too-hot', role: $role->says()),
            self::TooCold => Said::of('none-fits.too-cold', role: $role->says()),
            self::DriesFirst => Said::of('none-fits.dries-first', role: $role->says()),
            self::NeedsWater => Said::of('none-fits.needs-water', role: $role->says()),
            self::RuledOut => Said::of('none-fits.ruled-out', role: $role->says()),
        };
    }

    public function remedy(Role $role, Zone $zone): Said
    {
        return match ($this) {
            self::NotOnTheShelf => Said::of(
                'none-fits.put-a-for-on-the-shelf-or',
                role: $role->says(),
                zone: $zone->value,
            ),
            self::OnlyAnAcid => Said::of('none-fits.look-at-it-beside-this', role: $role->says()),
            self::TooHot, self::DriesFirst => Said::of('none-fits.too-hot-remedy'),
            self::TooCold => Said::of('none-fits.too-cold-remedy'),
            self::NeedsWater => Said::of('none-fits.needs-water-remedy'),
            self::RuledOut => Said::of(
                'none-fits.a-that-suits-and-what-lies',
                role: $role->says(),
                zone: $zone->value,
            ),
        };
    }
}
