<?php

declare(strict_types=1);

namespace Vicissa\Core\Ahead;

/** When a regime puts a topper on. */
enum TopperRule: string
{
    case Never = 'never';
    case EveryWash = 'every-wash';
    /** Every so many weeks, at the wash that comes then. */
    case Weeks = 'weeks';
    /** At the wash on which more layers would be spent than the caution allows. */
    case Forecast = 'forecast';
    /** At the wash after which the clean water no longer stands as it should. */
    case Reading = 'reading';
}
