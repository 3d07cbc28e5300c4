<?php

declare(strict_types=1);

namespace App\Reckon;

use Vicissa\Core\Protection\WaterTalk;
use Vicissa\Core\Says\Said;

/**
 * What is said over a visit's readings, in its JSON form: the same in the record, over HTTP and on the command line.
 */
final class TalkAnswer
{
    /** @return Told<'WaterTalk'> */
    public static function of(WaterTalk $talk): array
    {
        return [
            'verdict' => $talk->diagnosis->verdict->value,
            'next' => $talk->diagnosis->next->value,
            'says' => $talk->says,
            'now' => $talk->now,
            'next_time' => $talk->nextTime,
            'parts' => array_map(
                static fn(array $odd): array => [
                    'part' => $odd['part']->value,
                    'cause' => $odd['cause']->value,
                    'says' => $odd['says'],
                    'now' => $odd['now'],
                    'next_time' => $odd['next_time'],
                ],
                $talk->parts,
            ),
        ];
    }
}
