<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Says\Said;

/** What takes soil off before anything touches the paint (domain §5). */
enum Softening: string
{
    case Rinse = 'rinse';
    case PreWash = 'prewash';
    case Foam = 'foam';
    case FoamAgain = 'foam-again';

    public function says(): Said
    {
        return match ($this) {
            self::Rinse => Said::of('softening.rinse'),
            self::PreWash => Said::of('softening.pre-wash'),
            self::Foam => Said::of('softening.foam'),
            self::FoamAgain => Said::of('softening.foam-again'),
        };
    }
}
