<?php

declare(strict_types=1);

namespace App\Http;

use App\Problems\Problem;
use Illuminate\Pagination\Cursor;
use Vicissa\Core\Says\Said;

/** Where a list goes on, as it was told and not as somebody made it up: what is in it goes into a query. */
final class SignedCursor
{
    public static function told(?Cursor $cursor): ?string
    {
        $text = $cursor?->encode();

        return $text === null ? null : $text . '.' . self::seal($text);
    }

    public static function read(mixed $asked): ?Cursor
    {
        if ($asked === null || $asked === '') {
            return null;
        }
        [$text, $seal] = is_string($asked) ? [...explode('.', $asked, 2), ''] : ['', ''];

        return hash_equals(self::seal($text), $seal)
            ? Cursor::fromEncoded($text)
            : throw Problem::field('cursor', Said::of('problem.cursor'));
    }

    private static function seal(string $text): string
    {
        return substr(hash_hmac('sha256', "cursor {$text}", config()->string('app.key')), 0, 32);
    }
}
