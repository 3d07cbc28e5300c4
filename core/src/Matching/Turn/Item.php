<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

/** What a visit may take in (domain §15.1). */
enum Item: string
{
    case Paint = 'paint';
    case Wheels = 'wheels';
    case Glass = 'glass';
    case Jambs = 'jambs';
    case Tyres = 'tyres';
    case Arches = 'arches';
    case Trim = 'trim';
    case Dressing = 'dressing';

    public function says(): string
    {
        return match ($this) {
            self::Paint => 'paint',
            self::Wheels => 'wheels',
            self::Glass => 'glass',
            self::Jambs => 'jambs',
            self::Tyres => 'tyres',
            self::Arches => 'arches',
            self::Trim => 'trim',
            self::Dressing => 'tyre dressing',
        };
    }
}
