<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching;

/** How hard a product is on wax and sealant. */
enum Strips: string
{
    case None = 'none';
    case Slight = 'slight';
    case Strong = 'strong';
}
