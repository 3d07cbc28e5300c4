<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Says\Said;

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

    public function says(): Said
    {
        return match ($this) {
            self::Method => Said::of('match-part.method'),
            self::Stages => Said::of('match-part.stages'),
            self::Order => Said::of('match-part.order'),
            self::Products => Said::of('match-part.products'),
            self::Foaming => Said::of('match-part.foaming'),
            self::Rinsing => Said::of('match-part.rinsing'),
            self::Washing => Said::of('match-part.washing'),
            self::FinalRinse => Said::of('match-part.final-rinse'),
            self::Topper => Said::of('match-part.topper'),
            self::ToppingUp => Said::of('match-part.topping-up'),
            self::DryingAid => Said::of('match-part.drying-aid'),
            self::Drying => Said::of('match-part.drying'),
            self::Towels => Said::of('match-part.towels'),
            self::Sections => Said::of('match-part.sections'),
            self::Tyres => Said::of('match-part.tyres'),
            self::Cautions => Said::of('match-part.cautions'),
            self::Missing => Said::of('match-part.missing'),
        };
    }
}
