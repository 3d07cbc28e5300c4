<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

use Vicissa\Core\Says\Said;

/** A part of a body's painted surface. */
final readonly class BodyPanel
{
    /**
     * @param string $id      such as "door-front-left"
     * @param float $share    of the painted area
     * @param int $dirt    how dirty such a panel gets beside the others: 0 roof, 1 upper, 2 lower, 3 sills and bumpers
     */
    public function __construct(public string $id, public Said $name, public float $share, public int $dirt) {}
}
