<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

use Vicissa\Core\Matching\Turn\MatchPart;
use Vicissa\Core\Says\Said;

/** One part of a visit that something else would change. */
final readonly class PartChange
{
    /**
     * @param list<Said> $was
     * @param list<Said> $becomes
     */
    public function __construct(public MatchPart $part, public array $was, public array $becomes) {}

    /** @return list<self> */
    public static function between(Laying $before, Laying $after): array
    {
        [$was, $becomes] = [$before->parts(), $after->parts()];
        $changes = [];
        foreach (MatchPart::cases() as $part) {
            if (serialize($was[$part->value]) !== serialize($becomes[$part->value])) {
                $changes[] = new self(
                    $part,
                    Said::without($was[$part->value], $becomes[$part->value]),
                    Said::without($becomes[$part->value], $was[$part->value]),
                );
            }
        }

        return $changes;
    }
}
