<?php

declare(strict_types=1);

namespace Vicissa\Core\Drying;

/** Wet films as they lie on a panel (domain, model "window"). */
enum Film: string
{
    case FineMist = 'fine-mist';
    case PreSpray = 'pre-spray';
    case BeadedRinse = 'beaded-rinse';
    case SheetedRinse = 'sheeted-rinse';
    case DrainedFoam = 'drained-foam';
    case FreshFoam = 'fresh-foam';

    /** kg/m² */
    public function kgM2(): float
    {
        return match ($this) {
            self::FineMist => 0.02,
            self::PreSpray, self::BeadedRinse => 0.05,
            self::SheetedRinse => 0.1,
            self::DrainedFoam => 0.12,
            self::FreshFoam => 0.25,
        };
    }
}
