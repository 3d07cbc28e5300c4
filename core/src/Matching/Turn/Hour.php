<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Drying\Air;

/** The hour as it is measured or forecast: air, rain, and the panel where somebody aimed at it. */
final readonly class Hour
{
    public function __construct(public Air $air, public bool $rain = false, public ?float $panelC = null) {}
}
