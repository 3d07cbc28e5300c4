<?php

declare(strict_types=1);

namespace Vicissa\Core\Record;

/** What ended a layer. */
enum EndedBy: string
{
    /** The next of its kind, or a new base beneath it. */
    case Renewed = 'renewed';
    /** A reset with something that strips. */
    case Stripped = 'stripped';
    /** Taken off by a person's word; no rule overrules it. */
    case Removed = 'removed';
}
