<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Says\Said;

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

    public function says(): Said
    {
        return match ($this) {
            self::Paint => Said::of('item.paint'),
            self::Wheels => Said::of('item.wheels'),
            self::Glass => Said::of('item.glass'),
            self::Jambs => Said::of('item.jambs'),
            self::Tyres => Said::of('item.tyres'),
            self::Arches => Said::of('item.arches'),
            self::Trim => Said::of('item.trim'),
            self::Dressing => Said::of('item.dressing'),
        };
    }
}
