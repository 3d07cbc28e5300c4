<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

/** The parts of a match that can be compared. */
enum MatchPart: string
{
    case Method = 'method';
    case Stages = 'stages';
    case Order = 'order';
    case Products = 'products';
    case Foaming = 'foaming';
    case Rinsing = 'rinsing';
    case Washing = 'washing';
    case FinalRinse = 'final-rinse';
    case Topper = 'topper';
    case ToppingUp = 'topping-up';
    case DryingAid = 'drying-aid';
    case Drying = 'drying';
    case Towels = 'towels';
    case Sections = 'sections';
    case Tyres = 'tyres';
    case Cautions = 'cautions';
    case Missing = 'missing';

    public function says(): string
    {
        return match ($this) {
            self::Method => 'Method',
            self::Stages => 'Stages before contact',
            self::Order => 'Order of the visit',
            self::Products => 'From the shelf',
            self::Foaming => 'How it is foamed',
            self::Rinsing => 'How it is rinsed',
            self::Washing => 'How it is washed',
            self::FinalRinse => 'Final rinse',
            self::Topper => 'Topper',
            self::ToppingUp => 'How the topper goes on',
            self::DryingAid => 'Drying aid',
            self::Drying => 'Drying',
            self::Towels => 'Towels',
            self::Sections => 'Sections',
            self::Tyres => 'Tyres',
            self::Cautions => 'Cautions',
            self::Missing => 'Missing',
        };
    }
}
