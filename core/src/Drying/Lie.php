<?php

declare(strict_types=1);

namespace Vicissa\Core\Drying;

/** How a panel lies: what it sees of the sky, and how warm air rises from it. */
enum Lie: string
{
    /** Roof, bonnet, boot lid. */
    case Level = 'level';
    /** Doors and wings: half sky, half ground. */
    case Upright = 'upright';
}
