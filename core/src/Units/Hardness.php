<?php

declare(strict_types=1);

namespace Vicissa\Core\Units;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

/**
 * Units in which water's hardness is told. All are kept as mg/l of calcium carbonate (molar masses CaCO₃ 100.0869,
 * CaO 56.0774 g/mol).
 */
enum Hardness: string
{
    case MilligramsPerLitre = 'mg/l';
    /** Parts per million: the same where a litre of water weighs a kilogram. */
    case PartsPerMillion = 'ppm';
    /** German degree: 10 mg of CaO a litre. */
    case German = '°dH';
    /** French degree: 10 mg of CaCO₃ a litre. */
    case French = '°fH';
    /** English degree, Clark: a grain of CaCO₃ an imperial gallon. */
    case English = '°e';
    /** A grain of CaCO₃ a US gallon. */
    case Grains = 'gpg';

    private const GRAIN_MG = 64.79891;

    private const CACO3_PER_CAO = 100.0869 / 56.0774;

    /** More than any water that comes from a tap, mg/l. */
    private const MOST_MG_L = 5000.0;

    /** mg/l of CaCO₃ in one unit. */
    public function mgL(): float
    {
        return match ($this) {
            self::MilligramsPerLitre, self::PartsPerMillion => 1.0,
            self::German => 10.0 * self::CACO3_PER_CAO,
            self::French => 10.0,
            self::English => (1000.0 * self::GRAIN_MG) / VolumeUnit::ImperialGallon->millilitres(),
            self::Grains => (1000.0 * self::GRAIN_MG) / VolumeUnit::UsGallon->millilitres(),
        };
    }

    /**
     * mg/l of CaCO₃ from what a report or a test strip says: "12 °dH", "180 ppm", "10,5 gpg"; a bare number in this unit.
     *
     * @throws InvalidInput
     */
    public function read(string $text): float
    {
        $found = preg_match('/^\s*(\d+(?:[.,]\d+)?|[.,]\d+)\s*(\S.*?)?\s*$/u', $text, $part) === 1;
        $unit = $found && isset($part[2]) ? self::named($part[2]) : $this;
        if (!$found || $unit === null) {
            throw InvalidInput::at('text', Said::of('input.water-hardness'));
        }
        $mgL = (float) str_replace(',', '.', $part[1]) * $unit->mgL();
        InvalidInput::unlessBetween('text', $mgL, 0, self::MOST_MG_L, 'mg/l');

        return $mgL;
    }

    /** However the unit is written. */
    public static function named(string $word): ?self
    {
        return match (preg_replace('/[\s.°˚º]|degrees?|grad|caco[3₃]|as\s*(?=caco)/u', '', mb_strtolower($word))) {
            'mg/l', 'mgl', 'mg/litre', 'mg/liter' => self::MilligramsPerLitre,
            'ppm' => self::PartsPerMillion,
            'dh', 'd', 'dgh', 'gh', 'german' => self::German,
            'fh', 'f', 'tf', 'french' => self::French,
            'e', 'eh', 'clark', 'english' => self::English,
            'gpg', 'gr/gal', 'grains', 'grain', 'grains/gallon', 'grainspergallon' => self::Grains,
            default => null,
        };
    }
}
