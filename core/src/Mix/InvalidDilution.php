<?php

declare(strict_types=1);

namespace Vicissa\Core\Mix;

use DomainException;

/** A text that is no dilution, or one that can't be. The message says what is wrong with it. */
final class InvalidDilution extends DomainException {}
