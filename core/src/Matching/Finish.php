<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching;

/** What is special about a paint. */
enum Finish: string
{
    case Matte = 'matte';
    case Soft = 'soft';
    case SingleStage = 'single-stage';
    case Decals = 'decals';
}
