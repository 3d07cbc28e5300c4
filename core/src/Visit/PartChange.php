<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

use Vicissa\Core\Matching\Turn\MatchPart;

/** One part of a visit that something else would change. */
final readonly class PartChange
{
    /**
     * @param list<string> $was
     * @param list<string> $becomes
     */
    public function __construct(public MatchPart $part, public array $was, public array $becomes) {}

    /** @return list<self> */
    public static function between(Laying $before, Laying $after): array
    {
        [$was, $becomes] = [$before->parts(), $after->parts()];
        $changes = [];
        foreach (MatchPart::cases() as $part) {
            if ($was[$part->value] !== $becomes[$part->value]) {
                $changes[] = new self(
                    $part,
                    array_values(array_diff($was[$part->value], $becomes[$part->value])),
                    array_values(array_diff($becomes[$part->value], $was[$part->value])),
                );
            }
        }

        return $changes;
    }
}
