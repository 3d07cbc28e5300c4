<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

use Vicissa\Core\Drying\Air;
use Vicissa\Core\Matching\Turn\Decision;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Matching\Turn\Situation;
use Vicissa\Core\Matching\Turn\TurnMatch;

/** Where the sun spoils a step: shade, or a better hour of the day, said before anybody begins (domain §5, §15.3). */
final readonly class Urge
{
    private function __construct(
        /** shade or hour */
        public string $kind,
        public string $says,
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
                    sprintf(
                        '%s In the shade the panels stay near %s.',
                        $spoilt,
                        $situation->measures->temperature($there->now->panelC),
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
                sprintf('%sAt %02d:00 it can be done as it should.', $urges === [] ? "{$spoilt} " : '', $nearest[0]),
                $nearest[0],
            );
        }

        return $urges;
    }

    /** What the sun or the heat of the panel spoils; null when nothing. */
    private static function spoilt(TurnMatch $match): ?string
    {
        $situation = $match->situation;

        return match (true) {
            !$match->possible() && $situation->now->panelC > $situation->rules->hotC
                => 'The panels are too hot to work on.',
            $match->topper->decision === Decision::NotToday &&
                !$situation->now->raining &&
                $situation->later->panelC > 25.0
                => 'What should stay on the paint can’t go on in this heat.',
            $situation->cooling !== null => 'The panels have to be cooled before anything goes on, and warm up again.',
            $situation->later->air->sunWM2 > 250.0 &&
                ($match->finalRinse->workingS ?? INF) < 300.0 &&
                $match->method->method()?->needsHose() === true
                => 'The sun dries water faster than it can be taken off.',
            default => null,
        };
    }
}
