<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Visit;

use PHPUnit\Framework\Assert;
use Tests\Told;
use Vicissa\Core\Matching\Finish;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Turn\Bottle;
use Vicissa\Core\Matching\Turn\Choice;
use Vicissa\Core\Matching\Turn\Decision;
use Vicissa\Core\Matching\Turn\Item;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Mix\Doses\Fill;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Visit\Caution;
use Vicissa\Core\Visit\Laying;
use Vicissa\Core\Visit\Outfit;
use Vicissa\Core\Visit\Portion;
use Vicissa\Core\Visit\SectionPlan;
use Vicissa\Core\Visit\VisitStep;

/**
 * What never happens on a driveway (domain §15.3), looked for in one visit. Written from the page, not from the
 * program.
 */
final readonly class NeverEver
{
    /** @var array<string, VisitStep> */
    private array $steps;

    /** @var array<string, array<string, true>> everything that has ended before a step may begin */
    private array $before;

    /** @var array<string, Bottle> */
    private array $bottles;

    public function __construct(private Laying $laying, private Outfit $outfit, private string $where)
    {
        $steps = $before = $bottles = [];
        foreach ($laying->steps as $step) {
            $steps[$step->id] = $step;
            $waits = [...$step->after, ...$step->wait === null ? [] : [$step->wait->of]];
            $before[$step->id] = array_fill_keys($waits, true);
            foreach ($waits as $id) {
                Assert::assertArrayHasKey(
                    $id,
                    $before,
                    "{$where}: {$step->id} waits for {$id}, which comes later or never",
                );
                $before[$step->id] += $before[$id];
            }
        }
        foreach ($laying->match->choices as $choice) {
            if ($choice->chosen !== null) {
                $bottles[$choice->chosen->bottle->id] = $choice->chosen->bottle;
            }
        }
        [$this->steps, $this->before, $this->bottles] = [$steps, $before, $bottles];
    }

    public function usesWhatIsNotReady(): void
    {
        $mixed = array_map(
            static fn(Fill $fill): ?string => $fill->isNeat() ? null : $fill->productId,
            $this->laying->doses->fills,
        );
        foreach ($this->steps as $id => $step) {
            foreach ($step->portions as $portion) {
                Assert::assertTrue(
                    !in_array($portion->productId, $mixed, true) || isset($this->before[$id]['mix']),
                    "{$this->where}: {$id} uses {$portion->name} before it is mixed",
                );
            }
            if ($step->waterL > 0.0 && $step->kind !== 'mix' && isset($this->steps['water'])) {
                Assert::assertArrayHasKey(
                    'water',
                    $this->before[$id],
                    "{$this->where}: {$id} lets water run before it is settled",
                );
            }
            if (
                in_array($step->kind, ['wash', 'wash-each', 'clay-each', 'dry', 'wax-on', 'topper-wipe'], true) &&
                isset($this->steps['platform'])
            ) {
                Assert::assertArrayHasKey('platform', $this->before[$id], "{$this->where}: {$id} without a platform");
            }
        }
    }

    public function warnsTooLate(): void
    {
        $said = [];
        foreach ($this->steps as $step) {
            foreach ($step->cautions as $caution) {
                $said[$caution->hazard] = true;
            }
            $says = array_map(static fn(Caution $caution): string => Told::en($caution->says), $step->cautions);
            foreach ($says as $one) {
                // A label's caution stands after its product's name.
                $bare = substr((string) strstr($one, ': '), 2);
                if ($bare !== '' && in_array($bare, $says, true)) {
                    Assert::fail("{$this->where}: {$one}, twice at {$step->id}");
                }
            }
            $place = $this->laying->situation->place;
            Assert::assertTrue(
                !($step->waterL > 0.0 && $step->kind !== 'mix' && $place->pressure) || isset($said['pressure']),
                "{$this->where}: pressure at {$step->id}",
            );
            Assert::assertTrue(
                !($step->kind === 'water' && $place->power) || isset($said['electricity']),
                "{$this->where}: electricity",
            );
            Assert::assertTrue(
                !str_starts_with($step->kind, 'wheels') || isset($said['wheels']),
                "{$this->where}: wheels",
            );
            foreach ($step->portions as $portion) {
                $bottle = $this->bottles[$portion->productId];
                if ($bottle->traits->role === Role::Iron || $bottle->traits->solvent) {
                    Assert::assertArrayHasKey("fumes {$bottle->id}", $said, "{$this->where}: fumes at {$step->id}");
                }
                Assert::assertTrue(
                    $bottle->traits->ph >= 4.0 || isset($said["acid {$bottle->id}"]),
                    "{$this->where}: an acid unsaid at {$step->id}",
                );
                if (
                    $bottle->traits->ph < 3.0 ||
                    $bottle->traits->ph > 11.0 ||
                    in_array($bottle->traits->role, [Role::Prewash, Role::Wheel, Role::Iron, Role::Tar], true)
                ) {
                    Assert::assertArrayHasKey("skin {$bottle->id}", $said, "{$this->where}: gloves at {$step->id}");
                }
            }
        }
        $mixes = array_filter(
            $this->laying->doses->fills,
            fn(Fill $fill): bool => !$fill->isNeat() &&
                ($this->bottles[$fill->productId ?? '']->traits->ph ?? 7.0) < 3.0,
        );
        foreach ($mixes as $fill) {
            Assert::assertContains(
                "skin {$fill->productId}",
                array_map(static fn($caution): string => $caution->hazard, $this->steps['mix']->cautions),
                "{$this->where}: an acid is mixed with bare hands",
            );
        }
    }

    public function leavesAProductLying(): void
    {
        if (
            array_filter(
                $this->laying->sections,
                static fn(SectionPlan $plan): bool => $plan->mode === SectionPlan::NONE,
            ) !== []
        ) {
            // Such a visit is refused, with that reason.
            return;
        }
        foreach ($this->steps as $id => $step) {
            foreach ($step->lies as $lying) {
                Assert::assertTrue(
                    $lying->atMostS === null || $lying->longestS <= $lying->atMostS + 1e-6,
                    sprintf(
                        '%s: %s lies for %.0f s in %s, %.0f at most',
                        $this->where,
                        $lying->productId,
                        $lying->longestS,
                        $id,
                        $lying->atMostS,
                    ),
                );
                Assert::assertGreaterThanOrEqual(
                    $lying->atLeastS - 1e-6,
                    $lying->shortestS,
                    "{$this->where}: {$lying->productId} does not work long enough in {$id}",
                );
            }
            $on = $step->wait === null ? null : $this->steps[$step->wait->of];
            if ($on === null) {
                continue;
            }
            foreach ($on->portions as $portion) {
                $most = $this->bottles[$portion->productId]->dwellMaxS;
                if (
                    $most !== null &&
                    $step->wait?->maxS !== null &&
                    !in_array($step->kind, ['wheels-rinse', 'wash', 'gaps', 'dry'], true)
                ) {
                    Assert::assertLessThanOrEqual(
                        $most + 1e-6,
                        $step->wait->maxS + 60.0 * max($on->minutes, $step->minutes),
                        "{$this->where}: {$portion->name} from {$on->id} to {$id}",
                    );
                }
            }
        }
    }

    public function letsTwoCleanersMeet(): void
    {
        foreach ([Zone::Paint, Zone::Wheels] as $zone) {
            $on = null;
            foreach ($this->steps as $id => $step) {
                $takes = array_filter(
                    $step->portions,
                    static fn(Portion $portion): bool => $portion->zone === $zone &&
                        in_array($portion->role, [Role::Prewash, Role::Foam, Role::Wheel, Role::Iron, Role::Tar], true),
                );
                foreach ($takes as $portion) {
                    Assert::assertTrue(
                        $on === null || $on === $portion->productId,
                        "{$this->where}: {$portion->name} on {$on} in {$id}, unrinsed",
                    );
                    $on = $portion->productId;
                }
                $here = ($zone === Zone::Wheels) === str_starts_with($step->kind, 'wheels');
                if ($here && $step->waterL > 0.0) {
                    $on = null;
                }
            }
        }
    }

    public function claysUnwashedOrUnsaid(): void
    {
        $clay = $this->steps['clay'] ?? null;
        if ($clay === null) {
            return;
        }
        Assert::assertTrue(
            $this->hasBefore('clay', ['wash', 'wash-each', 'rinse']),
            "{$this->where}: clay on unwashed paint",
        );
        Assert::assertTrue(
            $this->laying->match->topper->decision === Decision::DeconFirst ||
                $this->laying->match->topper->best() === null ||
                $this->laying->situation->lastClean() !== null ||
                $this->laying->situation->seen->isReset(),
            "{$this->where}: a topper taken for granted after clay",
        );
        if ($this->laying->situation->vehicle->isSoft() || !$this->laying->situation->vehicle->tone->isLight()) {
            Assert::assertContains(
                'marring',
                array_map(static fn($caution): string => $caution->hazard, $this->laying->cautions()),
                "{$this->where}: clay unsaid",
            );
        }
    }

    public function waxesWetPaint(): void
    {
        foreach ($this->steps as $id => $step) {
            if (!in_array($step->kind, ['wax-on', 'topper-wipe', 'recoat'], true)) {
                continue;
            }
            Assert::assertTrue(
                $this->hasBefore($id, ['dry']) || $this->laying->match->method->method()?->needsHose() === false,
                "{$this->where}: {$id} on wet paint",
            );
            $leaves = $this->bottles[$step->portions[0]->productId]->traits->leaves;
            foreach ($this->steps as $other) {
                foreach ($other->portions as $portion) {
                    $aid = $this->bottles[$portion->productId];
                    Assert::assertTrue(
                        $aid->traits->role !== Role::DryingAid ||
                            $aid->traits->leaves === $leaves ||
                            !$aid->traits->leaves->protects() ||
                            $this->laying->match->topper->decision !== Decision::Apply,
                        "{$this->where}: {$aid->name} beside {$step->portions[0]->name}",
                    );
                }
            }
            Assert::assertTrue(
                !$step->portions[0]->paste || !str_contains(implode(' ', Told::all($step->how)), 'sprays'),
                "{$this->where}: a tin in sprays",
            );
        }
    }

    public function sealsDryWheelsWetly(): void
    {
        foreach ($this->steps as $id => $step) {
            if (
                $step->kind === 'wheels-topper' &&
                $this->bottles[$step->portions[0]->productId]->applied === 'wet-rinse'
            ) {
                Assert::assertArrayNotHasKey(
                    'wheels-dry',
                    $this->before[$id],
                    "{$this->where}: sealant of a wet way on dried wheels",
                );
            }
            if ($step->kind === 'tyres' && isset($this->steps['wheels-dry'])) {
                Assert::assertArrayHasKey('wheels-dry', $this->before[$id], "{$this->where}: dressing on wet tyres");
            }
        }
    }

    /** What the bench says of goes, rinse, towels and topper is what the steps do. */
    public function contradictsTheMatch(): void
    {
        foreach ($this->laying->sections as $plan) {
            if ($plan->mode !== SectionPlan::GOES && $plan->mode !== SectionPlan::WHOLE) {
                continue;
            }
            $has = count(
                array_filter(
                    $this->steps,
                    static fn(VisitStep $step): bool => $step->kind === $plan->kind &&
                        !str_starts_with($step->id, 'foam-again') &&
                        !str_ends_with($step->id, '-2') &&
                        !str_contains($step->id, '-2.'),
                ),
            );
            Assert::assertSame(
                $plan->goes,
                $has,
                "{$this->where}: " . Told::en($plan->says) . " and {$has} steps of {$plan->kind}",
            );
        }
        $topper = array_filter(
            $this->steps,
            static fn(VisitStep $step): bool => array_filter(
                $step->portions,
                static fn(Portion $portion): bool => $portion->role === Role::Topper && $portion->zone === Zone::Paint,
            ) !== [],
        );
        Assert::assertSame(
            $this->laying->match->topper->best() !== null,
            $topper !== [],
            "{$this->where}: topper of the match and of the steps",
        );
        $scope = $this->laying->situation->asked->scope;
        Assert::assertSame($scope->has(Item::Jambs), isset($this->steps['jambs']), "{$this->where}: jambs");
        Assert::assertSame(
            $scope->has(Item::Arches) && $scope->has(Item::Wheels),
            isset($this->steps['arches']),
            "{$this->where}: arches",
        );
        foreach ($this->laying->match->choices as $choice) {
            Assert::assertTrue(
                $choice->chosen === null || $choice->need->optional || $this->isUsed($choice),
                "{$this->where}: {$choice->need->key()} is used nowhere",
            );
        }
    }

    public function driesByItselfWhereItMust(): void
    {
        $situation = $this->laying->situation;
        $drying = $this->laying->match->drying;
        Assert::assertTrue(
            !$drying->mayAirDry || ($situation->now->outside->airC > 3.0 && !$situation->vehicle->is(Finish::Matte)),
            "{$this->where}: dries by itself",
        );
        if ($situation->now->outside->airC <= 3.0) {
            Assert::assertArrayHasKey('seals', $this->steps, "{$this->where}: seals in frost");
        }
    }

    public function takesWhatIsNotThere(): void
    {
        $place = $this->laying->situation->place;
        Assert::assertTrue(
            !$this->laying->match->drying->way->blows() || $place->blows(),
            "{$this->where}: blown without power",
        );
        Assert::assertTrue(
            $place->hasWater() ||
                array_sum(
                    array_map(
                        static fn(VisitStep $step): float => $step->kind === 'mix' ? 0.0 : $step->waterL,
                        $this->steps,
                    ),
                ) === 0.0,
            "{$this->where}: rinsed without water",
        );
        foreach ($this->bottles as $bottle) {
            Assert::assertTrue(
                $place->hasWater() || !in_array($bottle->applied, ['wet-rinse', 'foam-rinse'], true),
                "{$this->where}: {$bottle->name} can't be rinsed off",
            );
            Assert::assertTrue(
                $bottle->traits->ph >= 4.0 ||
                    in_array($bottle->id, $this->laying->situation->asked->taken, true) ||
                    !$bottle->traits->role->cleans(),
                "{$this->where}: an acid chosen by itself",
            );
        }
    }

    public function staysHot(): void
    {
        $situation = $this->laying->situation;
        Assert::assertLessThanOrEqual(40.0 + 1e-9, $situation->now->panelC, "{$this->where}: worked hot");
        Assert::assertSame(
            $situation->cooling !== null,
            isset($this->steps['cool']),
            "{$this->where}: cooled in the match and not in the steps",
        );
        foreach ($this->laying->match->choices as $choice) {
            $bottle = $choice->chosen?->bottle;
            Assert::assertTrue(
                $bottle?->traits->maxC === null ||
                    $situation->meets($choice->need->role, $bottle->applied)->panelC <= $bottle->traits->maxC,
                "{$this->where}: too hot for {$bottle?->name}",
            );
        }
    }

    public function losesWhatIsPlanned(): void
    {
        $asked = $this->laying->situation->asked;
        $done = array_filter(array_map(static fn(VisitStep $step): ?Kind => $step->fulfils, $this->steps));
        Assert::assertSame(
            $asked->wants(Kind::Inspection),
            in_array(Kind::Inspection, $done, true),
            "{$this->where}: inspection",
        );
        if ($asked->wants(Kind::Decon) && $this->laying->match->choice(Role::Iron, Zone::Paint)?->chosen !== null) {
            Assert::assertContains(Kind::Decon, $done, "{$this->where}: decontamination");
        }
        if ($asked->wants(Kind::Topper) && $this->laying->match->topper->best() !== null) {
            Assert::assertContains(Kind::Topper, $done, "{$this->where}: topper");
        }
        if ($asked->wants(Kind::Base) && $this->laying->match->choice(Role::Base, Zone::Paint)?->chosen !== null) {
            Assert::assertContains(Kind::Base, $done, "{$this->where}: base");
        }
    }

    /** @param list<string> $kinds */
    private function hasBefore(string $id, array $kinds): bool
    {
        return array_filter(
            array_keys($this->before[$id]),
            fn(string $before): bool => in_array($this->steps[$before]->kind, $kinds, true),
        ) !== [];
    }

    private function isUsed(Choice $choice): bool
    {
        return array_filter(
            $this->steps,
            static fn(VisitStep $step): bool => $step->uses($choice->chosen->bottle->id ?? ''),
        ) !== [];
    }

    public function people(): int
    {
        return $this->outfit->crew;
    }
}
