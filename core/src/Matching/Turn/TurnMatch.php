<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Textiles\TowelCount;
use Vicissa\Core\Units\Measures;

/** The whole choice for a turn (domain, model "match"). The same input gives the same answer. */
final readonly class TurnMatch
{
    /**
     * @param list<Choice> $choices
     * @param list<Judged> $passed      everything on the shelf that was not chosen, with why
     * @param list<SectionPlan> $sections
     * @param list<Caution> $cautions
     * @param list<StepPlan> $steps
     */
    private function __construct(
        public MethodChoice $method,
        public array $choices,
        public TopperChoice $topper,
        public TopperChoice $wheelTopper,
        public FinalRinse $finalRinse,
        public DryingPlan $drying,
        public ?TowelCount $towels,
        public array $sections,
        public array $cautions,
        public array $steps,
        public Doubts $doubts,
        public array $passed,
        private Measures $measures,
    ) {}

    public static function of(Situation $situation, Schools $schools): self
    {
        $method = MethodChoice::of($situation, $schools);
        $topper = TopperChoice::of($situation, $schools, $method);
        $wheelTopper = self::wheelTopper($situation, $schools, $method);
        $rinse = FinalRinse::of($situation, $method);
        $drying = DryingPlan::of($situation, $schools, $method, $rinse);
        $towels = self::towels($situation, $method);
        $choices = self::choices($situation, $schools, Needs::of($situation, $schools, $method, $topper, $wheelTopper));
        $cautions = Cautions::of($situation, $method, $drying, $choices);

        return new self(
            $method,
            $choices,
            $topper,
            $wheelTopper,
            $rinse,
            $drying,
            $towels,
            self::sections($situation, $method, $choices),
            $cautions,
            Sequence::of($situation, $schools, $method, $topper, $rinse, $drying, $towels, $choices, $cautions),
            Doubts::of($situation, $schools, $method, $rinse, $choices),
            self::passed($situation, $schools, $choices),
            $situation->measures,
        );
    }

    public function possible(): bool
    {
        return $this->method->chosen !== null;
    }

    public function choice(Role $role, Zone $zone): ?Choice
    {
        foreach ($this->choices as $choice) {
            if ($choice->need->role === $role && $choice->need->zone === $zone) {
                return $choice;
            }
        }

        return null;
    }

    /**
     * The match part by part in words, for comparing two of them.
     *
     * @return array<string, list<string>> by Part value
     */
    public function parts(): array
    {
        $how = fn(Step $step): array => array_merge(...array_map(static fn(StepPlan $plan): array => $plan->step === $step ? $plan->how : [], $this->steps), ...[[]]);
        $named = static fn(Choice $choice): string => sprintf('%s on %s: %s', ucfirst($choice->need->role->says()), $choice->need->zone->value, $choice->chosen?->bottle->name ?? 'none');
        $of = fn(callable $which): array => array_map($named, array_values(array_filter($this->choices, $which)));
        $aside = [Role::Topper, Role::DryingAid];

        return [
            Part::Method->value => [$this->method->chosen?->method->says() ?? 'None: not here, not today'],
            Part::Stages->value => array_map(static fn(array $stage): string => $stage['stage']->says(), $this->method->chosen->path->stages ?? []),
            Part::Order->value => array_values(array_diff(array_map(static fn(StepPlan $plan): string => $plan->step->says(), $this->steps), [Step::Topper->says()])),
            Part::Products->value => $of(static fn(Choice $choice): bool => ! in_array($choice->need->role, $aside, true)),
            Part::Foaming->value => $how(Step::Foam),
            Part::Rinsing->value => $how(Step::Rinse),
            Part::Washing->value => $how(Step::Wash),
            Part::FinalRinse->value => [$this->finalRinse->why],
            Part::Topper->value => [
                $this->topper->decision->says().': '.$this->topper->why,
                $this->wheelTopper->decision === Decision::None ? '' : 'On wheels: '.$this->wheelTopper->decision->says(),
                ...$of(static fn(Choice $choice): bool => $choice->need->role === Role::Topper),
            ],
            Part::ToppingUp->value => array_slice($how(Step::Topper), 1),
            Part::DryingAid->value => $of(static fn(Choice $choice): bool => $choice->need->role === Role::DryingAid),
            Part::Drying->value => [$this->drying->says($this->measures), ...$this->drying->how],
            Part::Towels->value => $this->towels === null ? [] : [sprintf('%d towels, %d sides', $this->towels->towels, $this->towels->sides)],
            Part::Sections->value => array_map(static fn(SectionPlan $section): string => $section->says, $this->sections),
            Part::Tyres->value => $how(Step::Finish),
            Part::Cautions->value => array_map(static fn(Caution $caution): string => $caution->says, $this->cautions),
            Part::Missing->value => array_map(static fn(Missing $missing): string => $missing->says, $this->doubts->missing),
        ];
    }

    private static function wheelTopper(Situation $situation, Schools $schools, MethodChoice $method): TopperChoice
    {
        // Wheels nobody has sealed stay as they are, whatever the school says of paint.
        return TopperChoice::of($situation, $situation->vehicle->stack(Zone::Wheels)->isBare() ? $schools->with(School::Topper, 'by-forecast') : $schools, $method, Zone::Wheels);
    }

    /**
     * @param list<Need> $needs
     * @return list<Choice>
     */
    private static function choices(Situation $situation, Schools $schools, array $needs): array
    {
        return array_map(static fn(Need $need): Choice => Choice::of($need, Ranking::of($situation, $schools, $need->role, $need->zone, $need->toStrip), $situation), $needs);
    }

    private static function towels(Situation $situation, MethodChoice $method): ?TowelCount
    {
        return $method->chosen !== null && in_array($method->chosen->method, [Method::MultiTowel, Method::Rinseless, Method::Waterless], true)
            ? TowelCount::of($situation->vehicle->paintM2, $situation->seen->soil, $method->chosen->path->stages !== [], $situation->rules->sidesPerTowel, $situation->rules->wipe)
            : null;
    }

    /**
     * @param list<Choice> $choices
     * @return list<SectionPlan>
     */
    private static function sections(Situation $situation, MethodChoice $method, array $choices): array
    {
        $sections = [];
        foreach ($choices as $choice) {
            $step = $choice->need->step;
            $film = $choice->chosen === null ? null : $situation->rules->film($choice->need->role, $choice->chosen->bottle->applied);
            if ($film === null || $choice->need->zone !== Zone::Paint || ! in_array($step, [Step::PreWash, Step::Foam, Step::Decon, Step::Wash, Step::Topper], true)) {
                continue;
            }
            $pace = $step === Step::Wash ? $situation->rules->pace[$method->method()->value ?? ''] : $situation->rules->pace[$step->value];
            $sections[$step->value] ??= SectionPlan::of($step, $situation, $situation->now->workingS($film), $choice->chosen->bottle->traits->dwellMinS, $pace + $situation->rules->pace['rinse']);
        }

        return array_values($sections);
    }

    /**
     * @param list<Choice> $choices
     * @return list<Judged>
     */
    private static function passed(Situation $situation, Schools $schools, array $choices): array
    {
        $chosen = array_map(static fn(Choice $choice): ?string => $choice->chosen?->bottle->id, $choices);
        $passed = [];
        foreach ($situation->shelf as $bottle) {
            if (in_array($bottle->id, $chosen, true)) {
                continue;
            }
            $asked = array_values(array_filter($choices, static fn(Choice $choice): bool => $choice->need->role === $bottle->traits->role));
            if ($asked === []) {
                $judged = Ranking::judge($situation, $schools, $bottle, $bottle->traits->role->usualZone());
                $passed[] = $judged->reason === null ? $judged->because(Reason::NotNeeded) : $judged;
            }
            foreach ($asked as $choice) {
                $judged = Ranking::judge($situation, $schools, $bottle, $choice->need->zone, $choice->need->toStrip);
                $passed[] = $judged->allowed() ? $judged->because(Reason::BetterFit) : $judged;
            }
        }

        return $passed;
    }
}
