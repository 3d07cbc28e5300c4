<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

use Vicissa\Core\Drying\Film;
use Vicissa\Core\Sheet\Schedule\Dwell;

/** What a step waits for while a product works, in seconds, so that a timer can be set by it. */
final readonly class Wait
{
    /**
     * @param string $of            id of the step that put it on
     * @param float $minS           it has to work so long, from the end of that step
     * @param float|null $maxS      and no longer, from the end of that step; null when nothing happens to it
     * @param Film|null $film       what would dry; null when only the label sets the limit
     * @param float|null $labelMaxS the label's limit from the first spray
     * @param float $onS            what putting it on takes: the first panel has waited that long already
     */
    public function __construct(
        public string $of,
        public float $minS,
        public ?float $maxS,
        public ?Film $film = null,
        public ?float $labelMaxS = null,
        public float $onS = 0.0,
    ) {}

    /** In the whole minutes of a schedule, the timer's seconds being the finer word. */
    public function dwell(): Dwell
    {
        $max = $this->maxS === null ? null : (int) floor($this->maxS / 60.0 + 1e-9);
        $min = (int) ceil($this->minS / 60.0 - 1e-9);
        // Half a minute of dwell in a window of one: both fall within the same minute.
        $min = $max !== null && $min > $max ? (int) floor($this->minS / 60.0 + 1e-9) : $min;

        return new Dwell($this->of, $min, $max === null ? null : max($min, $max));
    }
}
