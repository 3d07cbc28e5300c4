<?php

declare(strict_types=1);

namespace App\Record;

use RuntimeException;

/** Someone else changed what was read before it could be written to. */
final class Overtaken extends RuntimeException {}
