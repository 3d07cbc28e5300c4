<?php

declare(strict_types=1);

namespace Vicissa\Core\Practice;

/** What has to be judged before a vehicle is touched. */
enum Judgement: string
{
    case Method = 'method';
    case Soap = 'soap';
    case Drying = 'drying';
    case Topper = 'topper';
}
