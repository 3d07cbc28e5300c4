<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching;

/** Keep what is on the vehicle, or strip it on purpose before new protection. */
enum Purpose: string
{
    case Maintain = 'maintain';
    case Reset = 'reset';
}
