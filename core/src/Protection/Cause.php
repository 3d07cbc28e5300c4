<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection;

/** Why one part of the body reads differently from the rest. */
enum Cause: string
{
    /** What faces the sky fails while the rest holds. */
    case SunOrSpots = 'sun-or-spots';
    /** What faces the road fails while the rest holds. */
    case Salt = 'salt';
    /** The sides fail while roof and low panels hold: hands, brushes, or how the layer went on. */
    case Rubbed = 'rubbed';
    /** On arrival dirt lies unevenly; nothing follows for the layer. */
    case UnevenDirt = 'uneven-dirt';
}
