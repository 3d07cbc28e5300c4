<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection\Proof;

/** Where the middle of lives lies, beside what was said. */
enum Leaning: string
{
    case Right = 'right';
    case Sooner = 'sooner';
    case Longer = 'longer';
    case TooEarly = 'too-early';
}
