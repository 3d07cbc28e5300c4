<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Matching\Purpose;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Behaviour;
use Vicissa\Core\Protection\Stage;

/** What was seen on arrival, and since. */
final readonly class Assessment
{
    /**
     * @param int $soil                     0 clean to 5 caked, of the dirtiest paint that will be touched
     * @param list<Contaminant> $on         on the paint
     * @param int|null $wheelSoil           of the wheels; null when nobody looked: then as the paint, at least 2
     * @param bool $wheelIron               brake dust that has burnt in
     * @param array<string, array<string, Behaviour>> $readings  by Zone value, then Stage value
     * @param bool $looseEdges              decals, film or trim that lift
     *
     * @throws InvalidInput
     */
    public function __construct(
        public int $soil,
        public bool $grit = false,
        public array $on = [],
        public ?int $wheelSoil = null,
        public bool $wheelIron = false,
        public array $readings = [],
        public bool $looseEdges = false,
        public Purpose $purpose = Purpose::Maintain,
    ) {
        InvalidInput::unlessBetween('seen.soil', $soil, 0, 5);
        InvalidInput::unlessBetween('seen.wheel_soil', $wheelSoil ?? 0, 0, 5);
    }

    public function has(Contaminant ...$any): bool
    {
        return array_filter($this->on, static fn(Contaminant $one): bool => in_array($one, $any, true)) !== [];
    }

    public function reading(Stage $stage, Zone $zone = Zone::Paint): ?Behaviour
    {
        return $this->readings[$zone->value][$stage->value] ?? null;
    }

    public function wheels(): int
    {
        return $this->wheelSoil ?? max(2, $this->soil);
    }

    public function isReset(): bool
    {
        return $this->purpose === Purpose::Reset;
    }

    /** Dirt that must be loosened and rinsed away before anything touches the paint. */
    public function wantsPreWash(MatchRules $rules): bool
    {
        return $this->grit || $this->soil >= $rules->preWashFromSoil;
    }
}
