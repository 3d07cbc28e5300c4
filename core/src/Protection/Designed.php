<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection;

/** What a layer is made to do with water: stand it up in beads, or let it run off in a sheet. */
enum Designed: string
{
    case Beads = 'beads';
    case Sheets = 'sheets';
}
