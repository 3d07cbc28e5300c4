<?php

declare(strict_types=1);

namespace Vicissa\Core\Mix;

use Vicissa\Core\Says\Refusal;

/** A text that is no dilution, or one that can't be; it says what is wrong with it. */
final class InvalidDilution extends Refusal {}
