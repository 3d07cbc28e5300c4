<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

/** What a visit holds. */
enum Kind: string
{
    case Wash = 'wash';
    case Topper = 'topper';
    case Decon = 'decon';
    /** The base is looked over; it rides on a visit that is planned anyway. */
    case Inspection = 'inspection';

    /** Kinds beside the wash, as bits: the sum of them names what a visit holds. */
    public function bit(): int
    {
        return match ($this) {
            self::Wash => 0,
            self::Topper => 1,
            self::Decon => 2,
            self::Inspection => 4,
        };
    }

    /**
     * @param int $bits  0 to 7
     * @return non-empty-list<self> wash first
     */
    public static function of(int $bits): array
    {
        return [self::Wash, ...($bits & 1 ? [self::Topper] : []), ...($bits & 2 ? [self::Decon] : []), ...($bits & 4 ? [self::Inspection] : [])];
    }

    /**
     * @param list<string> $kinds  names; what is none of ours counts for nothing
     */
    public static function bits(array $kinds): int
    {
        return array_reduce($kinds, static fn(int $bits, string $kind): int => $bits | (self::tryFrom($kind)?->bit() ?? 0), 0);
    }
}
