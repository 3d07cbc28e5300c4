<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection;

/** Families of protection (domain §3). */
enum Family: string
{
    case Ceramic = 'ceramic';
    case Polymer = 'polymer';
    case SilicaSpray = 'silica-spray';
    case Wax = 'wax';
    case Film = 'film';
    case Wrap = 'wrap';
    case Bare = 'bare';

    /** Renewed like a topper, rather than looked over and coated anew after years (domain §15.4). */
    public function isShortLived(): bool
    {
        return in_array($this, [self::Wax, self::Polymer, self::SilicaSpray], true);
    }

    /** Refreshed over years, and looked over every year. */
    public function isLasting(): bool
    {
        return in_array($this, [self::Ceramic, self::Film, self::Wrap], true);
    }

    /**
     * Weeks such a layer lasts by its label when nothing better is known; null where nothing wears.
     *
     * @return array{float, float}|null
     */
    public function typicalLabelWeeks(): ?array
    {
        return match ($this) {
            self::Ceramic => [52.0, 260.0],
            self::Polymer => [13.0, 26.0],
            self::SilicaSpray => [3.0, 10.0],
            self::Wax => [4.0, 10.0],
            self::Film, self::Wrap => [156.0, 364.0],
            self::Bare => null,
        };
    }
}
