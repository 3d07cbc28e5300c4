<?php

declare(strict_types=1);

namespace App\Sheets;

use App\Record\Sheet;
use RuntimeException;

/** The visit has a sheet that somebody has begun: one goes on with that. */
final class VisitGoesOn extends RuntimeException
{
    public function __construct(public readonly Sheet $sheet)
    {
        parent::__construct();
    }
}
