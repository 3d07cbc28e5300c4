<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

use Vicissa\Core\Matching\Turn\Step;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Protection\Stage;
use Vicissa\Core\Says\Said;
use Vicissa\Core\Sheet\Schedule\Task;

/** One step of a visit as it stands on the sheet. */
final readonly class VisitStep
{
    /**
     * @param string $id               unique in the visit: its kind, and which go of several
     * @param string $kind             what is timed together, such as "foam-rinse"
     * @param float $estimate          hands-on minutes by the rules, before anybody's pace
     * @param int $minutes             the same with the crew's pace, rounded
     * @param list<string> $after      ids
     * @param list<Portion> $portions
     * @param list<string> $panels     ids of Panels; empty when it is no matter of panels
     * @param list<Said> $how
     * @param list<Caution> $cautions
     * @param array<string, int> $textiles  towels by size, sides, mitts
     * @param list<Said> $looks      what is looked at, one after the other
     * @param float $waterL            water that runs away, l
     * @param Said|null $onlyIf      a step that may be left out, and what decides it
     * @param Kind|null $fulfils       a planned kind that is done by ticking this step
     * @param Stage|null $reads        which reading is taken here
     * @param list<Lying> $lies        what lies on the vehicle within this step and comes off in it
     */
    public function __construct(
        public string $id,
        public string $kind,
        public Step $of,
        public Said $name,
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
        public ?Said $onlyIf = null,
        public float $waterL = 0.0,
        public array $looks = [],
        public ?Kind $fulfils = null,
        public ?Stage $reads = null,
        public array $lies = [],
    ) {}

    /** @param array<string, mixed> $changes  by property */
    public function with(array $changes): self
    {
        return new self(...[...get_object_vars($this), ...$changes]);
    }

    public function task(): Task
    {
        return new Task($this->id, $this->minutes, $this->people, $this->after, $this->wait?->dwell());
    }

    /** Whether it uses a product of this role. */
    public function uses(string $productId): bool
    {
        return array_filter(
            $this->portions,
            static fn(Portion $portion): bool => $portion->productId === $productId,
        ) !== [];
    }
}
