<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection;

/** How water stands on a panel, best first. */
enum Behaviour: string
{
    case Tight = 'tight';
    case Good = 'good';
    case Weak = 'weak';
    case Sheeting = 'sheeting';
    case Flat = 'flat';

    /** Whether this reading says the layer still does what it was designed for. */
    public function holds(Designed $designed): bool
    {
        return $this->rank() >=
            match ($designed) {
                Designed::Beads => self::Good->rank(),
                Designed::Sheets => self::Sheeting->rank(),
            };
    }

    private function rank(): int
    {
        return match ($this) {
            self::Tight => 4,
            self::Good => 3,
            self::Weak => 2,
            self::Sheeting => 1,
            self::Flat => 0,
        };
    }
}
