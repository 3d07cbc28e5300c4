<?php

declare(strict_types=1);

namespace Vicissa\Core\Units;

use Vicissa\Core\Says\Said;

/** Units of volume found on labels. US customary and imperial measures differ; a plain "oz" or "gal" is US. */
enum VolumeUnit: string
{
    case Millilitre = 'ml';
    case Centilitre = 'cl';
    case Litre = 'l';
    case UsFluidOunce = 'oz';
    case UsGallon = 'gal';
    case ImperialFluidOunce = 'imp oz';
    case ImperialGallon = 'imp gal';

    /** Millilitres in one unit (exact by definition of the units). */
    public function millilitres(): float
    {
        return match ($this) {
            self::Millilitre => 1.0,
            self::Centilitre => 10.0,
            self::Litre => 1000.0,
            self::UsFluidOunce => 29.5735295625,
            self::UsGallon => 3785.411784,
            self::ImperialFluidOunce => 28.4130625,
            self::ImperialGallon => 4546.09,
        };
    }

    /** The name for a quantity in a sentence. */
    public function spoken(float $quantity): Said
    {
        return Said::of('volume.' . str_replace(' ', '-', $this->value), count: $quantity);
    }

    /** Reads the unit as labels spell it (lower case, dots already removed); null when it is no unit of volume. */
    public static function read(string $word): ?self
    {
        return match ($word) {
            'ml', 'mls', 'millilitre', 'millilitres', 'milliliter', 'milliliters', 'cc' => self::Millilitre,
            'cl', 'centilitre', 'centilitres', 'centiliter', 'centiliters' => self::Centilitre,
            'l', 'lt', 'ltr', 'litre', 'litres', 'liter', 'liters' => self::Litre,
            'oz',
            'fl oz',
            'floz',
            'ounce',
            'ounces',
            'fluid ounce',
            'fluid ounces',
            'us oz',
            'us fl oz'
                => self::UsFluidOunce,
            'gal', 'gals', 'gallon', 'gallons', 'us gal', 'us gallon', 'us gallons' => self::UsGallon,
            'imp oz',
            'imp fl oz',
            'uk oz',
            'uk fl oz',
            'imperial oz',
            'imperial fl oz',
            'imperial ounce',
            'imperial ounces',
            'imperial fluid ounce',
            'imperial fluid ounces'
                => self::ImperialFluidOunce,
            'imp gal', 'uk gal', 'imperial gal', 'imperial gallon', 'imperial gallons' => self::ImperialGallon,
            default => null,
        };
    }
}
