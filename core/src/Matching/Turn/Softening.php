<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

/** What takes soil off before anything touches the paint (domain §5). */
enum Softening: string
{
    case Rinse = 'rinse';
    case PreWash = 'prewash';
    case Foam = 'foam';
    case FoamAgain = 'foam-again';

    public function says(): string
    {
        return match ($this) {
            self::Rinse => 'Rinse',
            self::PreWash => 'Pre-wash spray, dwell, rinse',
            self::Foam => 'Foam, dwell, rinse',
            self::FoamAgain => 'Foam again, as lubricant',
        };
    }
}
