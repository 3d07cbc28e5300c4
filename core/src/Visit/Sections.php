<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Turn\Choice;
use Vicissa\Core\Matching\Turn\Decision;
use Vicissa\Core\Matching\Turn\Softening;
use Vicissa\Core\Matching\Turn\Step;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Says\Amount;
use Vicissa\Core\Says\Said;
use Vicissa\Core\Water\Spots;

/** In how many goes each part of a visit is worked: asked by the bench and by the sheet alike. */
final readonly class Sections
{
    public function __construct(private StepMaker $make, private Panels $panels) {}

    /**
     * Something that is put on a step and taken off in the next.
     *
     * @param string $kind  of the step that puts it on; "…-rinse" takes it off
     */
    public function of(Step $step, string $kind, Choice $choice): SectionPlan
    {
        return SectionPlan::fit(
            $step,
            $kind,
            $step->says(),
            $choice->atMostS,
            $choice->chosen->bottle->traits->dwellMinS ?? 0.0,
            new TriedGoes(
                $this->make->panelCount(),
                $this->tries(),
                fn(int $goes): array => [
                    $this->make->seconds($kind, $this->largest($goes)),
                    $this->make->seconds("{$kind}-rinse", $this->largest($goes)),
                ],
                [$this->make->panelSeconds($kind), $this->make->panelSeconds("{$kind}-rinse")],
            ),
        );
    }

    /** The contact wash: soap, and what was foamed on as lubricant, are off again in time. */
    public function contact(?Choice $foam): SectionPlan
    {
        $soap = $this->make->match->choice(Role::Soap, Zone::Paint);
        $rules = $this->make->outfit->rules;
        $within = 60.0 * $rules->rinseWithin;
        $limits = array_filter([$soap?->atMostS, $foam?->atMostS], static fn(?float $s): bool => $s !== null);
        $wash = fn(float $share): float => 60.0 *
            $this->make->paced('wash', $rules->share($this->make->together()) * $this->make->estimate('wash', $share));
        $takes = function (int $goes) use ($wash, $within, $foam): array {
            $share = $this->largest($goes);
            // Foam lies while it is washed under, soap until the rinse that follows within minutes.
            $before = $foam === null ? 0.0 : $this->make->seconds('foam', $share);

            return [
                $before + $wash($share) + $within,
                $before + $wash($share) + $within + ($foam === null ? 0.0 : $this->make->seconds('rinse', $share)),
            ];
        };
        $least = max(1, (int) ceil($this->make->situation->vehicle->paintM2 / $rules->goM2 - 1e-9));
        $panel =
            $this->make->panelSeconds('wash') +
            $this->make->panelSeconds('rinse') +
            ($foam === null ? 0.0 : $this->make->panelSeconds('foam'));

        $fit = SectionPlan::fit(
            Step::Wash,
            'wash',
            Step::Wash->says(),
            $limits === [] ? null : min($limits),
            0.0,
            new TriedGoes($this->make->panelCount(), range($least, max($least, $this->most())), $takes, [0.0, $panel]),
        );

        return $fit->mode === SectionPlan::WHOLE && $least > 1
            ? SectionPlan::made(
                Step::Wash,
                'wash',
                SectionPlan::GOES,
                null,
                (int) ceil($this->make->panelCount() / $least),
                $least,
                Said::of('sections.goes-so-that-each-is-rinsed', step: Step::Wash->says(), goes: $least),
            )
            : $fit;
    }

    /** Without a hose: what is pre-sprayed is wiped and dry before the mist is. */
    public function wiped(Method $method, ?Choice $choice): SectionPlan
    {
        $share = $this->make->outfit->rules->share($this->make->together());
        if ($method === Method::Waterless) {
            return SectionPlan::made(
                Step::Wash,
                'wash',
                SectionPlan::EACH,
                $choice?->atMostS,
                1,
                $this->make->panelCount(),
                Said::of('sections.one-panel-after-the-other', step: Step::Wash->says()),
            );
        }

        return SectionPlan::fit(
            Step::Wash,
            'wash',
            Step::Wash->says(),
            $choice?->atMostS,
            0.0,
            new TriedGoes(
                $this->make->panelCount(),
                $this->tries(),
                fn(int $goes): array => [
                    $this->make->seconds('prespray', $this->largest($goes)),
                    60.0 * $this->make->paced('wash', $share * $this->make->estimate('wash', $this->largest($goes))),
                ],
                [$this->make->panelSeconds('prespray'), $this->make->panelSeconds('wash')],
            ),
        );
    }

    /** Drying, where the last water would leave marks if it dried by itself; null where nothing hurries. */
    public function dry(?VisitStep $lastWater): ?SectionPlan
    {
        $rinse = $this->make->match->finalRinse;
        if (
            $lastWater === null ||
            $rinse->workingS === null ||
            $rinse->residue?->spots->worseThan(Spots::Faint) !== true
        ) {
            return null;
        }
        $share = $this->make->outfit->rules->share($this->make->together());

        return SectionPlan::fit(
            Step::Dry,
            'dry',
            Step::Dry->says(),
            $rinse->workingS,
            0.0,
            new TriedGoes(
                $this->make->panelCount(),
                $this->tries(),
                fn(int $goes): array => [
                    $this->make->seconds('rinse', $this->largest($goes)),
                    60.0 * $this->make->paced('dry', $share * $this->make->estimate('dry', $this->largest($goes))),
                ],
                [$this->make->panelSeconds('rinse'), $this->make->panelSeconds('dry')],
            ),
        );
    }

    /**
     * Wheels with a cleaner: goes when each can be sprayed, worked and rinsed in time; each when it has to be rinsed
     * before it is worked.
     */
    public function wheels(Choice $choice): SectionPlan
    {
        return $this->atWheels(Step::Wheels, 'wheels-spray', 'wheels-rinse', 'wheels-brush', $choice);
    }

    public function wheelsIron(Choice $choice): SectionPlan
    {
        return $this->atWheels(Step::Wheels, 'wheels-iron', 'wheels-iron-rinse', null, $choice);
    }

    public function wheelsTopper(Choice $choice): SectionPlan
    {
        return $this->atWheels(Step::Topper, 'wheels-topper', 'wheels-topper-rinse', null, $choice);
    }

    private function atWheels(Step $step, string $on, string $off, ?string $work, Choice $choice): SectionPlan
    {
        $limit = $choice->atMostS;
        $dwell = $choice->chosen->bottle->traits->dwellMinS ?? 0.0;
        $wheels = $this->make->outfit->wheels();
        $made = static fn(string $mode, int $goes, Said $says): SectionPlan => SectionPlan::made(
            $step,
            $on,
            $mode,
            $limit,
            (int) max(1, $wheels / $goes),
            $goes,
            Said::of('sections.wheels', says: $says),
        );
        $gap = $work === null ? 0.0 : 60.0;
        $whole =
            ($work === null ? 0.0 : $this->make->seconds($work)) +
            $gap +
            max($this->make->seconds($on), $this->make->seconds($off));
        if ($limit === null || ceil($dwell / 60.0 - 1e-9) <= floor(($limit - $whole) / 60.0 + 1e-9)) {
            return $made(SectionPlan::WHOLE, 1, Said::of('sections.all-at-once'));
        }
        $window = Amount::time($limit);
        $paced = fn(string $kind, float $share): float => 60.0 *
            $this->make->estimate($kind, $share) *
            $this->make->outfit->pace->factor($kind);
        foreach ([intdiv($wheels, 2), $wheels] as $goes) {
            if (
                $dwell + ($work === null ? 0.0 : $paced($work, 1.0 / $goes)) + $paced($off, 1.0 / $goes) <=
                $limit + 1e-9
            ) {
                return $made(
                    SectionPlan::GOES,
                    $goes,
                    Said::of(
                        'sections.within-each-from-beginning',
                        window: $window,
                        how: $goes === $wheels
                            ? Said::of('sections.one-wheel-after-the-other')
                            : Said::of('sections.in-pairs'),
                    ),
                );
            }
        }
        for (
            $goes = $wheels;
            $goes < 8 * $wheels && $dwell + $paced($off, 1.0 / $goes) > $limit + 1e-9;
            $goes += $wheels
        ) {
        }

        if ($dwell + $paced($off, 1.0 / $goes) > $limit + 1e-9) {
            return $made(SectionPlan::NONE, $goes, Said::of('sections.within-nothing-can-work-and', window: $window));
        }

        return $made(
            $work === null ? SectionPlan::GOES : SectionPlan::EACH,
            $goes,
            Said::of(
                'sections.within-rinsed-before-it-is',
                window: $window,
                how: $goes === $wheels
                    ? Said::of('sections.one-wheel-after-the-other-comma')
                    : Said::of('sections.part-of-a-wheel-after-the'),
            ),
        );
    }

    /**
     * @return array{float, float} seconds a wax hazes at least, and after which it comes off hard: by the weather on
     *     the dry panel
     */
    public function haze(): array
    {
        $later = $this->make->situation->later;
        [$fast, $slow] = $this->make->outfit->rules->hazeMin;
        // Cold or damp air is slow, warm and dry air fast.
        $slowness = max(0.0, min(1.0, (22.0 - $later->air->airC) / 17.0 + max(0.0, $later->air->rh - 0.7)));
        $least = 60.0 * ($fast + ($slow - $fast) * $slowness);

        return [$least, $least + max(120.0, 600.0 * (1.0 - min(1.0, $later->air->sunWM2 / 900.0)))];
    }

    /** In how many goes a wax is spread and buffed, so that none comes off hard. */
    public function waxGoes(float $mostS): int
    {
        [$least] = $this->haze();
        $share = $this->make->outfit->rules->share($this->make->together());
        $all = count($this->panels->all);
        for ($goes = 1; $goes < $all; $goes++) {
            $part = $this->largest($goes);
            $takes =
                60.0 *
                max(
                    $this->make->paced('wax-on', $share * $this->make->estimate('wax-on', $part)),
                    $this->make->paced('wax-off', $share * $this->make->estimate('wax-off', $part)),
                );
            if (ceil($least / 60.0) <= floor($mostS / 60.0) && $takes <= $mostS) {
                return $goes;
            }
        }

        return $all;
    }

    /** Whether a second foam stays on as lubricant. */
    public function lubricated(): bool
    {
        return array_filter(
            $this->make->match->method->chosen->path->stages ?? [],
            static fn(array $stage): bool => $stage['stage'] === Softening::FoamAgain,
        ) !== [];
    }

    /** @return list<SectionPlan> of the paint, in the order they are worked; what nothing hurries is left out */
    public function all(?VisitStep $lastWater): array
    {
        $match = $this->make->match;
        if (!$match->possible()) {
            return [];
        }
        $plans = [];
        $stages = array_map(
            static fn(array $stage): Softening => $stage['stage'],
            $match->method->chosen->path->stages ?? [],
        );
        foreach (
            [
                [Softening::PreWash, Step::PreWash, 'prewash', Role::Prewash],
                [Softening::Foam, Step::Foam, 'foam', Role::Foam],
            ]
            as [$stage, $step, $kind, $role]
        ) {
            $choice = $match->choice($role, Zone::Paint);
            if ($choice?->chosen !== null && (in_array($stage, $stages, true) || $choice->need->toStrip)) {
                $plans[] = $this->of($step, $kind, $choice);
            }
        }
        $iron = $match->choice(Role::Iron, Zone::Paint);
        if ($iron?->chosen !== null) {
            $plans[] = $this->of(Step::Decon, 'iron', $iron);
        }
        $method = $match->method->method();
        if ($method !== null && !$method->needsHose()) {
            $plans[] = $this->wiped($method, $match->choice($method->role(), Zone::Paint));
        } elseif ($method !== Method::Touchless) {
            $foam = $this->lubricated() ? $match->choice(Role::Foam, Zone::Paint) : null;
            $plans[] = $this->contact($foam?->chosen === null ? null : $foam);
        }
        $topper = $match->choice(Role::Topper, Zone::Paint);
        if (
            $topper?->chosen !== null &&
            $method?->needsHose() === true &&
            $match->topper->decision !== Decision::None &&
            in_array($topper->chosen->bottle->applied, ['wet-rinse', 'foam-rinse', null], true)
        ) {
            $plans[] = $this->of(Step::Topper, 'topper', $topper);
        }

        // Wheels are told only where they stand in the way.
        foreach (
            [
                [Role::Wheel, $this->wheels(...)],
                [Role::Iron, $this->wheelsIron(...)],
                [Role::Topper, $this->wheelsTopper(...)],
            ]
            as [$role, $plan]
        ) {
            $choice = $method?->needsHose() === true ? $match->choice($role, Zone::Wheels) : null;
            $plans[] =
                $choice?->chosen === null || $choice->chosen->bottle->applied === 'wipe'
                    ? null
                    : self::inTheWay($plan($choice));
        }

        return array_values(array_filter([...$plans, $this->dry($lastWater)]));
    }

    private static function inTheWay(SectionPlan $plan): ?SectionPlan
    {
        return $plan->mode === SectionPlan::NONE ? $plan : null;
    }

    /** Share of the largest of so many goes. */
    private function largest(int $goes): float
    {
        return max([0.0, ...array_column($this->panels->inGoes($goes), 'share')]);
    }

    private function most(): int
    {
        return min($this->make->outfit->rules->mostGoes, count($this->panels->all));
    }

    /** @return non-empty-list<int> */
    private function tries(): array
    {
        return range(1, $this->most());
    }
}
