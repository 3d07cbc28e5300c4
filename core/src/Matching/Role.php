<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching;

use Vicissa\Core\Says\Said;

/** What a product is used for (domain §4). */
enum Role: string
{
    case Prewash = 'prewash';
    case Foam = 'foam';
    case Soap = 'soap';
    case Rinseless = 'rinseless';
    case Waterless = 'waterless';
    case Wheel = 'wheel';
    case Iron = 'iron';
    case Tar = 'tar';
    case ClayLube = 'clay-lube';
    case DryingAid = 'drying-aid';
    case Topper = 'topper';
    /** A coating, film or other layer meant to last; a wax or sealant that is laid as the base. */
    case Base = 'base';
    case Glass = 'glass';
    case Tyre = 'tyre';
    case Trim = 'trim';

    /** Roles that touch a layer and stay on it, so that what they leave can hide it. */
    public function staysOnLayer(): bool
    {
        return match ($this) {
            self::Soap, self::Foam, self::DryingAid, self::Topper, self::Rinseless, self::Waterless => true,
            default => false,
        };
    }

    /** Whether it is there to take dirt off: then the gentlest that is strong enough is wanted. */
    public function cleans(): bool
    {
        return match ($this) {
            self::Prewash, self::Foam, self::Soap, self::Rinseless, self::Waterless, self::Wheel => true,
            default => false,
        };
    }

    /** Where it is used when nobody says. */
    public function usualZone(): Zone
    {
        return match ($this) {
            self::Wheel => Zone::Wheels,
            self::Tyre => Zone::Tyres,
            self::Glass => Zone::Glass,
            self::Trim => Zone::Trim,
            default => Zone::Paint,
        };
    }

    /** In the middle of a sentence. */
    public function says(): Said
    {
        return match ($this) {
            self::Prewash => Said::of('role.prewash'),
            self::Foam => Said::of('role.foam'),
            self::Soap => Said::of('role.soap'),
            self::Rinseless => Said::of('role.rinseless'),
            self::Waterless => Said::of('role.waterless'),
            self::Wheel => Said::of('role.wheel'),
            self::Iron => Said::of('role.iron'),
            self::Tar => Said::of('role.tar'),
            self::ClayLube => Said::of('role.clay-lube'),
            self::DryingAid => Said::of('role.drying-aid'),
            self::Topper => Said::of('role.topper'),
            self::Base => Said::of('role.base'),
            self::Glass => Said::of('role.glass'),
            self::Tyre => Said::of('role.tyre'),
            self::Trim => Said::of('role.trim'),
        };
    }
}
