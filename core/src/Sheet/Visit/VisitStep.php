<?php

declare(strict_types=1);

namespace Vicissa\Core\Sheet\Visit;

use Vicissa\Core\Matching\Turn\Caution;
use Vicissa\Core\Matching\Turn\Step;
use Vicissa\Core\Sheet\Schedule\Task;

/** One step of a visit as it stands on the sheet. */
final readonly class VisitStep
{
    /**
     * @param string $id               unique in the visit: its kind, and which go of several
     * @param string $kind             what is timed together, such as "foam-rinse"
     * @param float $estimate          hands-on minutes by the rules, before anybody's pace
     * @param int $minutes             the same with the crew's pace, rounded up
     * @param list<string> $after      ids
     * @param list<Portion> $portions
     * @param list<string> $panels     ids of Panels; empty when it is no matter of panels
     * @param list<string> $how
     * @param list<Caution> $cautions
     * @param array<string, int> $textiles  towels by size, sides, mitts
     * @param list<string> $looks      what is looked at, one after the other
     * @param float $waterL            water that runs away, l
     * @param string|null $onlyIf      a step that may be left out, and what decides it
     */
    public function __construct(
        public string $id,
        public string $kind,
        public Step $of,
        public string $name,
        public float $estimate,
        public int $minutes,
        public int $people = 1,
        public array $after = [],
        public ?Wait $wait = null,
        public array $portions = [],
        public array $panels = [],
        public array $how = [],
        public array $cautions = [],
        public array $textiles = [],
        public ?string $onlyIf = null,
        public float $waterL = 0.0,
        public array $looks = [],
    ) {}

    public function task(): Task
    {
        return new Task($this->id, $this->minutes, $this->people, $this->after, $this->wait?->dwell());
    }
}
