<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

use Vicissa\Core\Says\Said;

/** What a visit holds (domain §15.1). */
enum Kind: string
{
    case Wash = 'wash';
    case Topper = 'topper';
    case Decon = 'decon';
    /** The base is looked over; it rides on a visit that is planned anyway. */
    case Inspection = 'inspection';
    /** A short-lived base is renewed, and with it whatever topper lay on it. */
    case Base = 'base';
    /** A lasting base is renewed: asked for by hand, after an inspection said so. */
    case Recoat = 'recoat';

    /** Kinds beside the wash, as bits: the sum of them names what a visit holds. */
    public function bit(): int
    {
        return match ($this) {
            self::Wash => 0,
            self::Topper => 1,
            self::Decon => 2,
            self::Inspection => 4,
            self::Base => 8,
            self::Recoat => 16,
        };
    }

    /** What it is called where a person reads it, as the beginning of a sentence. */
    public function says(): Said
    {
        return match ($this) {
            self::Wash => Said::of('kind.wash'),
            self::Topper => Said::of('kind.topper'),
            self::Decon => Said::of('kind.decon'),
            self::Inspection => Said::of('kind.inspection'),
            self::Base => Said::of('kind.base'),
            self::Recoat => Said::of('kind.recoat'),
        };
    }

    /**
     * @param int $bits  0 to 31
     * @return non-empty-list<self> wash first
     */
    public static function of(int $bits): array
    {
        return array_values(
            array_filter(
                self::cases(),
                static fn(self $kind): bool => $kind === self::Wash || ($bits & $kind->bit()) !== 0,
            ),
        );
    }

    /**
     * @param list<string> $kinds  names; what is none of ours counts for nothing
     */
    public static function bits(array $kinds): int
    {
        return array_reduce(
            $kinds,
            static fn(int $bits, string $kind): int => $bits | (self::tryFrom($kind)?->bit() ?? 0),
            0,
        );
    }
}
