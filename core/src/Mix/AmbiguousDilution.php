<?php

declare(strict_types=1);

namespace Vicissa\Core\Mix;

use Vicissa\Core\Says\Refusal;

/** A dilution that reads two ways. It asks the question; nothing is assumed. */
final class AmbiguousDilution extends Refusal {}
