<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection;

/** Where a vehicle stands when it stands. */
enum Storage: string
{
    case HeatedGarage = 'heated-garage';
    case Garage = 'garage';
    case Carport = 'carport';
    case Outdoors = 'outdoors';
    case Harsh = 'harsh';
}
