<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

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
     * @param list<array{part: Part, cause: Cause, says: Said, now: Said, next_time: Said}> $parts
     */
    private function __construct(
        public Diagnosis $diagnosis,
        public Said $says,
        public Said $now,
        public Said $nextTime,
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
                ? Said::of('water-talk.clean-down-to-the-surface')
                : $diagnosis->says;
        if ($sheetsS !== null && $sheetedS !== null && $sheetedS > 0.0 && $sheetsS > self::SLOWER * $sheetedS) {
            $says = Said::after(
                $says,
                Said::of('water-talk.the-sheet-took-seconds-to', now: $sheetsS, before: $sheetedS),
            );
        }

        return new self($diagnosis, $says, $now, $next, self::parts($readings, $designed));
    }

    /** @return array{Said, Said} what to do now, what to look at next time */
    private static function consequences(Diagnosis $diagnosis, bool $topper): array
    {
        return match ($diagnosis->verdict) {
            Finding::Sound => [
                Said::of('water-talk.nothing-it-needs-no-help'),
                Said::of('water-talk.read-the-clean-water-again'),
            ],
            Finding::WasDirty => [
                Said::of('water-talk.nothing-the-wash-was-all-it'),
                Said::of('water-talk.if-the-arrival-water-looks'),
            ],
            Finding::Clogged => [
                Said::of('water-talk.a-topper-is-your-choice'),
                Said::of('water-talk.read-before-and-after-the'),
            ],
            Finding::TopperSpent => $topper
                ? [
                    Said::of('water-talk.put-the-topper-on-while-the'),
                    Said::of('water-talk.its-successor-starts-today'),
                ]
                : [Said::of('water-talk.a-topper-can-carry-it-for'), Said::of('water-talk.look-the-base-over-on-two')],
            Finding::Refreshed => [
                Said::of('water-talk.nothing-more-let-it-cure-as'),
                Said::of('water-talk.this-is-the-reading-to'),
            ],
            Finding::BaseSuspect => [
                Said::of('water-talk.look-the-base-over-with-a'),
                Said::of('water-talk.read-two-panels-apart'),
            ],
            Finding::Unclear => match ($diagnosis->next) {
                NextStep::WashAndRetest => [
                    Said::of('water-talk.wash-then-read-again-on-the'),
                    Said::of('water-talk.an-arrival-reading-tells'),
                ],
                default => [
                    Said::of('water-talk.decontaminate-one-panel'),
                    Said::of('water-talk.if-that-panel-comes-back'),
                ],
            },
        };
    }

    /**
     * Parts that fail where the rest holds, at the latest stage read.
     *
     * @return list<array{part: Part, cause: Cause, says: Said, now: Said, next_time: Said}>
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

    /** @return array{part: Part, cause: Cause, says: Said, now: Said, next_time: Said} */
    private static function odd(Part $part, Stage $stage): array
    {
        if ($stage === Stage::Arrival) {
            return [
                'part' => $part,
                'cause' => Cause::UnevenDirt,
                'says' => Said::of('water-talk.water-moves-worse-on-than', part: $part->said()),
                'now' => Said::of('water-talk.wash-and-read-the-same'),
                'next_time' => Said::of('water-talk.compare-the-same-parts-on'),
            ];
        }

        return match ($part) {
            Part::Low => [
                'part' => $part,
                'cause' => Cause::Salt,
                'says' => Said::of('water-talk.the-low-panels-fail-while'),
                'now' => Said::of('water-talk.pre-wash-and-rinse-the'),
                'next_time' => Said::of('water-talk.in-the-salt-months-soak-the'),
            ],
            Part::Sides => [
                'part' => $part,
                'cause' => Cause::Rubbed,
                'says' => Said::of('water-talk.the-sides-fail-while-roof'),
                'now' => Said::of('water-talk.read-a-panel-nobody-touches'),
                'next_time' => Said::of('water-talk.ask-who-washes-it-between'),
            ],
            default => [
                'part' => $part,
                'cause' => Cause::SunOrSpots,
                'says' => Said::of('water-talk.roof-and-bonnet-fail-while'),
                'now' => Said::of('water-talk.look-for-spots-with-a-light'),
                'next_time' => Said::of('water-talk.rinse-the-top-last-with'),
            ],
        };
    }
}
