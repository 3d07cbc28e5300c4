<?php

declare(strict_types=1);

namespace App\Tables;

use Vicissa\Core\Says\Refusal;

/** A file that is not what it should be, as a whole; rows that are wrong are told row by row. */
final class UnreadableFile extends Refusal {}
