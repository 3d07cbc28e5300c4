<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Matching\Leaves;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Says\Said;

/** A role the turn has to fill on a zone. */
final readonly class Need
{
    public function __construct(
        public Role $role,
        public Zone $zone,
        public Step $step,
        /** What it is for, as the beginning of a sentence. */
        public ?Said $for,
        /** Whether the turn is complete without it. */
        public bool $optional = false,
        public bool $toStrip = false,
        /** What goes on today: nothing of another kind may come over it or under it. */
        public ?Leaves $beside = null,
        /** The layer that is renewed. */
        public ?Coat $renews = null,
        /** Whether the visit has a hose. */
        public bool $hose = true,
        /** How dirty it is there, 0 to 5; null where that decides nothing. */
        public ?int $soil = null,
    ) {}

    public function key(): string
    {
        return $this->role->value . ' ' . $this->zone->value;
    }
}
