<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

use Vicissa\Core\Matching\Body;
use Vicissa\Core\Mix\Doses\Vessel;
use Vicissa\Core\Mix\Lance;

/** Who comes with what, and to what kind of body. */
final readonly class Outfit
{
    /**
     * @param int $crew  how many work at it
     * @param list<Vessel> $vessels
     * @param Lance|null $lance  null when it has never been calibrated
     * @param TankAtHand|null $tank  null when there is none
     */
    public function __construct(
        public int $crew,
        public Body $body,
        public array $vessels = [],
        public ?Lance $lance = null,
        public ?TankAtHand $tank = null,
        public Pace $pace = new Pace(),
        public VisitRules $rules = new VisitRules(),
    ) {}

    /** How many wheels it stands on. */
    public function wheels(): int
    {
        return match ($this->body) {
            Body::Coach => 6,
            Body::Boat => 2,
            default => 4,
        };
    }

    public function withHelper(): self
    {
        return new self(
            $this->crew + 1,
            $this->body,
            $this->vessels,
            $this->lance,
            $this->tank,
            $this->pace,
            $this->rules,
        );
    }
}
