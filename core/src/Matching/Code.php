<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching;

use Vicissa\Core\Says\Said;

/** Why a product is refused or questioned on a zone. */
enum Code: string
{
    case WrongSurface = 'wrong-surface';
    case MasksLayer = 'masks-layer';
    case StripsLayer = 'strips-layer';
    case NoBond = 'no-bond';
    case NotForMatte = 'not-for-matte';
    case AcidOnSensitive = 'acid-on-sensitive';
    case SolventOnFilm = 'solvent-on-film';
    case AlkalineOnSingleStage = 'alkaline-on-single-stage';
    case TooHot = 'too-hot';
    case TooCold = 'too-cold';
    case DriesFirst = 'dries-first';
    case NeedsWater = 'needs-water';
    case OutOfStock = 'out-of-stock';

    /** The reason in words, short enough to stand beside a product. */
    public function says(): Said
    {
        return match ($this) {
            self::WrongSurface => Said::of('code.wrong-surface'),
            self::MasksLayer => Said::of('code.masks-layer'),
            self::StripsLayer => Said::of('code.strips-layer'),
            self::NoBond => Said::of('code.no-bond'),
            self::NotForMatte => Said::of('code.not-for-matte'),
            self::AcidOnSensitive => Said::of('code.acid-on-sensitive'),
            self::SolventOnFilm => Said::of('code.solvent-on-film'),
            self::AlkalineOnSingleStage => Said::of('code.alkaline-on-single-stage'),
            self::TooHot => Said::of('code.too-hot'),
            self::TooCold => Said::of('code.too-cold'),
            self::DriesFirst => Said::of('code.dries-first'),
            self::NeedsWater => Said::of('code.needs-water'),
            self::OutOfStock => Said::of('code.out-of-stock'),
        };
    }
}
