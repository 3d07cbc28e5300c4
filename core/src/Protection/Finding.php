<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection;

/** What readings of one visit say about the layers. */
enum Finding: string
{
    case Sound = 'sound';
    case WasDirty = 'was-dirty';
    case Clogged = 'clogged';
    case TopperSpent = 'topper-spent';
    case BaseSuspect = 'base-suspect';
    case Refreshed = 'refreshed';
    case Unclear = 'unclear';
}
