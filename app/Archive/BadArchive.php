<?php

declare(strict_types=1);

namespace App\Archive;

use Vicissa\Core\Says\Refusal;

/** An archive that can't be taken in, said in a sentence. */
final class BadArchive extends Refusal {}
