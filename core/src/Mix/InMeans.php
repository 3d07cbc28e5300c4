<?php

declare(strict_types=1);

namespace Vicissa\Core\Mix;

/** What "1 in 20" means to whoever wrote it: one part of twenty in all, or one part into twenty of water. */
enum InMeans: string
{
    case Total = 'total';
    case Water = 'water';
}
