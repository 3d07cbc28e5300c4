<?php

declare(strict_types=1);

namespace App\Reckon;

use Vicissa\Core\Protection\Cause;
use Vicissa\Core\Protection\Part;
use Vicissa\Core\Protection\WaterTalk;
use Vicissa\Core\Says\Said;

/**
 * What is said over a visit's readings, in its JSON form: the same in the record, over HTTP and on the command line.
 */
final class TalkAnswer
{
    /**
     * @return array{verdict: string, next: string, says: Said, now: Said, next_time: Said,
     *     parts: list<array<string, string|Said>>}
     */
    public static function of(WaterTalk $talk): array
    {
        return [
            'verdict' => $talk->diagnosis->verdict->value,
            'next' => $talk->diagnosis->next->value,
            'says' => $talk->says,
            'now' => $talk->now,
            'next_time' => $talk->nextTime,
            'parts' => array_map(
                static fn(array $odd): array => array_map(
                    static fn(Part|Cause|Said $value): string|Said => $value instanceof Said ? $value : $value->value,
                    $odd,
                ),
                $talk->parts,
            ),
        ];
    }
}
