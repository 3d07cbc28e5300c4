<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

use Vicissa\Core\Drying\Film;
use Vicissa\Core\Matching\Finish;
use Vicissa\Core\Matching\Leaves;
use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Turn\Choice;
use Vicissa\Core\Matching\Turn\Decision;
use Vicissa\Core\Matching\Turn\DryingWay;
use Vicissa\Core\Matching\Turn\Item;
use Vicissa\Core\Matching\Turn\School;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Matching\Turn\Situation;
use Vicissa\Core\Matching\Turn\Softening;
use Vicissa\Core\Matching\Turn\Step;
use Vicissa\Core\Matching\Turn\TurnMatch;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Protection\Stage;

/**
 * The course of a visit: every step of domain §2 the match asks for, with what it waits for. Stretches of it are laid one
 * after the other; each begins after what the one before it ends with. Nothing is used before it is mixed, and no drop falls before
 * water, leads and platform are set up.
 */
final readonly class Course
{
    private TurnMatch $match;

    private Situation $situation;

    public function __construct(
        private StepMaker $make,
        private Schools $schools,
        private Outfit $outfit,
        private Panels $panels,
        private Sections $sections,
    ) {
        $this->match = $make->match;
        $this->situation = $make->situation;
    }

    /** @return list<VisitStep> */
    public function steps(): array
    {
        $hose = $this->hose();
        $begin = $this->begin();
        $ready = array_map(static fn(VisitStep $step): string => $step->id, $begin);
        $cool = $this->situation->cooling === null ? [] : [$this->make->step('cool', Step::Rinse, 'Cool the panels', after: $ready)];
        $ready = $cool === [] ? $ready : [...$ready, 'cool'];
        $wheelsFirst = $hose && $this->schools->is(School::Wheels, 'wheels-first');
        $wheels = $wheelsFirst ? $this->wheels($ready) : [];
        $soften = $this->soften([...$ready, ...self::last($wheels)]);
        $onPaint = [...$ready, ...self::last($wheels), ...self::last($soften)];
        $before = $this->beforeContact($onPaint);
        $wet = $before === [] ? $onPaint : self::last($before);
        if ($hose && ! $wheelsFirst) {
            // Paint first: the wheels are done while the paint is wet, before anybody touches it.
            $wheels = $this->wheels([...$ready, ...$wet]);
        }
        $decon = $this->decon([...$wet, ...self::last($wheels)]);
        $wash = $this->wash($decon === [] ? [...$wet, ...self::last($wheels)] : self::last($decon));
        $wheels = $hose ? $wheels : $this->wheels([...$ready, ...self::last($wash)]);
        $clay = $this->clay(self::last($wash));
        $clean = $clay === [] ? self::last($wash) : self::last($clay);
        $reads = $this->reads($clean, $decon, $clay);
        $clean = $reads === [] ? $clean : self::last($reads);
        $sealed = $this->wheelSealant([...$clean, ...self::last($wheels)]);
        $topper = $this->topperWet($clean);
        $wetEnd = [...($topper === [] ? $clean : self::last($topper)), ...self::last($sealed)];
        $steps = [...$begin, ...$cool, ...($wheelsFirst ? $wheels : []), ...$soften, ...$before, ...($hose && ! $wheelsFirst ? $wheels : []), ...$decon, ...$wash, ...($hose ? [] : $wheels), ...$clay, ...$reads, ...$topper, ...$sealed];
        $lastWater = array_values(array_filter([...$wash, ...$clay, ...$topper], static fn(VisitStep $step): bool => $step->waterL > 0.0));

        return [...$steps, ...$this->end($wetEnd, self::last($wheels), $lastWater === [] ? null : $lastWater[count($lastWater) - 1])];
    }

    private function hose(): bool
    {
        return $this->match->method->method()?->needsHose() === true;
    }

    /** @return list<VisitStep> */
    private function begin(): array
    {
        $hose = $this->hose();

        return array_values(array_filter([
            $this->make->step('look', Step::Look, 'Arrive and look', more: ['reads' => $hose ? Stage::Arrival : null]),
            $hose ? $this->make->step('water', Step::Water, 'Settle the water', after: ['look']) : null,
            $this->make->step('mix', Step::Mix, 'Mix', after: $hose ? ['look', 'water'] : ['look']),
            $this->make->isTall() ? $this->make->step('platform', Step::Wash, 'Set up the platform', after: ['look']) : null,
        ]));
    }

    /**
     * @param list<string> $after
     * @return list<VisitStep>
     */
    private function wheels(array $after): array
    {
        $scope = $this->situation->asked->scope;
        if (! $scope->has(Item::Wheels)) {
            return $scope->isQuick() ? [$this->make->step('wheels-pass', Step::Wheels, 'Wheels in passing', after: $after, more: ['textiles' => $this->hose() ? [] : ['wheels' => $this->towels('wheels')]])] : [];
        }
        if (! $this->hose()) {
            $with = $this->match->choice($this->match->method->method()?->role() ?? Role::Rinseless, Zone::Wheels);

            return [$this->make->step('wheels-wipe', Step::Wheels, 'Wheels, with the last towels', after: $after, of: [$with], more: ['textiles' => ['wheels' => $this->towels('wheels')]]), ...$this->arches(['wheels-wipe'])];
        }
        $main = $this->match->choice(Role::Wheel, Zone::Wheels);
        $steps = $main?->chosen === null ? $this->wheelsWithSoap($main, $after) : $this->wheelsWith($main, $after);
        $iron = $this->match->choice(Role::Iron, Zone::Wheels);
        if ($iron?->chosen !== null) {
            $steps = [...$steps, ...$this->wheelsIron($iron, self::last($steps))];
        }

        return [...$steps, ...$this->arches(self::last($steps))];
    }

    /**
     * @param list<string> $after
     * @return list<VisitStep>
     */
    private function arches(array $after): array
    {
        return $this->situation->asked->scope->has(Item::Arches) ? [$this->make->step('arches', Step::Wheels, 'Arches and liners', after: $after)] : [];
    }

    /**
     * @param Choice|null $wished  a cleaner that was wished for and can't be had
     * @param list<string> $after
     * @return list<VisitStep>
     */
    private function wheelsWithSoap(?Choice $wished, array $after): array
    {
        $soap = $this->match->choice(Role::Soap, Zone::Wheels) ?? $this->match->choice(Role::Soap, Zone::Paint);
        $with = $soap?->chosen === null || ! in_array(Zone::Wheels, $soap->chosen->bottle->traits->surfaces, true) ? $this->match->choice(Role::Soap, Zone::Wheels) : $soap;

        return [
            $this->make->step('wheels-brush', Step::Wheels, $with?->chosen === null ? 'Wheels, with water and brush' : 'Wheels, with soap', after: $after, of: [$with], more: $wished === null ? [] : ['how' => [$wished->why]]),
            $this->make->step('wheels-rinse', Step::Wheels, 'Rinse the wheels', wait: new Wait('wheels-brush', 0.0, 180.0)),
        ];
    }

    /**
     * All four at once where the label leaves the time for it; else pair by pair, wheel by wheel; and where even one can't be worked in it, rinsed
     * first and brushed with soap.
     *
     * @param list<string> $after
     * @return list<VisitStep>
     */
    private function wheelsWith(Choice $choice, array $after): array
    {
        $plan = $this->sections->wheels($choice);
        if ($plan->mode === SectionPlan::WHOLE) {
            $brushS = $this->make->seconds('wheels-brush');
            $gap = 60.0;
            $least = $choice->chosen->bottle->traits->dwellMinS ?? 0.0;
            $most = $choice->atMostS === null ? null : max($least, $choice->atMostS - $brushS - $gap - max($this->make->seconds('wheels-spray'), $this->make->seconds('wheels-rinse')));

            return [
                $this->make->step('wheels-spray', Step::Wheels, 'Spray the wheels', after: $after, of: [$choice]),
                $this->make->step('wheels-brush', Step::Wheels, 'Work the wheels', wait: new Wait('wheels-spray', $least, $most, Film::PreSpray, $choice->chosen?->bottle->dwellMaxS, $this->make->seconds('wheels-spray'))),
                $this->make->step('wheels-rinse', Step::Wheels, 'Rinse the wheels very thoroughly', wait: new Wait('wheels-brush', 0.0, $gap)),
            ];
        }
        $worked = $plan->mode === SectionPlan::GOES;
        $steps = [];
        foreach (self::parts($plan->goes) as [$share, $part, $mark]) {
            $brush = $worked ? $this->make->estimate('wheels-brush', $share) : 0.0;
            $dwell = $choice->chosen->bottle->traits->dwellMinS ?? 0.0;
            $estimate = $this->make->estimate('wheels-spray', $share) + $brush + $this->make->estimate('wheels-rinse', $share) + $dwell / 60.0;
            $steps[] = $this->make->step('wheels-each', Step::Wheels, ($worked ? 'Spray, work and rinse' : 'Spray, wait and rinse').$this->portionOfWheels($plan->goes).$mark, "wheels-each{$part}", $after, of: [$choice], go: ['panels' => [], 'share' => $share], estimate: $estimate, more: [
                'lies' => [new Lying($choice->chosen->bottle->id ?? '', $dwell + $this->paceS('wheels-brush', $brush) + $this->paceS('wheels-rinse', $this->make->estimate('wheels-rinse', $share)), $dwell, $choice->atMostS, $dwell)],
            ]);
            $after = ["wheels-each{$part}"];
        }

        return $worked ? $steps : [...$steps, ...$this->wheelsWithSoap(null, $after)];
    }

    private function portionOfWheels(int $goes): string
    {
        return match ($goes <=> $this->outfit->wheels()) {
            -1 => ', a pair',
            0 => ', one wheel',
            default => ', part of a wheel',
        };
    }

    private function paceS(string $kind, float $estimate): float
    {
        return 60.0 * $estimate * $this->outfit->pace->factor($kind);
    }

    /**
     * @param list<string> $after
     * @return list<VisitStep>
     */
    private function wheelsIron(Choice $choice, array $after): array
    {
        $plan = $this->sections->wheelsIron($choice);
        if ($plan->mode === SectionPlan::WHOLE) {
            return [
                $this->make->step('wheels-iron', Step::Wheels, 'Iron remover on the wheels', after: $after, of: [$choice]),
                $this->make->step('wheels-iron-rinse', Step::Wheels, 'Rinse the wheels very thoroughly', wait: $this->wait('wheels-iron', $choice, $this->make->seconds('wheels-iron'), $this->make->seconds('wheels-iron-rinse'))),
            ];
        }
        $steps = [];
        foreach (self::parts($plan->goes) as [$share, $part, $mark]) {
            $dwell = $choice->chosen->bottle->traits->dwellMinS ?? 0.0;
            $off = $this->make->estimate('wheels-iron-rinse', $share);
            $steps[] = $this->make->step('wheels-iron-each', Step::Wheels, 'Iron remover, and rinsed'.$this->portionOfWheels($plan->goes).$mark, "wheels-iron-each{$part}", $after, of: [$choice], go: ['panels' => [], 'share' => $share], estimate: $this->make->estimate('wheels-iron', $share) + $dwell / 60.0 + $off, more: [
                'lies' => [new Lying($choice->chosen->bottle->id ?? '', $dwell + $this->paceS('wheels-iron-rinse', $off), $dwell, $choice->atMostS, $dwell)],
            ]);
            $after = ["wheels-iron-each{$part}"];
        }

        return $steps;
    }

    /**
     * @param list<string> $after
     * @return list<VisitStep>
     */
    private function soften(array $after): array
    {
        $use = $this->match->softener();
        $stuck = $this->match->isStuckOn();
        if ($use === null && ! $stuck) {
            return [];
        }
        $name = $stuck ? 'Soften what sits fast, and the lower third' : 'Soften the lower third';
        $rinse = $this->hose() && ($this->match->method->chosen->path->stages[0]['stage'] ?? null) !== Softening::Rinse;
        $limit = $use?->atMostS;
        $least = $use?->chosen?->bottle->traits->dwellMinS ?? 120.0;
        $takes = max($this->make->seconds('soften'), $this->make->seconds('soften-wipe'));
        if ($limit !== null && ceil($least / 60.0) > floor(($limit - $takes) / 60.0)) {
            // Too short for all of it at once: spot by spot.
            $dwell = min($least, $limit);
            $steps = [$this->make->step('soften-each', Step::Soften, "{$name}, spot by spot", after: $after, of: [$use], estimate: $this->make->estimate('soften') + $this->make->estimate('soften-wipe') + 2.0 * $dwell / 60.0, more: [
                'lies' => $use === null ? [] : [new Lying($use->chosen->bottle->id ?? '', $dwell, $dwell, $limit, $least)],
            ])];
        } else {
            $steps = [
                $this->make->step('soften', Step::Soften, $name, after: $after, of: [$use]),
                $this->make->step('soften-wipe', Step::Soften, 'Lift it off, without rubbing', wait: $use === null ? new Wait('soften', 120.0, 480.0) : $this->wait('soften', $use, $this->make->seconds('soften'), $this->make->seconds('soften-wipe'))),
            ];
        }

        return $rinse ? [...$steps, $this->make->step('soften-rinse', Step::Rinse, 'Rinse the softener off', after: self::last($steps))] : $steps;
    }

    /**
     * @param list<string> $after
     * @return list<VisitStep>
     */
    private function beforeContact(array $after): array
    {
        $steps = [];
        $times = [];
        foreach ($this->match->method->chosen->path->stages ?? [] as ['stage' => $stage]) {
            $times[$stage->value] = ($times[$stage->value] ?? 0) + 1;
            $mark = $times[$stage->value] > 1 ? '-'.$times[$stage->value] : '';
            $new = match ($stage) {
                Softening::Rinse => [$this->make->step('first-rinse', Step::Rinse, 'Rinse the dirt off', after: $after)],
                Softening::PreWash => $this->sprayed('prewash', "prewash{$mark}", Step::PreWash, $this->match->choice(Role::Prewash, Zone::Paint), 'Pre-wash spray', 'Rinse the pre-wash', $after),
                Softening::Foam => $this->sprayed('foam', "foam{$mark}", Step::Foam, $this->match->choice(Role::Foam, Zone::Paint), $mark === '' ? 'Foam' : 'Foam again', 'Rinse the foam', $after),
                // The wash itself rinses it off; it is laid with each go of the wash.
                Softening::FoamAgain => [],
            };
            $steps = [...$steps, ...$new];
            $after = $new === [] ? $after : self::last($new);
        }
        $strip = $this->match->choice(Role::Prewash, Zone::Paint);
        if ($strip?->need->toStrip === true && $strip->chosen !== null && $this->hose() && ! isset($times[Softening::PreWash->value])) {
            $steps = [...$steps, ...$this->sprayed('prewash', 'prewash', Step::PreWash, $strip, 'Strip what is on', 'Rinse it off very thoroughly', $after)];
        }

        return $steps;
    }

    /**
     * Put on and rinsed off, in as many goes as its window asks for; the gaps brushed while foam works.
     *
     * @param list<string> $after
     * @param array<string, mixed> $more  of the step that puts it on
     * @return list<VisitStep>
     */
    private function sprayed(string $kind, string $id, Step $of, ?Choice $choice, string $on, string $off, array $after, array $more = [], ?Step $offOf = null): array
    {
        if ($choice?->chosen === null) {
            return [];
        }
        $offOf ??= $of === Step::PreWash || $of === Step::Foam ? Step::Rinse : $of;
        $rest = array_intersect_key($more, ['onlyIf' => 1]);
        $plan = $this->sections->of($of, $kind, $choice);
        if ($plan->mode === SectionPlan::EACH || $plan->mode === SectionPlan::NONE) {
            return [$this->each($kind, $of, $choice, "{$on}, panel by panel", $id, $after, $plan, $more)];
        }
        $steps = [];
        foreach (self::numbered($this->panels->inGoes($plan->goes)) as $i => [$go, $part, $mark]) {
            $steps[] = $this->make->step($kind, $of, $on.$mark, "{$id}{$part}", $after, of: [$choice], go: $go, more: $more);
            $wait = $this->wait("{$id}{$part}", $choice, $this->make->seconds($kind, $go['share']), $this->make->seconds("{$kind}-rinse", $go['share']));
            $gaps = $kind === 'foam' && $i === 0 && $this->mayBrush($wait);
            if ($gaps) {
                $steps[] = $this->make->step('gaps', $of, 'Detail brush in the gaps while it works', "gaps-{$id}", after: ["{$id}{$part}"]);
            }
            $steps[] = $this->make->step("{$kind}-rinse", $offOf, $off.$mark, "{$id}-rinse{$part}", $gaps ? ["gaps-{$id}"] : [], $wait, go: $go, more: $rest);
            $after = ["{$id}-rinse{$part}"];
        }

        return $steps;
    }

    /**
     * One panel from beginning to end, then the next: sprayed while the one before works, where the label leaves the time.
     *
     * @param list<string> $after
     * @param array<string, mixed> $more
     */
    private function each(string $kind, Step $of, Choice $choice, string $name, string $id, array $after, SectionPlan $plan, array $more = []): VisitStep
    {
        $dwell = $choice->chosen->bottle->traits->dwellMinS ?? 0.0;
        [$on, $off] = [$this->make->panelSeconds($kind), $this->make->panelSeconds("{$kind}-rinse")];
        $limit = $plan->limitS ?? INF;
        $inTurn = max($dwell, $on) + $off <= $limit;
        $waits = $inTurn ? max(0.0, $dwell - $on) : $dwell;
        $pace = $this->outfit->pace->factor($kind);
        $estimate = $this->make->estimate($kind) + $this->make->estimate("{$kind}-rinse") + $this->make->panelCount() * $waits / 60.0 / max(0.2, $pace);

        return $this->make->step("{$kind}-each", $of, $name, $id, $after, of: [$choice], go: ['panels' => $this->panels->ids(), 'share' => 1.0], estimate: $estimate, more: [
            'waterL' => $this->outfit->rules->rinseLM2 * $this->situation->vehicle->paintM2,
            'lies' => [new Lying($choice->chosen->bottle->id ?? '', ($inTurn ? max($dwell, $on) : $dwell) + $off, $dwell, $choice->atMostS, $dwell)],
            ...$more,
        ]);
    }

    /** Long enough a window for the brush, and nothing loose or matte for it to catch on. */
    private function mayBrush(?Wait $wait): bool
    {
        return ! $this->situation->asked->scope->isQuick()
            && ! $this->situation->seen->looseEdges
            && ! $this->situation->vehicle->is(Finish::Matte)
            && ($wait?->maxS === null || $wait->maxS >= $this->make->seconds('gaps'));
    }

    /**
     * @param list<string> $after
     * @return list<VisitStep>
     */
    private function decon(array $after): array
    {
        $steps = [];
        $iron = $this->match->choice(Role::Iron, Zone::Paint);
        if ($iron?->chosen !== null) {
            $steps = $this->sprayed('iron', 'iron', Step::Decon, $iron, 'Iron remover', 'Rinse the iron remover very thoroughly', $after, ['fulfils' => $this->planned(Kind::Decon)]);
            $after = $steps === [] ? $after : self::last($steps);
        }
        $tar = $this->match->choice(Role::Tar, Zone::Paint);
        if ($tar?->chosen !== null) {
            $dwell = $tar->chosen->bottle->traits->dwellMinS;
            // Spots, each from beginning to end.
            $steps[] = $this->make->step('tar-each', Step::Decon, 'Tar and sap, dissolved spot by spot and rinsed', 'tar', $after, of: [$tar], estimate: $this->make->estimate('tar') + $this->make->estimate('tar-rinse') + 2.0 * $dwell / 60.0, more: [
                'waterL' => 0.3 * $this->outfit->rules->rinseLM2 * $this->situation->vehicle->paintM2,
                'lies' => [new Lying($tar->chosen->bottle->id, max($dwell, min($tar->atMostS ?? $dwell, $dwell + 15.0)), $dwell, $tar->atMostS, $dwell)],
            ]);
        }

        return $steps;
    }

    private function planned(Kind $kind): ?Kind
    {
        return $this->situation->asked->wants($kind) ? $kind : null;
    }

    /**
     * The wash, go by go: foam as lubricant where the stages ask for it, wash, rinse within minutes.
     *
     * @param list<string> $after
     * @return list<VisitStep>
     */
    private function wash(array $after): array
    {
        $method = $this->match->method->chosen?->method;
        if ($method === null || $method === Method::Touchless) {
            // Touchless: the last foam's rinse is followed by the final one.
            return [$this->make->step('rinse', Step::FinalRinse, 'Final rinse', after: $after)];
        }
        if (! $method->needsHose()) {
            return $this->wiped($method, $after);
        }
        $foam = $this->sections->lubricated() ? $this->match->choice(Role::Foam, Zone::Paint) : null;
        $foam = $foam?->chosen === null ? null : $foam;
        $plan = $this->sections->contact($foam);
        if ($plan->mode === SectionPlan::EACH || $plan->mode === SectionPlan::NONE) {
            return $this->washEach($foam, $after);
        }
        $steps = [];
        $goes = $this->panels->inGoes($plan->goes);
        $done = 0.0;
        $water = new Refills($this->match, $this->situation, $this->outfit);
        foreach (self::numbered($goes) as $i => [$go, $part, $mark]) {
            $refill = $water->before($goes, $i);
            if ($refill !== null) {
                $steps[] = $this->make->step('refill', Step::FinalRinse, 'Fill the tank again', "refill{$part}", $i === 0 ? $after : ['rinse.'.$i], more: ['how' => [$refill['says']]]);
            }
            $wait = null;
            if ($foam !== null) {
                $steps[] = $this->make->step('foam', Step::Foam, 'Foam again as lubricant'.$mark, "foam-again{$part}", $after, of: [$foam], go: $go);
                $onS = $this->make->seconds('foam', $go['share']);
                $wait = new Wait("foam-again{$part}", 0.0, max(0.0, ($foam->atMostS ?? 86400.0) - $onS - $this->washSeconds($go['share']) - 60.0 * $this->outfit->rules->rinseWithin), $foam->atMostS === null ? null : Film::DrainedFoam, $foam->chosen?->bottle->dwellMaxS, $onS);
                $after = ["foam-again{$part}"];
            }
            $wash = $this->washGo("wash{$part}", $mark, $after, $go, $wait)->with(['textiles' => self::shared($this->washTextiles(), $done, $done + $go['share'])]);
            $done += $go['share'];
            if ($refill !== null && $wait === null) {
                // Soap must not wait for water: the wash begins when the tank will be full by its end.
                $wash = $wash->with(['wait' => new Wait("refill{$part}", max(0.0, 60.0 * ($refill['minutes'] - $wash->minutes)), null)]);
            }
            $steps[] = $wash;
            $steps[] = $this->make->step('rinse', Step::FinalRinse, "Final rinse{$mark}", "rinse{$part}", wait: new Wait("wash{$part}", 0.0, 60.0 * $this->outfit->rules->rinseWithin, Film::SheetedRinse), go: $go);
            $after = ["rinse{$part}"];
        }

        return $steps;
    }

    /**
     * Where the window is shorter than any go: one panel washed and rinsed before the next begins.
     *
     * @param list<string> $after
     * @return list<VisitStep>
     */
    private function washEach(?Choice $foam, array $after): array
    {
        $estimate = ($foam === null ? 0.0 : $this->make->estimate('foam')) + $this->outfit->rules->share($this->make->together()) * $this->make->estimate('wash') + $this->make->estimate('first-rinse');
        $lies = [];
        foreach ($this->washes() as $choice) {
            $lies[] = new Lying($choice->chosen->bottle->id ?? '', $this->make->panelSeconds('wash') + $this->make->panelSeconds('rinse'), 0.0, $choice->atMostS, 0.0);
        }
        if ($foam !== null) {
            $lies[] = new Lying($foam->chosen->bottle->id ?? '', $this->make->panelSeconds('foam') + $this->make->panelSeconds('wash') + $this->make->panelSeconds('rinse'), 0.0, $foam->atMostS, 0.0);
        }

        return [
            $this->make->step('wash-each', Step::Wash, 'Wash, panel by panel', 'wash', $after, of: [...$this->washes(), ...($foam === null ? [] : [$foam])], go: ['panels' => $this->panels->ids(), 'share' => 1.0], estimate: $estimate, more: [
                'people' => $this->make->together(), 'textiles' => $this->washTextiles(), 'waterL' => $this->outfit->rules->rinseLM2 * $this->situation->vehicle->paintM2, 'lies' => $lies,
            ]),
            $this->make->step('rinse', Step::FinalRinse, 'Final rinse', after: ['wash']),
        ];
    }

    /**
     * Without a hose: a mist on what comes next, one pass, dried at once; as many panels at a time as stay wet.
     *
     * @param list<string> $after
     * @return list<VisitStep>
     */
    private function wiped(Method $method, array $after): array
    {
        $choice = $this->match->choice($method->role(), Zone::Paint);
        $plan = $this->sections->wiped($method, $choice);
        $people = $this->make->together();
        $dry = $this->match->drying->towels;
        $done = 0.0;
        $made = function (string $kind, string $id, string $name, array $after, array $go, float $estimate, array $more) use ($people, $choice, $dry, &$done): VisitStep {
            $textiles = self::shared([...$this->washTextiles(), ...$dry], $done, $done += $go['share']);

            return $this->make->step($kind, Step::Wash, $name, $id, $after, of: [$choice], go: $go, estimate: $this->outfit->rules->share($people) * $estimate, more: ['people' => $people, 'textiles' => $textiles, ...$more]);
        };
        if ($method === Method::Waterless || $plan->mode === SectionPlan::EACH || $plan->mode === SectionPlan::NONE) {
            $sprays = $method === Method::Waterless ? 0.0 : $this->make->estimate('prespray');

            return [$made('wash-each', 'wash', 'Wash, panel by panel', $after, ['panels' => $this->panels->ids(), 'share' => 1.0], $sprays + $this->make->estimate('wash'), [
                'lies' => $choice?->chosen === null ? [] : [new Lying($choice->chosen->bottle->id, $this->make->panelSeconds('wash'), 0.0, $choice->atMostS, 0.0)],
            ])];
        }
        $steps = [];
        foreach (self::numbered($this->panels->inGoes($plan->goes)) as [$go, $part, $mark]) {
            $onS = $this->make->seconds('prespray', $go['share']);
            $steps[] = $this->make->step('prespray', Step::Wash, 'Pre-spray'.$mark, "prespray{$part}", $after, of: [$choice], go: $go);
            $limit = $choice?->atMostS;
            $wait = new Wait("prespray{$part}", 0.0, $limit === null ? null : max(0.0, $limit - max($onS, $this->washSeconds($go['share']))), $limit === null ? null : Film::PreSpray, $choice?->chosen?->bottle->dwellMaxS, $onS);
            $steps[] = $made('wash', "wash{$part}", 'Wash'.$mark, [], $go, $this->make->estimate('wash', $go['share']), ['wait' => $wait, 'portions' => []]);
            $after = ["wash{$part}"];
        }

        return $steps;
    }

    /** Seconds the contact wash of a share takes, as it is scheduled. */
    private function washSeconds(float $share): float
    {
        return 60.0 * $this->make->paced('wash', $this->outfit->rules->share($this->make->together()) * $this->make->estimate('wash', $share));
    }

    /** @return list<Choice> what the contact wash uses */
    private function washes(): array
    {
        return array_values(array_filter($this->match->choices, static fn(Choice $choice): bool => $choice->need->step === Step::Wash));
    }

    /**
     * What falls to one go of several, so that together they take no more than the whole.
     *
     * @param array<string, int> $textiles
     * @param float $from  share of the vehicle that is done before it, and …
     * @param float $to    … after it
     * @return array<string, int>
     */
    private static function shared(array $textiles, float $from, float $to): array
    {
        // The first go takes out what is needed at all; mitts go on from one to the next.
        $shares = [];
        foreach ($textiles as $use => $n) {
            $shares[$use] = $use === 'mitts' ? $n : (int) ceil($n * $to - 1e-9) - (int) ceil($n * $from - 1e-9);
        }

        return array_filter($shares);
    }

    /** @return array<string, int> for the whole vehicle */
    private function washTextiles(): array
    {
        $towels = $this->match->towels;
        $method = $this->match->method->method();

        return match (true) {
            $towels !== null => ['sides' => $towels->sides],
            $method === Method::TwoMitts => ['mitts' => 2 * $this->mitts()],
            $method === Method::OneMitt => ['mitts' => $this->mitts()],
            default => [],
        };
    }

    private function mitts(): int
    {
        return $this->situation->rules->towelsFor('mitt', $this->situation->vehicle->paintM2);
    }

    private function towels(string $kind): int
    {
        return $this->situation->rules->towelsFor($kind, $this->situation->vehicle->paintM2);
    }

    /**
     * @param list<string> $after
     * @param array{panels: list<string>, share: float} $go
     */
    private function washGo(string $id, string $mark, array $after, array $go, ?Wait $wait): VisitStep
    {
        $roof = in_array($go['panels'][0] ?? '', ['roof', 'roof-front'], true);
        $people = $this->make->together();

        return $this->make->step(
            'wash',
            Step::Wash,
            ($roof && $this->make->isTall() ? 'Wash, roof first' : 'Wash').$mark,
            $id,
            $after,
            $wait,
            of: $this->washes(),
            go: $go,
            estimate: $this->outfit->rules->share($people) * $this->make->estimate('wash', $go['share']),
            more: ['people' => $people],
        );
    }

    /**
     * The last resort, only on washed paint.
     *
     * @param list<string> $after
     * @return list<VisitStep>
     */
    private function clay(array $after): array
    {
        $choice = $this->match->choice(Role::ClayLube, Zone::Paint);
        if ($choice?->chosen === null || $choice->need->step !== Step::Decon || ! $this->hose()) {
            return [];
        }
        $on = $this->make->estimate('clay') + $this->make->estimate('clay-rinse');

        return [$this->make->step('clay-each', Step::Decon, 'Clay, panel by panel, and rinse', 'clay', $after, of: [$choice], go: ['panels' => $this->panels->ids(), 'share' => 1.0], estimate: $on, more: [
            'waterL' => $this->outfit->rules->rinseLM2 * $this->situation->vehicle->paintM2,
            'lies' => [new Lying($choice->chosen->bottle->id, min($choice->atMostS ?? INF, $this->make->panelSeconds('clay') + $this->make->panelSeconds('clay-rinse')), 0.0, $choice->atMostS, 0.0)],
        ])];
    }

    /**
     * @param list<string> $after
     * @param list<VisitStep> $decon
     * @param list<VisitStep> $clay
     * @return list<VisitStep>
     */
    private function reads(array $after, array $decon, array $clay): array
    {
        $quick = $this->situation->asked->scope->isQuick() && $decon === [] && ! $this->situation->asked->wants(Kind::Topper);
        $steps = [];
        if ($this->hose() && ! $quick) {
            $again = $decon !== [] || $clay !== [];
            $steps[] = $this->make->step('read', Step::Read, $again ? 'Read the water, decontaminated and clean' : 'Read the water again', after: $after, more: ['reads' => $again ? Stage::AfterDecon : Stage::AfterWash]);
        }

        return $steps;
    }

    /**
     * A sealant of a wet way goes on wet, clean wheels, sits, and is rinsed off.
     *
     * @param list<string> $after
     * @return list<VisitStep>
     */
    private function wheelSealant(array $after): array
    {
        $choice = $this->match->choice(Role::Topper, Zone::Wheels);
        if ($choice?->chosen === null || $choice->chosen->bottle->applied === 'wipe' || ! $this->hose()) {
            return [];
        }
        $plan = $this->sections->wheelsTopper($choice);
        if ($plan->mode === SectionPlan::WHOLE) {
            return [
                $this->make->step('wheels-topper', Step::Topper, 'Sealant on the wet wheels', after: $after, of: [$choice]),
                $this->make->step('wheels-topper-rinse', Step::Topper, 'Rinse the wheels', wait: $this->wait('wheels-topper', $choice, $this->make->seconds('wheels-topper'), $this->make->seconds('wheels-topper-rinse'))),
            ];
        }
        $steps = [];
        foreach (self::parts($plan->goes) as [$share, $part, $mark]) {
            $dwell = $choice->chosen->bottle->traits->dwellMinS;
            $off = $this->make->estimate('wheels-topper-rinse', $share);
            $steps[] = $this->make->step('wheels-topper', Step::Topper, 'Sealant on wet wheels, and rinsed'.$this->portionOfWheels($plan->goes).$mark, "wheels-topper{$part}", $after, of: [$choice], go: ['panels' => [], 'share' => $share], estimate: $this->make->estimate('wheels-topper', $share) + $dwell / 60.0 + $off, more: [
                'waterL' => $share * $this->outfit->rules->wheelsRinseL * $this->outfit->rules->wheelsOf($this->situation->vehicle->paintM2),
                'lies' => [new Lying($choice->chosen->bottle->id, $dwell + $this->paceS('wheels-topper-rinse', $off), $dwell, $choice->atMostS, $dwell)],
            ]);
            $after = ["wheels-topper{$part}"];
        }

        return $steps;
    }

    /**
     * @param list<string> $after
     * @return list<VisitStep>
     */
    private function topperWet(array $after): array
    {
        $base = $this->match->choice(Role::Base, Zone::Paint);
        if (self::goesOnWet($base) && $this->hose() && ! $this->situation->asked->wants(Kind::Recoat)) {
            return $this->sprayed('topper', 'base', Step::Topper, $base, 'The new base', 'Rinse it hard', $after, ['fulfils' => $this->planned(Kind::Base)]);
        }
        $choice = $this->topperChoice();

        return self::goesOnWet($choice) && $this->hose()
            ? $this->sprayed('topper', 'topper', Step::Topper, $choice, 'Topper', 'Rinse the topper hard', $after, ['onlyIf' => $this->onlyIf(), 'fulfils' => $this->planned(Kind::Topper)]) : [];
    }

    /** Sprayed on wet paint and rinsed off. */
    private static function goesOnWet(?Choice $choice): bool
    {
        $bottle = $choice?->chosen?->bottle;

        return $bottle !== null && in_array($bottle->applied, $bottle->traits->role === Role::Base ? ['wet-rinse', 'foam-rinse'] : ['wet-rinse', 'foam-rinse', null], true);
    }

    /** The topper of the paint, when one stands ready. */
    private function topperChoice(): ?Choice
    {
        $choice = $this->match->choice(Role::Topper, Zone::Paint);

        return $choice?->chosen === null || $this->match->topper->best() === null ? null : $choice;
    }

    /**
     * @param list<string> $clean   what the last water ends with
     * @param list<string> $wheels
     * @return list<VisitStep>
     */
    private function end(array $clean, array $wheels, ?VisitStep $lastWater): array
    {
        $scope = $this->situation->asked->scope;
        $dry = $this->dry($clean, $lastWater);
        $dried = $dry === [] ? $clean : self::last($dry);
        $wheelsDry = $scope->has(Item::Wheels) && $this->hose() ? [$this->make->step('wheels-dry', Step::Dry, 'Dry the wheels, with their own towel', after: [...$clean, ...$wheels], more: ['textiles' => ['wheels' => $this->towels('wheels')]])] : [];
        // On dry paint, before anything new covers it.
        $inspect = $this->situation->asked->wants(Kind::Inspection) ? [$this->make->step('inspect', Step::Read, 'Look the base over', after: $dried, more: ['fulfils' => Kind::Inspection])] : [];
        $dried = $inspect === [] ? $dried : ['inspect'];
        $onDry = [...$this->wheelsWaxed(self::last($wheelsDry)), ...$this->layers($dried)];
        $covered = array_values(array_filter(self::ends($onDry), static fn(string $id): bool => ! str_starts_with($id, 'wheels')));
        $finish = $this->finish($dried, [...self::last($wheelsDry), ...array_values(array_filter(self::ends($onDry), static fn(string $id): bool => str_starts_with($id, 'wheels')))], $covered);
        $steps = [...$dry, ...$inspect, ...$wheelsDry, ...$onDry, ...$finish];
        $ends = array_values(array_unique([...$clean, ...$wheels, ...self::ends($steps)]));

        return [...$steps, $this->make->step('check', Step::HandOver, $scope->isQuick() ? 'A last look' : 'Second look, twice round', after: $ends), $this->make->step('hand-over', Step::HandOver, 'Hand over, write it down', after: ['check'])];
    }

    /**
     * @param list<string> $clean
     * @return list<VisitStep>
     */
    private function dry(array $clean, ?VisitStep $lastWater): array
    {
        $way = $this->match->drying->way;
        $seals = $this->match->drying->seals ? [$this->make->step('seals', Step::Dry, 'Dry seals, locks and jambs', after: $way === DryingWay::AtOnce ? $clean : ['dry'], more: ['textiles' => ['jambs' => $this->towels('jambs')]])] : [];
        if ($way === DryingWay::AtOnce || $way === DryingWay::None) {
            return $seals;
        }
        $people = $this->make->together();
        $aid = array_values(array_filter($this->match->choices, fn(Choice $choice): bool => $choice->chosen !== null && $choice->need->zone === Zone::Paint
            && ($choice->need->role === Role::DryingAid || ($choice->need->role === Role::Topper && $choice->chosen->bottle->applied === 'drying-aid' && $this->topperChoice() !== null))));
        $topperHere = array_filter($aid, static fn(Choice $choice): bool => $choice->need->role === Role::Topper) !== [];
        $more = static fn(array $textiles): array => ['people' => $people, 'textiles' => $textiles];
        $fulfils = $topperHere ? ['fulfils' => $this->planned(Kind::Topper)] : [];
        $share = $this->outfit->rules->share($people);
        $plan = $this->sections->dry($lastWater);
        if ($plan === null || $plan->mode === SectionPlan::WHOLE) {
            $wait = $plan?->limitS === null || $lastWater === null ? null : new Wait($lastWater->id, 0.0, max(0.0, $plan->limitS - max($this->make->seconds('rinse'), 60.0 * $this->make->paced('dry', $share * $this->make->estimate('dry')))), Film::BeadedRinse);

            return [$this->make->step('dry', Step::Dry, 'Dry', after: $clean, wait: $wait, of: $aid, estimate: $share * $this->make->estimate('dry'), more: [...$more($this->match->drying->towels), ...$fulfils]), ...$this->after($seals, ['dry'])];
        }
        if ($plan->mode !== SectionPlan::GOES) {
            // Wetted again and dried at once, one panel after the other, so that nothing dries by itself.
            $estimate = $share * $this->make->estimate('dry') + $this->make->estimate('first-rinse');

            return [$this->make->step('dry', Step::Dry, 'Rinse again and dry, panel by panel', after: $clean, of: $aid, estimate: $estimate, more: [...$more($this->match->drying->towels), ...$fulfils, 'waterL' => $this->outfit->rules->rinseLM2 * $this->situation->vehicle->paintM2]), ...$this->after($seals, ['dry'])];
        }
        $steps = [];
        $after = $clean;
        $done = 0.0;
        foreach (self::numbered($this->panels->inGoes($plan->goes)) as [$go, $part, $mark]) {
            $steps[] = $this->make->step('rinse', Step::FinalRinse, 'Wet again what is dried next'.$mark, "wet{$part}", $after, go: $go);
            $dryS = 60.0 * $this->make->paced('dry', $share * $this->make->estimate('dry', $go['share']));
            $steps[] = $this->make->step('dry', Step::Dry, 'Dry'.$mark, "dry{$part}", wait: new Wait("wet{$part}", 0.0, max(0.0, ($plan->limitS ?? 0.0) - max($this->make->seconds('rinse', $go['share']), $dryS)), Film::BeadedRinse), of: $aid, go: $go, estimate: $share * $this->make->estimate('dry', $go['share']), more: [
                ...$more(self::shared($this->match->drying->towels, $done, $done += $go['share'])), ...$fulfils,
            ]);
            $after = ["dry{$part}"];
        }

        return [...$steps, ...$this->after($seals, $after)];
    }

    /**
     * @param list<VisitStep> $steps
     * @param list<string> $after
     * @return list<VisitStep>
     */
    private function after(array $steps, array $after): array
    {
        return array_map(static fn(VisitStep $step): VisitStep => $step->with(['after' => $after]), $steps);
    }

    /**
     * @param list<string> $dry
     * @return list<VisitStep>
     */
    private function wheelsWaxed(array $dry): array
    {
        $choice = $this->match->choice(Role::Topper, Zone::Wheels);
        $wiped = $choice?->chosen !== null && ($choice->chosen->bottle->applied === 'wipe' || ! $this->hose());

        return $wiped ? [$this->make->step('wheels-topper', Step::Topper, 'The layer on the dry wheels', 'wheels-topper-wipe', $dry, of: [$choice])] : [];
    }

    /**
     * What goes on dry paint at the end: a new base, a wax or topper that is wiped on. It hazes by the weather, panel by panel or in goes.
     *
     * @param list<string> $dried
     * @return list<VisitStep>
     */
    private function layers(array $dried): array
    {
        $steps = [];
        $base = $this->match->choice(Role::Base, Zone::Paint);
        if ($base?->chosen !== null && (! self::goesOnWet($base) || $this->situation->asked->wants(Kind::Recoat))) {
            $kind = $this->planned(Kind::Recoat) ?? $this->planned(Kind::Base);
            $steps = $kind === Kind::Recoat
                ? [$this->make->step('recoat', Step::Topper, 'Coat it anew', after: $dried, of: [$base], go: ['panels' => $this->panels->ids(), 'share' => 1.0], estimate: $this->outfit->rules->share($this->make->together()) * $this->make->estimate('recoat'), more: ['people' => $this->make->together(), 'fulfils' => $kind, 'textiles' => ['topper' => 2 * $this->towels('topper')]])]
                : $this->waxed($base, 'base', 'The new base', $dried, ['fulfils' => $kind]);
            $dried = self::last($steps);
        }
        $topper = $this->topperChoice();
        $applied = $topper?->chosen?->bottle->applied;
        if ($topper !== null && ($applied === 'wipe' || ! $this->hose())) {
            $steps = [...$steps, ...$this->waxed($topper, 'topper', 'Topper', $dried, ['onlyIf' => $this->onlyIf(), 'fulfils' => $this->planned(Kind::Topper)])];
        }

        return $steps;
    }

    /**
     * @param list<string> $after
     * @param array<string, mixed> $more
     * @return list<VisitStep>
     */
    private function waxed(Choice $choice, string $id, string $name, array $after, array $more): array
    {
        $hazes = $choice->chosen?->bottle->paste === true || $choice->chosen?->bottle->traits->leaves === Leaves::Wax || $id === 'base';
        $whole = ['panels' => $this->panels->ids(), 'share' => 1.0];
        $people = $this->make->together();
        $share = $this->outfit->rules->share($people);
        $textiles = ['topper' => $this->towels('topper')];
        if (! $hazes) {
            return [$this->make->step('topper-wipe', Step::Topper, "{$name}, wiped on", "{$id}-wipe", $after, of: [$choice], go: $whole, estimate: $share * $this->make->estimate('topper-wipe'), more: ['people' => $people, 'textiles' => $textiles, ...$more])];
        }
        $rest = array_intersect_key($more, ['onlyIf' => 1]);
        [$least, $most] = $this->sections->haze();
        $goes = $this->sections->waxGoes($most);
        $steps = [];
        foreach (self::numbered($this->panels->inGoes($goes)) as [$go, $part, $mark]) {
            $steps[] = $this->make->step('wax-on', Step::Topper, "{$name}: spread thin{$mark}", "{$id}-on{$part}", $after, of: [$choice], go: $go, estimate: $share * $this->make->estimate('wax-on', $go['share']), more: ['people' => $people, 'textiles' => $part === '' || $part === '.1' ? $textiles : [], ...$more]);
            $steps[] = $this->make->step('wax-off', Step::Topper, "{$name}: buff{$mark}", "{$id}-off{$part}", wait: new Wait("{$id}-on{$part}", $least, $most), go: $go, estimate: $share * $this->make->estimate('wax-off', $go['share']), more: ['people' => $people, 'textiles' => $part === '' || $part === '.1' ? $textiles : [], ...$rest]);
            $after = ["{$id}-off{$part}"];
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
        $trim = array_values(array_filter($this->match->choices, static fn(Choice $choice): bool => $choice->need->role === Role::Trim && $choice->chosen !== null))[0] ?? null;
        [$from, $to] = $this->outfit->rules->tyreWipe;
        $glass = $this->match->choice(Role::Glass, Zone::Glass);

        return array_values(array_filter([
            $scope->has(Item::Jambs) ? $this->make->step('jambs', Step::Finish, 'Jambs', after: $dried, more: ['textiles' => ['jambs' => $this->towels('jambs')]]) : null,
            $scope->has(Item::Glass) ? $this->make->step('glass', Step::Finish, $scope->isQuick() ? 'Glass, with the method’s own towel' : 'Glass, with its own towel', after: [...$dried, ...$covered], of: [$glass], more: ['textiles' => $scope->isQuick() ? [] : ['glass' => $this->towels('glass')]]) : null,
            $scope->has(Item::Trim) && $trim !== null ? $this->make->step('trim', Step::Finish, 'Trim', after: $dried, of: [$trim]) : null,
            $tyre?->chosen !== null ? $this->make->step('tyres', Step::Finish, 'Dress the tyres, clean and dry', after: $wheels === [] ? $dried : $wheels, of: [$tyre]) : null,
            $tyre?->chosen !== null ? $this->make->step('tyres-wipe', Step::Finish, 'Wipe the tyres back', wait: new Wait('tyres', 60.0 * $from, 60.0 * $to)) : null,
        ]));
    }

    /** What the topper depends on; null when it goes on in any case. */
    private function onlyIf(): ?string
    {
        $topper = $this->match->topper;

        return $topper->decision === Decision::Apply ? null : $topper->decision->says().'. '.$topper->why;
    }

    /**
     * What is put on by a step works so long before the next: the panel that waits longest decides.
     *
     * @param float $onS   seconds putting it on takes
     * @param float $offS  seconds taking it off takes
     */
    private function wait(string $of, Choice $choice, float $onS, float $offS): Wait
    {
        $bottle = $choice->chosen?->bottle;
        $min = $bottle->traits->dwellMinS ?? 0.0;
        $film = $bottle?->traits->mayDry === false ? $this->situation->rules->film($choice->need->role, $bottle->applied) : null;

        return new Wait($of, $min, $choice->atMostS === null ? null : max($min, $choice->atMostS - max($onS, $offS)), $film, $bottle?->dwellMaxS, $onS);
    }

    /**
     * @param list<array{panels: list<string>, share: float}> $goes
     * @return list<array{array{panels: list<string>, share: float}, string, string}>  each with what its ids and its names end with
     */
    private static function numbered(array $goes): array
    {
        $n = count($goes);

        return array_map(static fn(int $i, array $go): array => [$go, $n > 1 ? '.'.($i + 1) : '', $n > 1 ? sprintf(', %d of %d', $i + 1, $n) : ''], array_keys($goes), $goes);
    }

    /** @return list<array{float, string, string}> shares of the wheels, each with what its ids and its names end with */
    private static function parts(int $goes): array
    {
        return array_map(static fn(int $i): array => [1.0 / $goes, '.'.$i, sprintf(', %d of %d', $i, $goes)], range(1, $goes));
    }

    /**
     * @param list<VisitStep> $steps
     * @return list<string>
     */
    private static function last(array $steps): array
    {
        return $steps === [] ? [] : [$steps[count($steps) - 1]->id];
    }

    /**
     * @param list<VisitStep> $steps
     * @return list<string> those nothing else among them waits for
     */
    private static function ends(array $steps): array
    {
        $waited = array_merge(...array_map(static fn(VisitStep $step): array => [...$step->after, ...($step->wait === null ? [] : [$step->wait->of])], $steps), ...[[]]);

        return array_values(array_filter(array_map(static fn(VisitStep $step): string => $step->id, $steps), static fn(string $id): bool => ! in_array($id, $waited, true)));
    }
}
