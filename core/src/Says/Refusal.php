<?php

declare(strict_types=1);

namespace Vicissa\Core\Says;

use DomainException;
use Throwable;

/** Something can't be done as it was asked, and says why to whoever asked. */
abstract class Refusal extends DomainException
{
    final public function __construct(public readonly Said $says, ?Throwable $previous = null)
    {
        parent::__construct($says->code, previous: $previous);
    }
}
