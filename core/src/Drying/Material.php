<?php

declare(strict_types=1);

namespace Vicissa\Core\Drying;

/** What a body is made of, and so how much heat its panels hold (domain, model "window"). */
enum Material: string
{
    case Steel = 'steel';
    case Aluminium = 'aluminium';
    case Fibreglass = 'fibreglass';

    /** J/m²K */
    public function heat(): float
    {
        return match ($this) {
            self::Steel => 2700.0,
            self::Aluminium => 2430.0,
            self::Fibreglass => 5400.0,
        };
    }
}
