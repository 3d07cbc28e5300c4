<?php

declare(strict_types=1);

namespace Vicissa\Core\Drying;

/** How light a colour is, and so how much sun it takes in (domain §3). */
enum Tone: string
{
    case White = 'white';
    case Silver = 'silver';
    case Mid = 'mid';
    case Dark = 'dark';
    case Black = 'black';

    public function absorptance(): float
    {
        return match ($this) {
            self::White => 0.3,
            self::Silver => 0.45,
            self::Mid => 0.65,
            self::Dark => 0.85,
            self::Black => 0.93,
        };
    }

    /** Whether residue hides on it: pale colours show three times less. */
    public function isLight(): bool
    {
        return $this === self::White || $this === self::Silver;
    }
}
