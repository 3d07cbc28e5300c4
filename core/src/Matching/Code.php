<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching;

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
    public function says(): string
    {
        return match ($this) {
            self::WrongSurface => 'Not made for this surface.',
            self::MasksLayer => 'Leaves wax or oils over a layer that should work bare.',
            self::StripsLayer => 'Takes off or thins the layer that is on.',
            self::NoBond => 'What it leaves doesn’t bond to wax.',
            self::NotForMatte => 'Would leave shine patches on matte.',
            self::AcidOnSensitive => 'Too acid for this film, wrap or bare metal.',
            self::SolventOnFilm => 'Solvent marks film, wrap and decals.',
            self::AlkalineOnSingleStage => 'Strongly alkaline on single-stage paint: colour may bleed.',
            self::TooHot => 'The panel is hotter than its label allows.',
            self::TooCold => 'The panel is colder than its label allows.',
            self::DriesFirst => 'It would dry before it has worked.',
            self::NeedsWater => 'Has to be rinsed, and there is no water.',
            self::OutOfStock => 'None left on the shelf.',
        };
    }
}
