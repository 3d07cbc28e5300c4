<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching;

/** A kind of surface with a stack of its own. */
enum Zone: string
{
    case Paint = 'paint';
    case Wheels = 'wheels';
    case Glass = 'glass';
    case Trim = 'trim';
    case Tyres = 'tyres';
}
