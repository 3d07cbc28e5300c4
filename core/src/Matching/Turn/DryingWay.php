<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Says\Said;

/** Ways the water comes off (domain §6). */
enum DryingWay: string
{
    case AirThenTowel = 'air-then-towel';
    case WarmAir = 'warm-air';
    case SheetThenTowel = 'sheet-then-towel';
    case Towel = 'towel';
    case AirAndBlot = 'air-and-blot';
    case Blot = 'blot';
    case AirOnly = 'air-only';
    /** Wiped panels are dried at once with the next clean side. */
    case AtOnce = 'at-once';
    case None = 'none';

    public function blows(): bool
    {
        return in_array($this, [self::AirThenTowel, self::WarmAir, self::AirAndBlot, self::AirOnly], true);
    }

    /**
     * What lies on a m² when the towels come, a key of MatchRules::$waterLeft; null when nothing is left to take up.
     */
    public function leaves(): ?string
    {
        return match ($this) {
            self::AirThenTowel, self::AirAndBlot, self::AirOnly => 'blown',
            self::SheetThenTowel => 'sheeted',
            self::Towel, self::Blot => 'rinsed',
            self::WarmAir, self::AtOnce, self::None => null,
        };
    }

    public function says(): Said
    {
        return match ($this) {
            self::AirThenTowel => Said::of('drying-way.air-then-towel'),
            self::WarmAir => Said::of('drying-way.warm-air'),
            self::SheetThenTowel => Said::of('drying-way.sheet-then-towel'),
            self::Towel => Said::of('drying-way.towel'),
            self::AirAndBlot => Said::of('drying-way.air-and-blot'),
            self::Blot => Said::of('drying-way.blot'),
            self::AirOnly => Said::of('drying-way.air-only'),
            self::AtOnce => Said::of('drying-way.at-once'),
            self::None => Said::of('drying-way.none'),
        };
    }
}
