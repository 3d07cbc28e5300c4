<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching;

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
}
