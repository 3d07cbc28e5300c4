<?php

declare(strict_types=1);

namespace Vicissa\Core\Sheet\Visit;

use Vicissa\Core\Matching\Turn\Choice;
use Vicissa\Core\Matching\Turn\Contaminant;
use Vicissa\Core\Matching\Turn\SectionPlan;
use Vicissa\Core\Matching\Turn\Situation;
use Vicissa\Core\Matching\Turn\Step;
use Vicissa\Core\Matching\Turn\StepPlan;
use Vicissa\Core\Matching\Turn\TurnMatch;
use Vicissa\Core\Mix\Doses\Fill;

/** Makes the steps of a visit: their minutes, their products, their limits. */
final readonly class StepMaker
{
    /** Above so much paint someone has to climb for the roof. */
    private const TALL_M2 = 18.0;

    public function __construct(
        private TurnMatch $match,
        private Situation $situation,
        private Outfit $outfit,
        private Portions $portions,
    ) {}

    /**
     * @param string|null $id          the kind, when left out
     * @param list<string> $after
     * @param list<Choice|null> $of     what it uses
     * @param array{panels: list<string>, share: float} $go
     * @param float|null $estimate     minutes; by the rules when left out
     * @param array<string, int> $textiles
     * @param list<string> $how
     * @param string|null $onlyIf  what has to be so; null when it is done in any case
     */
    public function step(string $kind, Step $step, string $name, ?string $id = null, array $after = [], ?Wait $wait = null, array $of = [], array $go = ['panels' => [], 'share' => 1.0], ?float $estimate = null, int $people = 1, array $textiles = [], array $how = [], ?string $onlyIf = null): VisitStep
    {
        $estimate ??= $this->outfit->rules->minutes($kind, $go['share'] * $this->situation->vehicle->paintM2);

        return new VisitStep(
            $id ?? $kind,
            $kind,
            $step,
            $name,
            $estimate,
            max(1, (int) round($estimate * $this->outfit->pace->factor($kind))),
            $people,
            array_values(array_unique($after)),
            $wait,
            $this->portions->of($of, $go['share']),
            $go['panels'],
            $how,
            [],
            $textiles,
            $onlyIf,
            $this->water($kind, $go['share']),
        );
    }

    /**
     * The second look: what an owner sees first, then what is easily missed (domain §2).
     *
     * @return list<string>
     */
    private function looks(): array
    {
        $seen = $this->situation->seen;

        return array_values(array_filter([
            'Front and grille', 'Mirrors and their undersides', 'Windscreen, against the light', 'Wheels, barrels and nuts', 'Handles, badges, fuel flap', 'Sills and behind the wheels',
            'Streaks, with a second light', 'Jambs and door edges', $seen->has(Contaminant::Insects, Contaminant::BirdLime) ? 'Where the insects and lime were' : null,
            $seen->looseEdges ? 'The edges that lifted' : null, $this->isTall() ? 'Roof edge and gutters' : null, 'Nothing of ours left on or under it',
        ]));
    }

    /** Litres that run away in a step. */
    private function water(string $kind, float $share): float
    {
        return match (true) {
            str_starts_with($kind, 'wheels') && str_ends_with($kind, 'rinse') => $this->outfit->rules->wheelsRinseL,
            str_ends_with($kind, 'rinse') => $this->outfit->rules->rinseLM2 * $share * $this->situation->vehicle->paintM2,
            $kind === 'mix' => array_sum(array_map(static fn(Fill $fill): float => $fill->times * ($fill->waterMl() ?? $fill->mixMl) / 1000.0, $this->portions->doses->fills)),
            default => 0.0,
        };
    }

    public function waiting(VisitStep $step, Wait $wait): VisitStep
    {
        return new VisitStep($step->id, $step->kind, $step->of, $step->name, $step->estimate, $step->minutes, $step->people, $step->after, $wait, $step->portions, $step->panels, $step->how, $step->cautions, $step->textiles, $step->onlyIf, $step->waterL);
    }

    /** @param float $onS seconds putting it on takes */
    public function wait(string $of, ?Choice $choice, float $onS): ?Wait
    {
        $bottle = $choice?->chosen?->bottle;
        if ($choice === null || $bottle === null) {
            return null;
        }
        $min = $bottle->traits->dwellMinS;
        $film = $bottle->traits->mayDry ? null : $this->situation->rules->film($choice->need->role, $bottle->applied);

        return new Wait($of, $min, $choice->atMostS === null ? null : max($min, $choice->atMostS - $onS), $film, $bottle->dwellMaxS, $onS);
    }

    public function has(Step $step): bool
    {
        return array_filter($this->match->steps, static fn(StepPlan $plan): bool => $plan->step === $step) !== [];
    }

    /** In how many goes a film has to be worked so that it doesn't dry. */
    public function goes(Step $step): int
    {
        $section = array_values(array_filter($this->match->sections, static fn(SectionPlan $plan): bool => $plan->step === $step))[0] ?? null;

        return min($this->outfit->rules->mostGoes, $section->sections ?? 1);
    }

    public function fills(): int
    {
        return array_sum(array_map(static fn(Fill $fill): int => $fill->isNeat() ? 0 : $fill->times, $this->portions->doses->fills));
    }

    public function isTall(): bool
    {
        return $this->situation->vehicle->paintM2 >= self::TALL_M2;
    }

    /**
     * The same steps with how and cautions of the match where they belong: at the first step of their kind; what concerns
     * handing over at the last.
     *
     * @param list<VisitStep> $steps
     * @return list<VisitStep>
     */
    public function told(array $steps): array
    {
        $first = $how = [];
        foreach ($steps as $i => $step) {
            $group = $step->of->value;
            $first[$group] = $step->of === Step::HandOver ? $i : $first[$group] ?? $i;
            // The wheels are told where they are worked, tyres where they are dressed.
            $how[$group] = in_array($step->kind, ['wheels-brush', 'tyres', 'check'], true) ? $i : $how[$group] ?? $i;
        }
        $plans = array_combine(array_map(static fn(StepPlan $plan): string => $plan->step->value, $this->match->steps), $this->match->steps);

        return array_map(function (int $i, VisitStep $step) use ($first, $how, $plans): VisitStep {
            $plan = $plans[$step->of->value] ?? null;

            return new VisitStep(
                $step->id,
                $step->kind,
                $step->of,
                $step->name,
                $step->estimate,
                $step->minutes,
                $step->people,
                $step->after,
                $step->wait,
                $step->portions,
                $step->panels,
                [...$step->how, ...($plan !== null && ($how[$step->of->value] ?? null) === $i ? $plan->how : [])],
                $plan !== null && ($first[$step->of->value] ?? null) === $i ? $plan->cautions : [],
                $step->textiles,
                $step->onlyIf,
                $step->waterL,
                $step->kind === 'check' ? $this->looks() : [],
            );
        }, array_keys($steps), $steps);
    }
}
