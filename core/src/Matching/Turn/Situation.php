<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Drying\Air;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Behaviour;
use Vicissa\Core\Protection\Stage;

/** Everything a match is made from, but for the schools. */
final readonly class Situation
{
    public Conditions $later;

    /**
     * @param list<Bottle> $shelf
     * @param Conditions|null $later  when the vehicle has been dried and stands in the sun again; as now when left out
     * @param Cooling|null $cooling   set where its panels are cooled before anything goes on
     */
    public function __construct(
        public MatchedVehicle $vehicle,
        public Assessment $seen,
        public Place $place,
        public Conditions $now,
        public array $shelf,
        public MatchRules $rules = new MatchRules(),
        public Asked $asked = new Asked(),
        ?Conditions $later = null,
        public ?Cooling $cooling = null,
    ) {
        $this->later = $later ?? $now;
    }

    /** Whether water runs off the paint by itself: as read on arrival, else as the layer should. */
    public function repels(): bool
    {
        $stack = $this->vehicle->stack(Zone::Paint);
        $clean = $this->lastClean();
        $arrival = $clean ?? $this->seen->reading(Stage::Arrival);
        $renewal = $this->vehicle->renewals[Zone::Paint->value] ?? null;

        return $arrival !== null
            ? $arrival->holds($stack->designed())
            : $stack->baseKnown && !$stack->isBare() && !($renewal->failed ?? false) && !($renewal->suspect ?? false);
    }

    /**
     * How the clean water stood last, the later stage counting more: once it holds again, nothing speaks of what was
     * before.
     */
    public function lastClean(): ?Behaviour
    {
        return $this->seen->reading(Stage::AfterTopper) ??
            ($this->seen->reading(Stage::AfterDecon) ?? $this->seen->reading(Stage::AfterWash));
    }

    public function softness(): float
    {
        return $this->rules->softness[$this->vehicle->isSoft() ? 'soft' : $this->vehicle->hardness];
    }

    /** Wet work outdoors in frost: refused. */
    public function isFrozenOut(): bool
    {
        return !$this->place->bay && $this->now->isFreezing($this->rules);
    }

    /** So cold that nothing dries by itself, and what stays in gaps may freeze. */
    public function isNearFrost(): bool
    {
        return $this->now->outside->airC <= $this->rules->sealsC;
    }

    /** The conditions a product meets: wet work now, what goes on dry paint when it has dried. */
    public function meets(Role $role, ?string $applied): Conditions
    {
        return $this->rules->onDry($role, $applied) ? $this->later : $this->now;
    }

    /**
     * The same with some bottles left out.
     *
     * @param list<string> $ids
     */
    public function without(array $ids): self
    {
        return $this->with(
            shelf: array_values(
                array_filter($this->shelf, static fn(Bottle $bottle): bool => !in_array($bottle->id, $ids, true)),
            ),
        );
    }

    /** The same vehicle somewhere else, in the same weather; its panels have had time to follow. */
    public function movedTo(Place $place): self
    {
        $now = Conditions::at(
            $this->now->outside,
            $this->vehicle,
            $place,
            rain: $this->now->raining,
            rules: $this->rules,
        );

        return $this->with(place: $place, now: $now, later: $now);
    }

    /** The same in another hour's weather. */
    public function atHour(Air $outside, bool $rain): self
    {
        $now = Conditions::at($outside, $this->vehicle, $this->place, rain: $rain, rules: $this->rules);

        return $this->with(now: $now, later: $now);
    }

    public function asking(Asked $asked): self
    {
        return $this->with(asked: $asked);
    }

    /** The same with the panels kept wet until they have cooled. */
    public function cooled(Cooling $cooling): self
    {
        $now = Conditions::at(
            $this->now->outside,
            $this->vehicle,
            $this->place,
            $cooling->toC,
            $this->now->raining,
            $this->rules,
        );

        return new self(
            $this->vehicle,
            $this->seen,
            $this->place,
            $now,
            $this->shelf,
            $this->rules,
            $this->asked,
            $this->later,
            $cooling,
        );
    }

    /** @param list<Bottle>|null $shelf */
    private function with(
        ?Place $place = null,
        ?Conditions $now = null,
        ?array $shelf = null,
        ?Asked $asked = null,
        ?Conditions $later = null,
    ): self {
        return new self(
            $this->vehicle,
            $this->seen,
            $place ?? $this->place,
            $now ?? $this->now,
            $shelf ?? $this->shelf,
            $this->rules,
            $asked ?? $this->asked,
            $later ?? $this->later,
            $this->cooling,
        );
    }
}
