<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

/** What a day's weather lets be done. */
final readonly class Sky
{
    public function __construct(public bool $wash = true, public bool $poor = false, public bool $topper = true) {}
}
