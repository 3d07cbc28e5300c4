<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection\Life\Learnt;

/** What a reading on a clean surface came after. */
enum ReadAfter: string
{
    case Wash = 'wash';
    case Decon = 'decon';
    case Topper = 'topper';
}
