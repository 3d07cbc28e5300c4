<?php

declare(strict_types=1);

namespace Vicissa\Core\Sheet\Schedule;

use DomainException;
use Vicissa\Core\Says\Said;

/** No order of work keeps every dwell; names a smallest set of steps that can't be kept together. */
final class Infeasible extends DomainException
{
    /** @param non-empty-list<string> $clash ids, in the order given */
    public function __construct(public readonly array $clash, public readonly Said $says)
    {
        parent::__construct(implode(', ', $clash));
    }
}
