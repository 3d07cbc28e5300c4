<?php

declare(strict_types=1);

namespace Tests;

use App\Says\Language;
use App\Says\Teller;
use Vicissa\Core\Says\Said;

/** What the rules say, in words. */
final class Told
{
    public static function en(Said|string|null $said): string
    {
        static $teller;
        $teller ??= new Teller(Language::English);

        return $said === null ? '' : $teller->tell($said);
    }

    /**
     * @param array<Said> $all
     * @return list<string>
     */
    public static function all(array $all): array
    {
        return array_map(self::en(...), array_values($all));
    }
}
