<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit\Stretch;

use Vicissa\Core\Drying\Film;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Turn\Choice;
use Vicissa\Core\Matching\Turn\DryingWay;
use Vicissa\Core\Matching\Turn\Item;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Matching\Turn\Step;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Says\Said;
use Vicissa\Core\Visit\Outfit;
use Vicissa\Core\Visit\Panels;
use Vicissa\Core\Visit\SectionPlan;
use Vicissa\Core\Visit\Sections;
use Vicissa\Core\Visit\StepMaker;
use Vicissa\Core\Visit\VisitStep;
use Vicissa\Core\Visit\Wait;
use Vicissa\Core\Visit\Work;

/** From the last water to the hand-over: drying, looking over, glass, jambs, trim, tyres, the second look. */
final readonly class Ending extends Stretch
{
    public function __construct(
        StepMaker $make,
        Schools $schools,
        Outfit $outfit,
        Panels $panels,
        Sections $sections,
        private Wheels $wheels,
        private Layers $layers,
    ) {
        parent::__construct($make, $schools, $outfit, $panels, $sections);
    }

    /**
     * @param list<string> $clean   what the last water ends with
     * @param list<string> $wheels
     * @return list<VisitStep>
     */
    public function steps(array $clean, array $wheels, ?VisitStep $lastWater): array
    {
        $scope = $this->situation->asked->scope;
        $dry = $this->dry($clean, $lastWater);
        $dried = $dry === [] ? $clean : self::last($dry);
        $wheelsDry =
            $scope->has(Item::Wheels) && $this->hose()
                ? [
                    $this->make->step(
                        new Work('wheels-dry', Step::Dry, Said::of('ending.dry-the-wheels-with-their')),
                        after: [...$clean, ...$wheels],
                        more: ['textiles' => ['wheels' => $this->towels('wheels')]],
                    ),
                ]
                : [];
        // On dry paint, before anything new covers it.
        $inspect = $this->situation->asked->wants(Kind::Inspection)
            ? [
                $this->make->step(
                    new Work('inspect', Step::Read, Said::of('ending.look-the-base-over')),
                    after: $dried,
                    more: ['fulfils' => Kind::Inspection],
                ),
            ]
            : [];
        $dried = $inspect === [] ? $dried : ['inspect'];
        $onDry = [...$this->wheels->waxed(self::last($wheelsDry)), ...$this->layers->onDry($dried)];
        $covered = array_values(
            array_filter(self::ends($onDry), static fn(string $id): bool => !str_starts_with($id, 'wheels')),
        );
        $finish = $this->finish(
            $dried,
            [
                ...self::last($wheelsDry),
                ...array_values(
                    array_filter(self::ends($onDry), static fn(string $id): bool => str_starts_with($id, 'wheels')),
                ),
            ],
            $covered,
        );
        $steps = [...$dry, ...$inspect, ...$wheelsDry, ...$onDry, ...$finish];
        $ends = array_values(array_unique([...$clean, ...$wheels, ...self::ends($steps)]));

        return [
            ...$steps,
            $this->make->step(
                new Work(
                    'check',
                    Step::HandOver,
                    $scope->isQuick() ? Said::of('ending.a-last-look') : Said::of('ending.second-look-twice-round'),
                ),
                after: $ends,
            ),
            $this->make->step(
                new Work('hand-over', Step::HandOver, Said::of('ending.hand-over-write-it-down')),
                after: ['check'],
            ),
        ];
    }

    /**
     * @param list<string> $clean
     * @return list<VisitStep>
     */
    private function dry(array $clean, ?VisitStep $lastWater): array
    {
        $way = $this->match->drying->way;
        if ($way === DryingWay::AtOnce || $way === DryingWay::None) {
            return $this->seals($way === DryingWay::AtOnce ? $clean : ['dry']);
        }
        $plan = $this->sections->dry($lastWater);
        $dried = match (true) {
            $plan === null || $plan->mode === SectionPlan::WHOLE => [
                $this->driedWhole($clean, $lastWater, $plan?->limitS),
            ],
            $plan->mode === SectionPlan::GOES => $this->driedInGoes($clean, $plan),
            default => [$this->driedPanelByPanel($clean)],
        };

        return [...$dried, ...$this->seals(self::last($dried))];
    }

    /**
     * @param list<string> $after
     * @return list<VisitStep>
     */
    private function seals(array $after): array
    {
        return $this->match->drying->seals
            ? [
                $this->make->step(
                    new Work('seals', Step::Dry, Said::of('ending.dry-seals-locks-and-jambs')),
                    after: $after,
                    more: ['textiles' => ['jambs' => $this->towels('jambs')]],
                ),
            ]
            : [];
    }

    /** @return list<Choice> what goes on while it is dried */
    private function dryingAids(): array
    {
        return array_values(
            array_filter(
                $this->match->choices,
                fn(Choice $choice): bool => $choice->chosen !== null &&
                    $choice->need->zone === Zone::Paint &&
                    ($choice->need->role === Role::DryingAid ||
                        ($choice->need->role === Role::Topper &&
                            $choice->chosen->bottle->applied === 'drying-aid' &&
                            $this->topperChoice() !== null)),
            ),
        );
    }

    /**
     * @param list<string> $after
     * @param array<string, int> $towels
     * @param float $minutes  for one person
     * @param array{panels: list<string>, share: float}|null $go  all of it, when left out
     * @param array<string, mixed> $more
     */
    private function dries(
        Work $work,
        array $after,
        array $towels,
        float $minutes,
        ?Wait $wait = null,
        ?array $go = null,
        array $more = [],
    ): VisitStep {
        $aids = $this->dryingAids();
        $topperHere = array_filter($aids, static fn(Choice $one): bool => $one->need->role === Role::Topper) !== [];

        return $this->make->step(
            $work,
            after: $after,
            wait: $wait,
            of: $aids,
            go: $go ?? ['panels' => [], 'share' => 1.0],
            estimate: $minutes,
            more: [
                'people' => $this->make->together(),
                'textiles' => $towels,
                ...$topperHere ? ['fulfils' => $this->planned(Kind::Topper)] : [],
                ...$more,
            ],
        );
    }

    /** The share of a step's minutes it takes with as many as dry together. */
    private function together(): float
    {
        return $this->outfit->rules->share($this->make->together());
    }

    /** @param list<string> $clean */
    private function driedWhole(array $clean, ?VisitStep $lastWater, ?float $limitS): VisitStep
    {
        $minutes = $this->together() * $this->make->estimate('dry');

        return $this->dries(
            new Work('dry', Step::Dry, Said::of('ending.dry')),
            $clean,
            $this->match->drying->towels,
            $minutes,
            $limitS === null || $lastWater === null
                ? null
                : new Wait(
                    $lastWater->id,
                    0.0,
                    max(0.0, $limitS - max($this->make->seconds('rinse'), 60.0 * $this->make->paced('dry', $minutes))),
                    Film::BeadedRinse,
                ),
        );
    }

    /**
     * Wetted again and dried at once, one panel after the other, so that nothing dries by itself.
     *
     * @param list<string> $clean
     */
    private function driedPanelByPanel(array $clean): VisitStep
    {
        return $this->dries(
            new Work('dry', Step::Dry, Said::of('ending.rinse-again-and-dry-panel')),
            $clean,
            $this->match->drying->towels,
            $this->together() * $this->make->estimate('dry') + $this->make->estimate('first-rinse'),
            more: ['waterL' => $this->outfit->rules->rinseLM2 * $this->situation->vehicle->paintM2],
        );
    }

    /**
     * @param list<string> $after
     * @return list<VisitStep>
     */
    private function driedInGoes(array $after, SectionPlan $plan): array
    {
        $steps = [];
        $done = 0.0;
        foreach (self::numbered($this->panels->inGoes($plan->goes)) as [$go, $part, $mark]) {
            $steps[] = $this->make->step(
                new Work(
                    'rinse',
                    Step::FinalRinse,
                    Said::of('ending.wet-again-what-is-dried', mark: $mark),
                    "wet{$part}",
                ),
                after: $after,
                go: $go,
            );
            $minutes = $this->together() * $this->make->estimate('dry', $go['share']);
            $busyS = max($this->make->seconds('rinse', $go['share']), 60.0 * $this->make->paced('dry', $minutes));
            $steps[] = $this->dries(
                new Work('dry', Step::Dry, Said::of('ending.dry-go', mark: $mark), "dry{$part}"),
                [],
                self::shared($this->match->drying->towels, $done, $done += $go['share']),
                $minutes,
                new Wait("wet{$part}", 0.0, max(0.0, ($plan->limitS ?? 0.0) - $busyS), Film::BeadedRinse),
                $go,
            );
            $after = ["dry{$part}"];
        }

        return $steps;
    }

    /**
     * @param list<string> $dried
     * @param list<string> $wheels   what the wheels end with
     * @param list<string> $covered  what the paint ends with
     * @return list<VisitStep>
     */
    private function finish(array $dried, array $wheels, array $covered): array
    {
        $scope = $this->situation->asked->scope;
        $tyre = $scope->has(Item::Dressing) ? $this->match->choice(Role::Tyre, Zone::Tyres) : null;
        $trim =
            array_values(
                array_filter(
                    $this->match->choices,
                    static fn(Choice $choice): bool => $choice->need->role === Role::Trim && $choice->chosen !== null,
                ),
            )[0] ?? null;
        [$from, $to] = $this->outfit->rules->tyreWipe;
        $glass = $this->match->choice(Role::Glass, Zone::Glass);

        return array_values(
            array_filter([
                $scope->has(Item::Jambs)
                    ? $this->make->step(
                        new Work('jambs', Step::Finish, Said::of('ending.jambs')),
                        after: $dried,
                        more: ['textiles' => ['jambs' => $this->towels('jambs')]],
                    )
                    : null,
                $scope->has(Item::Glass)
                    ? $this->make->step(
                        new Work(
                            'glass',
                            Step::Finish,
                            $scope->isQuick()
                                ? Said::of('ending.glass-with-the-methods-own')
                                : Said::of('ending.glass-with-its-own-towel'),
                        ),
                        after: [...$dried, ...$covered],
                        of: [$glass],
                        more: ['textiles' => $scope->isQuick() ? [] : ['glass' => $this->towels('glass')]],
                    )
                    : null,
                $scope->has(Item::Trim) && $trim !== null
                    ? $this->make->step(
                        new Work('trim', Step::Finish, Said::of('ending.trim')),
                        after: $dried,
                        of: [$trim],
                    )
                    : null,
                $tyre?->chosen !== null
                    ? $this->make->step(
                        new Work('tyres', Step::Finish, Said::of('ending.dress-the-tyres-clean-and')),
                        after: [...$dried, ...$wheels],
                        of: [$tyre],
                    )
                    : null,
                $tyre?->chosen !== null
                    ? $this->make->step(
                        new Work('tyres-wipe', Step::Finish, Said::of('ending.wipe-the-tyres-back')),
                        wait: new Wait('tyres', 60.0 * $from, 60.0 * $to),
                    )
                    : null,
            ]),
        );
    }
}
