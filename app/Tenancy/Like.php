<?php

declare(strict_types=1);

namespace App\Tenancy;

/** What somebody typed as a pattern of SQL's LIKE: whatever marks are in it mean only themselves. */
final class Like
{
    public static function holding(string $text): string
    {
        return '%' . self::beginning($text);
    }

    public static function beginning(string $text): string
    {
        return addcslashes($text, '\\%_') . '%';
    }
}
