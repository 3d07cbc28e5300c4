<?php

declare(strict_types=1);

namespace App\Bench;

use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Matching\Turn\Situation;
use Vicissa\Core\Visit\Outfit;
use Vicissa\Core\Visit\Visit;

/** A visit laid out, with what it was laid out from. */
final readonly class LaidVisit
{
    public function __construct(
        public Visit $visit,
        public Situation $situation,
        public Schools $schools,
        public Outfit $outfit,
    ) {}
}
