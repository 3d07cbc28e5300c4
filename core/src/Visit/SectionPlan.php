<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

use Vicissa\Core\Matching\Turn\Step;
use Vicissa\Core\Units\Measures;

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
        public string $says,
    ) {}

    /** For what is not a matter of panels, such as wheels. */
    public static function made(
        Step $step,
        string $kind,
        string $mode,
        ?float $limitS,
        int $at,
        int $goes,
        string $says,
    ): self {
        return new self($step, $kind, $mode, $limitS, $at, $goes, $says);
    }

    /**
     * @param float|null $limitS   seconds, by label or film
     * @param float $dwellMinS     seconds it has to work
     * @param list<int> $tries     numbers of goes to try, ascending
     * @param callable(int): array{float, float} $takes seconds that putting on and taking off take in the largest of so
     *     many goes
     * @param array{float, float} $panelTakes            the same for one panel
     * @param string $unit         what one panel is called
     */
    public static function fit(
        Step $step,
        string $kind,
        string $name,
        ?float $limitS,
        float $dwellMinS,
        int $panels,
        array $tries,
        callable $takes,
        array $panelTakes,
        string $unit = 'panel',
    ): self {
        $made = static fn(string $mode, int $at, int $goes, string $says): self => new self(
            $step,
            $kind,
            $mode,
            $limitS,
            $at,
            $goes,
            "{$name}: {$says}",
        );
        if ($limitS === null) {
            return $made(
                self::WHOLE,
                $panels,
                max(1, $tries[0] ?? 1),
                'Nothing dries on it and no label hurries; as much at once as one likes.',
            );
        }
        $window = Measures::time($limitS);
        foreach ($tries as $goes) {
            [$on, $off] = $takes($goes);
            // In whole minutes, as a schedule counts them.
            if (ceil($dwellMinS / 60.0 - 1e-9) <= floor(($limitS - max($on, $off)) / 60.0 + 1e-9)) {
                $at = (int) ceil($panels / $goes);

                return $goes === 1
                    ? $made(self::WHOLE, $panels, 1, "Within {$window}, enough for all of it at once.")
                    : $made(
                        self::GOES,
                        $at,
                        $goes,
                        sprintf(
                            'Within %s. %d %s%s at a time, %d goes.',
                            $window,
                            $at,
                            $unit,
                            $at === 1 ? '' : 's',
                            $goes,
                        ),
                    );
            }
        }

        return $dwellMinS + $panelTakes[1] <= $limitS + 1e-9
            ? $made(
                self::EACH,
                1,
                $panels,
                sprintf('Within %s. One %s after the other, each from beginning to end.', $window, $unit),
            )
            : $made(
                self::NONE,
                0,
                $panels,
                sprintf('Within %s, too short for even one %s. Cool it, find shade, or move the hour.', $window, $unit),
            );
    }
}
