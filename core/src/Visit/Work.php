<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

use Vicissa\Core\Matching\Turn\Step;
use Vicissa\Core\Says\Said;

/** What a step of a visit is: timed as one kind, part of one step of the match, called so. */
final readonly class Work
{
    public string $id;

    /** @param string|null $id  the kind, when left out */
    public function __construct(public string $kind, public Step $step, public Said $name, ?string $id = null)
    {
        $this->id = $id ?? $kind;
    }
}
