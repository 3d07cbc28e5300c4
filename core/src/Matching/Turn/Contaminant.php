<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Says\Said;

/** What sits on a surface besides road dirt. */
enum Contaminant: string
{
    case Insects = 'insects';
    case BirdLime = 'bird-lime';
    case Sap = 'sap';
    case Tar = 'tar';
    case Iron = 'iron';
    case Salt = 'salt';
    case Rough = 'rough';

    public function says(): Said
    {
        return match ($this) {
            self::Insects => Said::of('contaminant.insects'),
            self::BirdLime => Said::of('contaminant.bird-lime'),
            self::Sap => Said::of('contaminant.sap'),
            self::Tar => Said::of('contaminant.tar'),
            self::Iron => Said::of('contaminant.iron'),
            self::Salt => Said::of('contaminant.salt'),
            self::Rough => Said::of('contaminant.rough'),
        };
    }
}
