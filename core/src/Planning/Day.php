<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

/** Calendar days as whole numbers: the days since 1 January 1970. */
final readonly class Day
{
    /**
     * @param string $date  YYYY-MM-DD
     *
     * @throws InvalidInput
     */
    public static function number(string $field, string $date): int
    {
        if (
            preg_match('/^(\d{4})-(\d{2})-(\d{2})$/', $date, $parts) !== 1 ||
            !checkdate((int) $parts[2], (int) $parts[3], (int) $parts[1])
        ) {
            throw InvalidInput::at($field, Said::of('fault.date', text: $date));
        }

        return intdiv((int) gmmktime(0, 0, 0, (int) $parts[2], (int) $parts[3], (int) $parts[1]), 86400);
    }

    public static function date(int $number): string
    {
        return gmdate('Y-m-d', $number * 86400);
    }
}
