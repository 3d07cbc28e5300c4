<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection;

/** What to do about a finding, on this visit. */
enum NextStep: string
{
    case None = 'none';
    case WashAndRetest = 'wash-and-retest';
    case DecontaminateAndRetest = 'decontaminate-and-retest';
    case TopperOptional = 'topper-optional';
    case ApplyTopper = 'apply-topper';
    case InspectBase = 'inspect-base';
}
