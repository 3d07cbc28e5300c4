<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching;

enum WheelFinish: string
{
    case Painted = 'painted';
    case GlossBlack = 'gloss-black';
    case BareMetal = 'bare-metal';
    case Anodised = 'anodised';
    case Polished = 'polished';
    case Chrome = 'chrome';

    /** Finishes that acid eats. */
    public function acidSensitive(): bool
    {
        return match ($this) {
            self::BareMetal, self::Anodised, self::Polished, self::Chrome => true,
            self::Painted, self::GlossBlack => false,
        };
    }
}
