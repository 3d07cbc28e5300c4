<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection\Proof;

/** Whether what was said left as much room as lives take. */
enum Fit: string
{
    case Right = 'right';
    case TooNarrow = 'too-narrow';
    case TooWide = 'too-wide';
    case TooEarly = 'too-early';
}
