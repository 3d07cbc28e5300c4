<?php

declare(strict_types=1);

namespace Vicissa\Core\Water;

/** How plainly dried water shows. */
enum Spots: string
{
    case None = 'none';
    case Faint = 'faint';
    case Visible = 'visible';
    case Heavy = 'heavy';

    public function worseThan(self $other): bool
    {
        return $this->rank() > $other->rank();
    }

    private function rank(): int
    {
        return match ($this) {
            self::None => 0,
            self::Faint => 1,
            self::Visible => 2,
            self::Heavy => 3,
        };
    }
}
