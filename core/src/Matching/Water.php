<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching;

/** The water there is at the place of work. */
enum Water: string
{
    case None = 'none';
    case Tap = 'tap';
    case Treated = 'treated';
}
