<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

use Vicissa\Core\Matching\Turn\Bottle;
use Vicissa\Core\Matching\Turn\Choice;
use Vicissa\Core\Matching\Turn\Decision;
use Vicissa\Core\Matching\Turn\Judged;
use Vicissa\Core\Matching\Turn\MatchPart;
use Vicissa\Core\Matching\Turn\Missing;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Matching\Turn\Situation;
use Vicissa\Core\Matching\Turn\Step;
use Vicissa\Core\Matching\Turn\TurnMatch;
use Vicissa\Core\Mix\Doses\DosePlan;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Says\Said;

/**
 * A visit laid out (domain §15): the match, what is mixed for it, its steps in order with what each uses, waits for and
 * warns of, and in how many goes. Every place of the program asks this; Visit adds when each step begins.
 */
final readonly class Laying
{
    /**
     * @param list<VisitStep> $steps        in the order of domain §2; empty when nothing may touch the paint
     * @param list<SectionPlan> $sections
     */
    private function __construct(
        public TurnMatch $match,
        public Situation $situation,
        public DosePlan $doses,
        public array $steps,
        public array $sections,
    ) {}

    public static function of(Situation $situation, Schools $schools, Outfit $outfit): self
    {
        $match = TurnMatch::of($situation, $schools);
        $situation = $match->situation;
        $doses = DosePlan::of(
            $match,
            $situation->vehicle->paintM2,
            $outfit->vessels,
            $outfit->lance,
            $situation->rules,
        );
        if (!$match->possible()) {
            return new self($match, $situation, $doses, [], []);
        }
        $panels = Panels::of($outfit->body);
        $make = new StepMaker($match, $situation, $outfit, new Portions($doses, $match));
        $sections = new Sections($make, $panels);
        $steps = (new Sequence($make, $schools, $outfit, $panels, $sections))->steps();
        $wet = array_values(
            array_filter(
                $steps,
                static fn(VisitStep $step): bool => in_array(
                    $step->kind,
                    ['rinse', 'topper-rinse', 'topper-each'],
                    true,
                ),
            ),
        );
        $used = array_values(
            array_filter(array_map(static fn(Choice $choice): ?Bottle => $choice->chosen?->bottle, $match->choices)),
        );
        $told = Hazards::told(
            self::how($steps, new HowTo($match, $schools)),
            $situation,
            $doses,
            $used,
            $match->drying->way,
        );

        return new self($match, $situation, $doses, $told, $sections->all($wet === [] ? null : $wet[count($wet) - 1]));
    }

    /**
     * Each kind of step is explained where it stands first.
     *
     * @param list<VisitStep> $steps
     * @return list<VisitStep>
     */
    private static function how(array $steps, HowTo $howTo): array
    {
        $told = [];

        return array_map(static function (VisitStep $step) use ($howTo, &$told): VisitStep {
            // However it is rinsed first, that is where rinsing is explained.
            $kind = $step->of === Step::Rinse && $step->kind !== 'cool' ? 'first-rinse' : $step->kind;
            if (isset($told[$kind])) {
                return $step;
            }
            $told[$kind] = true;

            return $step->with(['how' => [...$step->how, ...$howTo->of($kind)]]);
        }, $steps);
    }

    /**
     * Planned kinds for which there is no step: the hour, or what is at hand, does not let them be.
     *
     * @param list<Kind> $kinds
     * @return list<Kind>
     */
    public function lacks(array $kinds): array
    {
        return array_values(
            array_filter(
                $kinds,
                fn(Kind $kind): bool => $kind !== Kind::Wash &&
                    array_filter($this->steps, static fn(VisitStep $step): bool => $step->fulfils === $kind) === [],
            ),
        );
    }

    /** @return list<Step> groups of steps in the order they begin */
    public function order(): array
    {
        $order = [];
        foreach ($this->steps as $step) {
            if (!in_array($step->of, $order, true)) {
                $order[] = $step->of;
            }
        }

        return $order;
    }

    /** @return list<Said> how a group of steps is done */
    public function howOf(Step $group): array
    {
        return Said::once(
            array_merge(
                [],
                ...array_map(static fn(VisitStep $step): array => $step->of === $group ? $step->how : [], $this->steps),
            ),
        );
    }

    /** @return list<Caution> */
    public function cautions(): array
    {
        return Hazards::among($this->steps);
    }

    /**
     * Part by part in words, for comparing two of them.
     *
     * @return array<string, list<Said>> by MatchPart value
     */
    public function parts(): array
    {
        $match = $this->match;
        $named = static fn(Choice $choice): Said => Said::of(
            'laying.on',
            role: Said::upper($choice->need->role->says()),
            zone: $choice->need->zone->value,
            bottle: $choice->chosen?->bottle->name ?? Said::of('laying.nothing'),
        );
        $of = static fn(callable $which): array => array_map(
            $named,
            array_values(array_filter($match->choices, $which)),
        );
        $aside = ['topper', 'drying-aid'];
        $cautions = array_map(static fn(Caution $caution): Said => $caution->says, $this->cautions());
        usort($cautions, static fn(Said $a, Said $b): int => serialize($a) <=> serialize($b));

        return [
            MatchPart::Method->value => [
                $match->method->chosen?->method->says() ?? Said::of('laying.none-not-here-not-today'),
            ],
            MatchPart::Stages->value => array_map(
                static fn(array $stage): Said => $stage['stage']->says(),
                $match->method->chosen->path->stages ?? [],
            ),
            MatchPart::Order->value => array_values(
                array_map(
                    static fn(Step $step): Said => $step->says(),
                    array_filter($this->order(), static fn(Step $step): bool => $step !== Step::Topper),
                ),
            ),
            MatchPart::Products->value => $of(
                static fn(Choice $choice): bool => !in_array($choice->need->role->value, $aside, true),
            ),
            MatchPart::Foaming->value => $this->howOf(Step::Foam),
            MatchPart::Rinsing->value => $this->howOf(Step::Rinse),
            MatchPart::Washing->value => $this->howOf(Step::Wash),
            MatchPart::FinalRinse->value => [$match->finalRinse->why],
            MatchPart::Topper->value => [
                Said::of('laying.decided', decision: $match->topper->decision->says(), why: $match->topper->why),
                ...$match->wheelTopper->decision === Decision::None
                    ? []
                    : [Said::of('laying.on-wheels', decision: $match->wheelTopper->decision->says())],
                ...$of(static fn(Choice $choice): bool => $choice->need->role->value === 'topper'),
            ],
            MatchPart::ToppingUp->value => array_values(
                array_filter(
                    $this->howOf(Step::Topper),
                    static fn(Said $how): bool => $how->code !== 'topper-choice.decided',
                ),
            ),
            MatchPart::DryingAid->value => $of(
                static fn(Choice $choice): bool => $choice->need->role->value === 'drying-aid',
            ),
            MatchPart::Drying->value => [$match->drying->says(), ...$match->drying->how],
            MatchPart::Towels->value =>
                $match->towels === null
                    ? []
                    : [Said::of('laying.towels', towels: $match->towels->towels, sides: $match->towels->sides)],
            MatchPart::Sections->value => array_map(
                static fn(SectionPlan $section): Said => $section->says,
                $this->sections,
            ),
            MatchPart::Tyres->value => $this->howOf(Step::Finish),
            MatchPart::Cautions->value => $cautions,
            MatchPart::Missing->value => array_map(
                static fn(Missing $missing): Said => $missing->says,
                $match->doubts->missing,
            ),
        ];
    }

    /** @return list<Judged> acids offered beside what was chosen */
    public function offered(): array
    {
        return array_merge(
            [],
            ...array_map(static fn(Choice $choice): array => $choice->offered(), $this->match->choices),
        );
    }
}
