<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching;

/** How much a remark counts. */
enum Severity: string
{
    case Block = 'block';
    case Warn = 'warn';

    /** As a number a house may set: 1 warns, 2 blocks. */
    public function level(): float
    {
        return $this === self::Block ? 2.0 : 1.0;
    }

    /** Null for 0, which says nothing. */
    public static function ofLevel(float $level): ?self
    {
        return match ((int) round($level)) {
            2 => self::Block,
            1 => self::Warn,
            default => null,
        };
    }
}
