<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

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

    public function says(): string
    {
        return match ($this) {
            self::Insects => 'insects',
            self::BirdLime => 'bird lime',
            self::Sap => 'sap',
            self::Tar => 'tar',
            self::Iron => 'iron specks',
            self::Salt => 'salt',
            self::Rough => 'a rough feel',
        };
    }
}
