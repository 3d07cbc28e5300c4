<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Stage;
use Vicissa\Core\Units\Measures;

/** Everything a match is made from, but for the schools. */
final readonly class Situation
{
    /** @param list<Bottle> $shelf */
    public function __construct(
        public Vehicle $vehicle,
        public Assessment $seen,
        public Place $place,
        public Conditions $now,
        public array $shelf,
        public MatchRules $rules = new MatchRules,
        public Measures $measures = Measures::Metric,
    ) {}

    /** Whether water runs off the paint by itself: as read on arrival, else as the layer should. */
    public function repels(): bool
    {
        $stack = $this->vehicle->stack(Zone::Paint);
        $arrival = $this->seen->reading(Stage::Arrival);

        return $arrival !== null
            ? $arrival->holds($stack->designed())
            : $stack->baseKnown && ! $stack->isBare() && ! ($this->vehicle->renewals[Zone::Paint->value]->failed ?? false);
    }

    public function softness(): float
    {
        return $this->rules->softness[$this->vehicle->isSoft() ? 'soft' : $this->vehicle->hardness];
    }

    /** Wet work outdoors in frost: refused. */
    public function isFrozenOut(): bool
    {
        return ! $this->place->bay && $this->now->isFreezing($this->rules);
    }

    /**
     * The same with some bottles left out.
     *
     * @param list<string> $ids
     */
    public function without(array $ids): self
    {
        return new self($this->vehicle, $this->seen, $this->place, $this->now, array_values(array_filter($this->shelf, static fn(Bottle $bottle): bool => ! in_array($bottle->id, $ids, true))), $this->rules, $this->measures);
    }

    /** The same vehicle somewhere else, in the same weather; its panels have had time to follow. */
    public function movedTo(Place $place): self
    {
        return new self($this->vehicle, $this->seen, $place, Conditions::at($this->now->outside, $this->vehicle, $place, rain: $this->now->raining, rules: $this->rules), $this->shelf, $this->rules, $this->measures);
    }
}
