<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection;

/** What a vehicle mostly drives on. */
enum Road: string
{
    case Normal = 'normal';
    case Unpaved = 'unpaved';
    case Salted = 'salted';
}
