<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

use Vicissa\Core\Matching\Turn\Step;
use Vicissa\Core\Says\Amount;
use Vicissa\Core\Says\Said;

/**
 * How much of the vehicle is worked at once, so that nothing lies longer than its label or its film allows (domain §5,
 * §15.3): all of it, in some goes, or panel by panel. What is put on takes its time, and so does taking it off: the
 * panel that waits longest decides.
 */
final readonly class SectionPlan
{
    public const WHOLE = 'whole';

    public const GOES = 'goes';

    public const EACH = 'each';

    public const NONE = 'none';

    private function __construct(
        public Step $step,
        public string $kind,
        /** whole, goes, each: one panel after the other, or none: not even one fits */
        public string $mode,
        /** Seconds it may lie; null when nothing sets a limit. */
        public ?float $limitS,
        /** Panels of about a door that are worked in one go; 0 when not even one. */
        public int $panels,
        /** How many goes the whole takes; 1 is all at once. */
        public int $goes,
        public Said $says,
    ) {}

    /** For what is not a matter of panels, such as wheels. */
    public static function made(
        Step $step,
        string $kind,
        string $mode,
        ?float $limitS,
        int $at,
        int $goes,
        Said $says,
    ): self {
        return new self($step, $kind, $mode, $limitS, $at, $goes, $says);
    }

    /**
     * @param float|null $limitS   seconds, by label or film
     * @param float $dwellMinS     seconds it has to work
     */
    public static function fit(
        Step $step,
        string $kind,
        Said $name,
        ?float $limitS,
        float $dwellMinS,
        TriedGoes $tried,
    ): self {
        $made = static fn(string $mode, int $at, int $goes, Said $says): self => new self(
            $step,
            $kind,
            $mode,
            $limitS,
            $at,
            $goes,
            Said::of('section-plan.of', name: $name, says: $says),
        );
        $panels = $tried->panels;
        if ($limitS === null) {
            return $made(
                self::WHOLE,
                $panels,
                max(1, $tried->numbers[0] ?? 1),
                Said::of('section-plan.nothing-dries-on-it-and-no'),
            );
        }
        $window = Amount::time($limitS);
        foreach ($tried->numbers as $goes) {
            [$on, $off] = ($tried->takes)($goes);
            // In whole minutes, as a schedule counts them.
            if (ceil($dwellMinS / 60.0 - 1e-9) <= floor(($limitS - max($on, $off)) / 60.0 + 1e-9)) {
                $at = (int) ceil($panels / $goes);

                return $goes === 1
                    ? $made(
                        self::WHOLE,
                        $panels,
                        1,
                        Said::of('section-plan.within-enough-for-all-of-it', window: $window),
                    )
                    : $made(
                        self::GOES,
                        $at,
                        $goes,
                        Said::of(
                            'section-plan.within-at-a-time-goes',
                            window: $window,
                            at: $at,
                            unit: 'panel',
                            goes: $goes,
                        ),
                    );
            }
        }

        return $dwellMinS + $tried->panelTakes[1] <= $limitS + 1e-9
            ? $made(
                self::EACH,
                1,
                $panels,
                Said::of('section-plan.within-one-after-the-other', window: $window, unit: 'panel'),
            )
            : $made(
                self::NONE,
                0,
                $panels,
                Said::of('section-plan.within-too-short-for-even', window: $window, unit: 'panel'),
            );
    }
}
