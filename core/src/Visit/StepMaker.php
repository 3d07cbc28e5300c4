<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

use Vicissa\Core\Matching\Turn\Choice;
use Vicissa\Core\Matching\Turn\Contaminant;
use Vicissa\Core\Matching\Turn\Item;
use Vicissa\Core\Matching\Turn\Situation;
use Vicissa\Core\Matching\Turn\Step;
use Vicissa\Core\Matching\Turn\TurnMatch;
use Vicissa\Core\Mix\Doses\Fill;
use Vicissa\Core\Says\Said;

/** Makes the steps of a visit: their minutes, their products, their limits, what runs away. */
final readonly class StepMaker
{
    public function __construct(
        public TurnMatch $match,
        public Situation $situation,
        public Outfit $outfit,
        public Portions $portions,
    ) {}

    /**
     * @param list<string> $after
     * @param list<Choice|null> $of     what it uses
     * @param array{panels: list<string>, share: float} $go
     * @param float|null $estimate     minutes; by the rules when left out
     * @param array<string, mixed> $more  further properties of the step
     */
    public function step(
        Work $work,
        array $after = [],
        ?Wait $wait = null,
        array $of = [],
        array $go = ['panels' => [], 'share' => 1.0],
        ?float $estimate = null,
        array $more = [],
    ): VisitStep {
        $kind = $work->kind;
        $estimate ??= $this->estimate($kind, $go['share']);

        return (new VisitStep(
            $work->id,
            $kind,
            $work->step,
            $work->name,
            $estimate,
            $this->paced($kind, $estimate),
            after: array_values(array_unique($after)),
            wait: $wait,
            portions: $this->portions->of($kind, $of, $go['share']),
            panels: $go['panels'],
            waterL: $this->water($kind, $go['share']),
            looks: $kind === 'check' ? $this->looks() : [],
        ))->with($more);
    }

    /** Minutes by the rules, for a share of the vehicle. */
    public function estimate(string $kind, float $share = 1.0): float
    {
        $rules = $this->outfit->rules;
        $m2 = $this->situation->vehicle->paintM2;
        $quick = $this->situation->asked->scope->isQuick() ? $rules->quick[$kind] ?? 1.0 : 1.0;

        return $quick *
            match (true) {
                // Wheels and arches grow more slowly than the body; four of a car are what the rules are for.
                $this->isAtWheels($kind) => $share *
                    $rules->minutes($kind, $rules->carM2 * sqrt($rules->wheelsOf($m2))),
                $kind === 'wash' => $rules->minutes('wash', 0.0) + $this->washM2() * $share * $m2,
                $kind === 'dry' => $rules->minutes('dry', 0.0) +
                    ($rules->dryM2[$this->match->drying->way->value] ?? 0.0) * $share * $m2,
                $kind === 'mix' => $rules->minutes('mix', 0.0) + $rules->fill * $this->fills(),
                default => $rules->minutes($kind, $share * $m2),
            };
    }

    /** Whole minutes with the crew's pace, for people who work at it each for themselves. */
    public function paced(string $kind, float $estimate): int
    {
        return max(1, (int) round($estimate * $this->outfit->pace->factor($kind)));
    }

    /** Seconds a step will take as it is scheduled. */
    public function seconds(string $kind, float $share = 1.0): float
    {
        return 60.0 * $this->paced($kind, $this->estimate($kind, $share));
    }

    /** Seconds one panel takes of a kind of step, when one goes from panel to panel. */
    public function panelSeconds(string $kind): float
    {
        $rules = $this->outfit->rules;
        $perM2 = match ($kind) {
            'wash' => $this->washM2(),
            'dry' => $rules->dryM2[$this->match->drying->way->value] ?? 0.0,
            default => $rules->minutes[$kind][1],
        };

        return 60.0 *
            $perM2 *
            $rules->share($this->together()) *
            min($this->situation->rules->panelM2, $this->situation->vehicle->paintM2) *
            $this->outfit->pace->factor($kind);
    }

    /** Panels of about a door. */
    public function panelCount(float $share = 1.0): int
    {
        return max(
            1,
            (int) ceil(($share * $this->situation->vehicle->paintM2) / $this->situation->rules->panelM2 - 1e-9),
        );
    }

    /** How many work at the washing and drying together: one on each side; at a tall vehicle one above besides. */
    public function together(): int
    {
        return min($this->outfit->crew, $this->isTall() ? count($this->outfit->rules->together) : 2);
    }

    public function fills(): int
    {
        return array_sum(
            array_map(static fn(Fill $fill): int => $fill->isNeat() ? 0 : $fill->times, $this->portions->doses->fills),
        );
    }

    public function isTall(): bool
    {
        return $this->situation->vehicle->paintM2 >= $this->situation->rules->tallM2;
    }

    private function washM2(): float
    {
        $rules = $this->outfit->rules;
        $method = $this->match->method->method();
        $soil = $this->situation->seen->soil;
        $perM2 = $rules->washM2[$method->value ?? ''] ?? 2.0;

        return match (true) {
            $method?->needsHose() === false => $perM2 * (1.0 + $rules->wipedDirtier * max(0, $soil - 1)),
            $soil <= 1 => $perM2 * $rules->dust,
            default => $perM2 * (1.0 + $rules->dirtier * max(0, $soil - 2)),
        };
    }

    private function isAtWheels(string $kind): bool
    {
        return str_starts_with($kind, 'wheels') || str_starts_with($kind, 'tyres') || $kind === 'arches';
    }

    /**
     * The second look: what an owner sees first, then what is easily missed (domain §2).
     *
     * @return list<Said>
     */
    private function looks(): array
    {
        $seen = $this->situation->seen;
        $scope = $this->situation->asked->scope;
        if ($scope->isQuick()) {
            return [
                Said::of('step-maker.front-and-mirrors'),
                Said::of('step-maker.windscreen-against-the'),
                Said::of('step-maker.nothing-of-ours-left-on-or'),
            ];
        }

        return array_values(
            array_filter([
                Said::of('step-maker.front-and-grille'),
                Said::of('step-maker.mirrors-and-their'),
                Said::of('step-maker.windscreen-against-the'),
                $scope->has(Item::Wheels) ? Said::of('step-maker.wheels-barrels-and-nuts') : null,
                Said::of('step-maker.handles-badges-fuel-flap'),
                Said::of('step-maker.sills-and-behind-the-wheels'),
                Said::of('step-maker.streaks-with-a-second-light'),
                $scope->has(Item::Jambs) ? Said::of('step-maker.jambs-and-door-edges') : null,
                $seen->has(Contaminant::Insects, Contaminant::BirdLime)
                    ? Said::of('step-maker.where-the-insects-and-lime')
                    : null,
                $seen->looseEdges ? Said::of('step-maker.the-edges-that-lifted') : null,
                $this->isTall() ? Said::of('step-maker.roof-edge-and-gutters') : null,
                Said::of('step-maker.nothing-of-ours-left-on-or'),
            ]),
        );
    }

    /** Litres that run away in a step. */
    private function water(string $kind, float $share): float
    {
        $rules = $this->outfit->rules;
        $m2 = $this->situation->vehicle->paintM2;
        $hose = $this->match->method->method()?->needsHose() === true;

        return match (true) {
            $this->isAtWheels($kind) &&
                (str_ends_with($kind, 'rinse') ||
                    $kind === 'wheels-each' ||
                    $kind === 'wheels-iron-each' ||
                    ($hose && $kind === 'wheels-pass'))
                => $share * $rules->wheelsRinseL * $rules->wheelsOf($m2) * ($kind === 'wheels-pass' ? 0.5 : 1.0),
            $kind === 'arches' && $hose => 0.5 * $rules->wheelsRinseL * $rules->wheelsOf($m2),
            str_ends_with($kind, 'rinse') => $rules->rinseLM2 * $share * $m2,
            $kind === 'cool' => 0.5 * $rules->rinseLM2 * $m2,
            $kind === 'mix' => array_sum(
                array_map(
                    static fn(Fill $fill): float => ($fill->times * ($fill->waterMl() ?? $fill->mixMl)) / 1000.0,
                    $this->portions->doses->fills,
                ),
            ),
            default => 0.0,
        };
    }
}
