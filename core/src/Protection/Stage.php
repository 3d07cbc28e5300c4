<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection;

/** When in a visit the water was read. */
enum Stage: string
{
    case Arrival = 'arrival';
    case AfterWash = 'after_wash';
    case AfterDecon = 'after_decon';
    case AfterTopper = 'after_topper';
}
