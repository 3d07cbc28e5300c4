<?php

declare(strict_types=1);

namespace Vicissa\Core\Record;

use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Protection\NextStep;

/** What the next visit should hold, by what the water said and what falls due until then. */
final readonly class NextVisit
{
    /**
     * @param list<NextStep> $says  of the findings of this visit
     * @param bool $topperDue  a topper is worth renewing by then
     * @param bool $lookDue    a lasting base is to be looked over by then
     * @return non-empty-list<Kind> wash first
     */
    public static function kinds(array $says, bool $topperDue, bool $lookDue): array
    {
        $clogged = in_array(NextStep::DecontaminateAndRetest, $says, true);

        return array_values(
            array_filter([
                Kind::Wash,
                // Whether what may be clogged needs a topper is known when it has been read again.
                ($topperDue && !$clogged) || in_array(NextStep::ApplyTopper, $says, true) ? Kind::Topper : null,
                $clogged ? Kind::Decon : null,
                $lookDue || in_array(NextStep::InspectBase, $says, true) ? Kind::Inspection : null,
            ]),
        );
    }
}
