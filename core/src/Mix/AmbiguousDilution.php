<?php

declare(strict_types=1);

namespace Vicissa\Core\Mix;

use DomainException;

/** A dilution that reads two ways. The message asks the question; nothing is assumed. */
final class AmbiguousDilution extends DomainException {}
