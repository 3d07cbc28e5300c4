<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching;

enum Severity: string
{
    case Block = 'block';
    case Warn = 'warn';
}
