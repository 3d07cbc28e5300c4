<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection;

use Vicissa\Core\InvalidInput;

/**
 * What a colleague would say over the readings of a visit: what it most likely is, what to do now, what to look at next
 * time, and which part of the body tells another story. The verdict is that of Diagnosis; here it gets its
 * consequences.
 */
final readonly class WaterTalk
{
    /** A sheet that leaves so much more slowly than last time is worth a word. */
    private const SLOWER = 1.5;

    /**
     * @param list<array{part: Part, cause: Cause, says: string, now: string, next_time: string}> $parts
     */
    private function __construct(
        public Diagnosis $diagnosis,
        public string $says,
        public string $now,
        public string $nextTime,
        public array $parts,
    ) {}

    /**
     * @param bool $topper            whether a topper was on when the water was read (before any new one)
     * @param float|null $sheetsS     seconds until a sheet of water had left the panel, on the clean surface
     * @param float|null $sheetedS    the same at the visit before
     *
     * @throws InvalidInput when nothing was read
     */
    public static function over(
        PartReadings $readings,
        Designed $designed,
        bool $topper = true,
        ?float $sheetsS = null,
        ?float $sheetedS = null,
    ): self {
        $diagnosis = $readings->diagnosis($designed);
        [$now, $next] = self::consequences($diagnosis, $topper);
        $says =
            !$topper && $diagnosis->verdict === Finding::TopperSpent
                ? 'Clean down to the surface and the water still hangs on. No topper lies over it, so it is the base itself that is tired.'
                : $diagnosis->says;
        if ($sheetsS !== null && $sheetedS !== null && $sheetedS > 0.0 && $sheetsS > self::SLOWER * $sheetedS) {
            $says .= sprintf(
                ' The sheet took %s seconds to leave, %s last time: something holds it back.',
                self::plain($sheetsS),
                self::plain($sheetedS),
            );
        }

        return new self($diagnosis, $says, $now, $next, self::parts($readings, $designed));
    }

    /** @return array{string, string} what to do now, what to look at next time */
    private static function consequences(Diagnosis $diagnosis, bool $topper): array
    {
        return match ($diagnosis->verdict) {
            Finding::Sound => [
                'Nothing. It needs no help today.',
                'Read the clean water again; while it holds, only the date asks for a topper.',
            ],
            Finding::WasDirty => [
                'Nothing. The wash was all it needed.',
                'If the arrival water looks dead again, wash first and judge after. Does it happen sooner each time? Then come more often, or pre-wash harder.',
            ],
            Finding::Clogged => [
                'A topper is your choice. Where one goes on, this surface is ready for it.',
                'Read before and after the wash: if the wash alone brings the beads back, leave the iron remover in the van.',
            ],
            Finding::TopperSpent => $topper
                ? [
                    'Put the topper on while the surface is this clean, and read the water on it.',
                    'Its successor starts today: the first clean reading of the next visit tells how it took.',
                ]
                : [
                    'A topper can carry it for now. Put one on and read the water on it.',
                    'Look the base over on two panels; where even a fresh topper does not help, its refresh is due.',
                ],
            Finding::Refreshed => [
                'Nothing more. Let it cure as its label says.',
                'This is the reading to compare with: read the same places after the next wash.',
            ],
            Finding::BaseSuspect => [
                'Look the base over with a second light. Was the panel free of wax and oils, dry enough, cool enough for the topper?',
                'Read two panels apart before anything goes on. If the base does not hold by itself, talk about refreshing it.',
            ],
            Finding::Unclear => match ($diagnosis->next) {
                NextStep::WashAndRetest => [
                    'Wash, then read again on the clean paint. Judge nothing before.',
                    'An arrival reading tells about dirt. If it is always like this, the rhythm is too slow for its roads.',
                ],
                default => [
                    'Decontaminate one panel, rinse, and read it again before judging.',
                    'If that panel comes back, plan the decontamination; if not, the topper is used up.',
                ],
            },
        };
    }

    /**
     * Parts that fail where the rest holds, at the latest stage read.
     *
     * @return list<array{part: Part, cause: Cause, says: string, now: string, next_time: string}>
     */
    private static function parts(PartReadings $readings, Designed $designed): array
    {
        $stage = $readings->latest() ?? Stage::Arrival;
        $holds = [];
        foreach ([Part::Top, Part::Sides, Part::Low] as $part) {
            $read = $readings->at($stage, $part);
            if ($read !== null) {
                $holds[$part->value] = $read->holds($designed);
            }
        }
        if (!in_array(true, $holds, true)) {
            return [];
        }
        $found = [];
        foreach (array_keys($holds, false, true) as $name) {
            $found[] = self::odd(Part::from($name), $stage);
        }

        return $found;
    }

    /** @return array{part: Part, cause: Cause, says: string, now: string, next_time: string} */
    private static function odd(Part $part, Stage $stage): array
    {
        if ($stage === Stage::Arrival) {
            return [
                'part' => $part,
                'cause' => Cause::UnevenDirt,
                'says' => sprintf(
                    'Water moves worse on %s than elsewhere. On a dirty car that is where the dirt lies, no more.',
                    $part->said(),
                ),
                'now' => 'Wash, and read the same parts again.',
                'next_time' => 'Compare the same parts on arrival.',
            ];
        }

        return match ($part) {
            Part::Low => [
                'part' => $part,
                'cause' => Cause::Salt,
                'says' =>
                    'The low panels fail while the panels above them hold: salt and road film sit there, not age.',
                'now' => 'Pre-wash and rinse the lower third once more, or decontaminate it alone, and read it again.',
                'next_time' => 'In the salt months soak the lower third first, and come closer together.',
            ],
            Part::Sides => [
                'part' => $part,
                'cause' => Cause::Rubbed,
                'says' =>
                    'The sides fail while roof and low panels hold: that is hands, sleeves, a brush, or a topper that was missed there.',
                'now' => 'Read a panel nobody touches. Where it holds, put the topper on the sides alone.',
                'next_time' => 'Ask who washes it between visits, and read the sides first.',
            ],
            default => [
                'part' => $part,
                'cause' => Cause::SunOrSpots,
                'says' => 'Roof and bonnet fail while the sides hold: sun, or water that dried on them.',
                'now' =>
                    'Look for spots with a light from the side. Spots come off before any topper; a cool panel and the label of the remover decide how.',
                'next_time' => 'Rinse the top last with treated water, dry it first, and read it apart.',
            ],
        };
    }

    private static function plain(float $seconds): string
    {
        return rtrim(rtrim(number_format($seconds, 1, '.', ''), '0'), '.');
    }
}
