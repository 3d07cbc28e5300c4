<?php

declare(strict_types=1);

namespace Vicissa\Core\Record;

use Vicissa\Core\Protection\Family;

/** What a layer is there for: to last, or to be worn away in its stead. */
enum LayerKind: string
{
    case Topper = 'topper';
    case Base = 'base';

    /** Whether a reset takes it off: every topper, and of the bases those that are not cured. */
    public function isStripped(Family $family): bool
    {
        return $this === self::Topper || $family->isShortLived();
    }
}
