<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

use Vicissa\Core\Drying\Air;
use Vicissa\Core\Matching\Turn\Decision;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Matching\Turn\Situation;
use Vicissa\Core\Matching\Turn\TurnMatch;
use Vicissa\Core\Says\Amount;
use Vicissa\Core\Says\Said;

/** Where the sun spoils a step: shade, or a better hour of the day, said before anybody begins (domain §5, §15.3). */
final readonly class Urge
{
    private function __construct(
        /** shade or hour */
        public string $kind,
        public Said $says,
        /** The hour to come at, 0 to 23; null for shade. */
        public ?int $hour = null,
    ) {}

    /**
     * @param array<int, array{air: Air, rain: bool}> $hours  of the day, by hour, where they are known
     * @param int|null $hour  the hour it is laid out for
     * @return list<self>
     */
    public static function for(
        Laying $laying,
        Situation $situation,
        Schools $schools,
        array $hours = [],
        ?int $hour = null,
    ): array {
        $spoilt = self::spoilt($laying->match);
        if ($spoilt === null || $situation->place->bay) {
            return [];
        }
        $urges = [];
        if (!$situation->place->shade) {
            $there = $situation->movedTo($situation->place->inShade());
            if (
                self::spoilt(TurnMatch::of($there, $schools)) === null ||
                $there->now->panelC < $situation->later->panelC - 3.0
            ) {
                $urges[] = new self(
                    'shade',
                    Said::of(
                        'urge.in-the-shade-the-panels',
                        spoilt: $spoilt,
                        temperature: Amount::temperature($there->now->panelC),
                    ),
                );
            }
        }
        $better = array_filter(
            $hours,
            static fn(array $at): bool => !$at['rain'] &&
                self::spoilt(TurnMatch::of($situation->atHour($at['air'], false), $schools)) === null,
        );
        unset($better[$hour ?? -1]);
        if ($better !== []) {
            $nearest = array_keys($better);
            usort(
                $nearest,
                static fn(int $a, int $b): int => [abs($a - ($hour ?? 12)), $a] <=> [abs($b - ($hour ?? 12)), $b],
            );
            $urges[] = new self(
                'hour',
                Said::of(
                    'urge.at-an-hour',
                    why: $urges === [] ? Said::of('urge.first', why: $spoilt) : null,
                    hour: $nearest[0],
                ),
                $nearest[0],
            );
        }

        return $urges;
    }

    /** What the sun or the heat of the panel spoils; null when nothing. */
    private static function spoilt(TurnMatch $match): ?Said
    {
        $situation = $match->situation;

        return match (true) {
            !$match->possible() && $situation->now->panelC > $situation->rules->hotC => Said::of(
                'urge.the-panels-are-too-hot-to',
            ),
            $match->topper->decision === Decision::NotToday &&
                !$situation->now->raining &&
                $situation->later->panelC > 25.0
                => Said::of('urge.what-should-stay-on-the'),
            $situation->cooling !== null => Said::of('urge.the-panels-have-to-be'),
            $situation->later->air->sunWM2 > 250.0 &&
                ($match->finalRinse->workingS ?? INF) < 300.0 &&
                $match->method->method()?->needsHose() === true
                => Said::of('urge.the-sun-dries-water-faster'),
            default => null,
        };
    }
}
