<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Zone;

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
    public function says(Role $role): string
    {
        return sprintf(
            match ($this) {
                self::NotOnTheShelf => 'there is no %s on the shelf',
                self::OnlyAnAcid => 'the only %s that may be used is an acid, which is taken by hand alone',
                self::TooHot => 'the panel is too hot for every %s',
                self::TooCold => 'the panel is too cold for every %s',
                self::DriesFirst => 'every %s would dry before it has worked',
                self::NeedsWater => 'every %s has to be rinsed, and there is no water',
                self::RuledOut => 'every %s is ruled out here',
            },
            $role->says(),
        );
    }

    public function remedy(Role $role, Zone $zone): string
    {
        return match ($this) {
            self::NotOnTheShelf => sprintf(
                'Put a %s for %s on the shelf, or go without and say so.',
                $role->says(),
                $zone->value,
            ),
            self::OnlyAnAcid => sprintf(
                'Look at it beside this choice, with its cautions, or put a gentler %s on the shelf.',
                $role->says(),
            ),
            self::TooHot, self::DriesFirst => 'Cool the panel, find shade, or move the hour.',
            self::TooCold => 'A warmer hour, or a bay.',
            self::NeedsWater => 'Bring a tank.',
            self::RuledOut => sprintf(
                'A %s that suits %s and what lies on it would have to be bought.',
                $role->says(),
                $zone->value,
            ),
        };
    }
}
