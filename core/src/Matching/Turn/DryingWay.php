<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

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

    public function says(): string
    {
        return match ($this) {
            self::AirThenTowel => 'Air, then towels',
            self::WarmAir => 'Warm air',
            self::SheetThenTowel => 'Sheeted, then towels',
            self::Towel => 'Towels alone',
            self::AirAndBlot => 'Air, then blotted',
            self::Blot => 'Blotted',
            self::AirOnly => 'Air alone',
            self::AtOnce => 'Each panel at once',
            self::None => 'Nothing',
        };
    }
}
