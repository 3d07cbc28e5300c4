<?php

declare(strict_types=1);

namespace App\Record;

use RuntimeException;

/** Someone else corrected the record between reading it and writing to it. */
final class Overtaken extends RuntimeException {}
