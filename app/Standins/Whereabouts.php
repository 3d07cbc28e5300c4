<?php

declare(strict_types=1);

namespace App\Standins;

/** What the outside is told of a place: where it is, how far from the unit, and the water its notes speak of. */
final readonly class Whereabouts
{
    public function __construct(
        public string $id,
        public ?float $latitude,
        public ?float $longitude,
        /** Minutes from the unit one leaves from. */
        public int $travelMin,
        /** Of the tap and of the place's own treated water, mg/l. */
        public ?float $tdsMgL = null,
        public ?float $treatedTdsMgL = null,
    ) {}
}
