<?php

declare(strict_types=1);

namespace Vicissa\Core\Sheet\Visit;

use Vicissa\Core\Drying\Film;
use Vicissa\Core\Matching\Finish;
use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Turn\Choice;
use Vicissa\Core\Matching\Turn\Decision;
use Vicissa\Core\Matching\Turn\School;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Matching\Turn\Situation;
use Vicissa\Core\Matching\Turn\Softening;
use Vicissa\Core\Matching\Turn\Step;
use Vicissa\Core\Matching\Turn\TurnMatch;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Stage;
use Vicissa\Core\Water\Spots;

/**
 * The course of a visit: every step of domain §2 the match asks for, with what it waits for. Stretches of it are laid one
 * after the other; each begins after what the one before it ends with.
 */
final readonly class Course
{
    private StepMaker $make;

    public function __construct(
        private TurnMatch $match,
        private Situation $situation,
        private Schools $schools,
        private Outfit $outfit,
        private Panels $panels,
        Portions $portions,
    ) {
        $this->make = new StepMaker($match, $situation, $outfit, $portions);
    }

    /** @return list<VisitStep> */
    public function steps(): array
    {
        $begin = $this->begin();
        $wheelsFirst = $this->schools->is(School::Wheels, 'wheels-first');
        $ready = array_map(static fn(VisitStep $step): string => $step->id, $begin);
        $wheels = $this->wheels(['look']);
        $soften = $this->soften($ready);
        // With wheels first the paint is wetted when they are done; else they wait for the paint's rinse.
        $before = $this->beforeContact($wheelsFirst ? [...$ready, ...self::last($wheels), ...self::last($soften)] : [...$ready, ...self::last($soften)]);
        $wet = $before !== [] ? self::last($before) : [...$ready, ...($wheelsFirst ? self::last($wheels) : []), ...self::last($soften)];
        $wheels = $wheelsFirst ? $wheels : $this->wheels($wet);
        $decon = $this->decon($wheelsFirst ? $wet : [...$wet, ...self::last($wheels)]);
        $then = $decon === [] ? $wet : self::last($decon);
        $wash = $this->wash($then);
        $then = $wash === [] ? $then : self::last($wash);
        $read = $this->make->step('read', Step::Read, 'Read the water again', after: $then);
        // A clean reading that failed is tried again after the decontamination it asked for.
        $once = $this->situation->seen->reading(Stage::AfterWash) !== null && $decon !== [];
        $reads = $once ? [$read, $this->make->step('read', Step::Read, 'Read the water once more', 'read-again', [$read->id, ...self::last($decon)])] : [$read];
        $topper = $this->topper(self::last($reads));
        $clean = $topper === [] ? self::last($reads) : self::last($topper);
        $steps = [...$begin, ...$wheels, ...$soften, ...$before, ...$decon, ...$wash, ...$reads, ...$topper];
        $end = $this->end($clean, self::last($wheels), $wash, $topper);

        return $this->make->told([...$steps, ...$end]);
    }

    /** @return list<VisitStep> */
    private function begin(): array
    {
        $hose = $this->match->method->method()?->needsHose() === true;

        return array_values(array_filter([
            $this->make->step('look', Step::Look, 'Arrive and look'),
            $hose ? $this->make->step('water', Step::Water, 'Settle the water', after: ['look']) : null,
            $this->make->step('mix', Step::Mix, 'Mix', after: $hose ? ['water'] : [], estimate: $this->outfit->rules->minutes('mix', 0.0) + $this->outfit->rules->fill * $this->make->fills()),
        ]));
    }

    /**
     * @param list<string> $after
     * @return list<VisitStep>
     */
    private function wheels(array $after): array
    {
        $main = $this->match->choice(Role::Wheel, Zone::Wheels) ?? $this->match->choice(Role::Soap, Zone::Wheels);
        if ($this->match->method->method()?->needsHose() !== true) {
            return [$this->make->step('wheels-wipe', Step::Wheels, 'Wheels', after: [...$after, 'mix'], of: [$this->match->choice(Role::Rinseless, Zone::Wheels)])];
        }
        $iron = $this->match->choice(Role::Iron, Zone::Wheels);
        $ironed = $iron?->chosen !== null;
        $soap = $main?->need->role !== Role::Wheel || $main->chosen === null;
        $steps = $soap
            ? [$this->make->step('wheels-brush', Step::Wheels, 'Wheels, with soap', after: [...$after, 'mix'], of: [$main])]
            : [
                $this->make->step('wheels-spray', Step::Wheels, 'Spray the wheels', after: $after, of: [$main]),
                $this->make->step('wheels-brush', Step::Wheels, 'Work the wheels', wait: $this->make->wait('wheels-spray', $main, 60.0)),
            ];
        $steps[] = $this->make->step('wheels-rinse', Step::Wheels, 'Rinse the wheels', wait: new Wait('wheels-brush', 0.0, 180.0));
        if ($ironed) {
            $steps[] = $this->make->step('wheels-iron', Step::Wheels, 'Iron remover on the wheels', after: ['wheels-rinse'], of: [$iron]);
            $steps[] = $this->make->step('wheels-iron-rinse', Step::Wheels, 'Rinse the wheels very thoroughly', wait: $this->make->wait('wheels-iron', $iron, 60.0));
        }

        return $steps;
    }

    /**
     * @param list<string> $after
     * @return list<VisitStep>
     */
    private function soften(array $after): array
    {
        if (! $this->make->has(Step::Soften)) {
            return [];
        }
        $choice = $this->choiceOf(Step::Soften);

        return [
            $this->make->step('soften', Step::Soften, 'Soften what sits fast', after: $after, of: [$choice]),
            $this->make->step('soften-wipe', Step::Soften, 'Lift it off, without rubbing', wait: $this->make->wait('soften', $choice, 30.0) ?? new Wait('soften', 120.0, 480.0)),
        ];
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
                Softening::PreWash => $this->softened('prewash', "prewash{$mark}", Step::PreWash, 'Pre-wash spray', 'Rinse the pre-wash', $after),
                Softening::Foam => $this->softened('foam', "foam{$mark}", Step::Foam, $mark === '' ? 'Foam' : 'Foam again', 'Rinse the foam', $after),
                // The wash itself rinses it off; it is laid with each go of the wash.
                Softening::FoamAgain => [],
            };
            $steps = [...$steps, ...$new];
            $after = $new === [] ? $after : self::last($new);
        }

        return $steps;
    }

    /**
     * Spray or foam, in as many goes as its window asks for: on, the gaps brushed while foam works, off.
     *
     * @param list<string> $after
     * @return list<VisitStep>
     */
    private function softened(string $kind, string $id, Step $of, string $on, string $off, array $after): array
    {
        $choice = $this->choiceOf($of);
        $steps = [];
        foreach (self::numbered($this->panels->inGoes($this->make->goes($of))) as $i => [$go, $part, $mark]) {
            $steps[] = $this->make->step($kind, $of, $on.$mark, "{$id}{$part}", $after, of: [$choice], go: $go);
            $wait = $this->make->wait("{$id}{$part}", $choice, $this->situation->rules->pace[$of->value] * $go['share'] * $this->situation->vehicle->paintM2);
            $gaps = $kind === 'foam' && $i === 0 && $this->mayBrush();
            if ($gaps) {
                $steps[] = $this->make->step('gaps', $of, 'Detail brush in the gaps while it works', "gaps-{$id}", after: ["{$id}{$part}"]);
            }
            $steps[] = $this->make->step("{$kind}-rinse", Step::Rinse, $off.$mark, "{$id}-rinse{$part}", $gaps ? ["gaps-{$id}"] : [], $wait, go: $go);
            $after = ["{$id}-rinse{$part}"];
        }

        return $steps;
    }

    /** Long enough a window for the brush, and nothing loose or matte for it to catch on. */
    private function mayBrush(): bool
    {
        $choice = $this->choiceOf(Step::Foam);

        return ! $this->situation->seen->looseEdges
            && ! $this->situation->vehicle->is(Finish::Matte)
            && ($choice?->atMostS === null || $choice->atMostS >= 60.0 * $this->outfit->rules->minutes('gaps', 0.0) + 60.0);
    }

    /**
     * @param list<string> $after
     * @return list<VisitStep>
     */
    private function decon(array $after): array
    {
        $steps = [];
        foreach ([[Role::Iron, 'iron', 'Iron remover', 'Rinse the iron remover'], [Role::Tar, 'tar', 'Tar and sap, dissolved', 'Rinse the tar remover'], [Role::ClayLube, 'clay', 'Clay, as the last resort', 'Rinse after the clay']] as [$role, $kind, $on, $off]) {
            $choice = $this->match->choice($role, Zone::Paint);
            if ($choice?->chosen === null || $choice->need->step !== Step::Decon) {
                continue;
            }
            // Clay is worked wet, a panel at a time; the others sit.
            $goes = $role === Role::Iron ? $this->panels->inGoes($this->make->goes(Step::Decon)) : [['panels' => [], 'share' => 1.0]];
            foreach (self::numbered($goes) as [$go, $part, $mark]) {
                $steps[] = $this->make->step($kind, Step::Decon, $on.$mark, "{$kind}{$part}", $after, of: [$choice], go: $go);
                $wait = $role === Role::ClayLube ? new Wait("{$kind}{$part}", 0.0, 180.0) : $this->make->wait("{$kind}{$part}", $choice, $role === Role::Tar ? 30.0 : $this->situation->rules->pace['decon'] * $go['share'] * $this->situation->vehicle->paintM2);
                $steps[] = $this->make->step("{$kind}-rinse", Step::Decon, $off.$mark, "{$kind}-rinse{$part}", wait: $wait, go: $go);
                $after = ["{$kind}-rinse{$part}"];
            }
        }

        return $steps;
    }

    /**
     * The contact wash, go by go: foam as lubricant where the stages ask for it, wash, rinse within minutes.
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
            return [$this->washGo('wash', '', $after, ['panels' => $this->panels->ids(), 'share' => 1.0], null)];
        }
        $lubricated = array_filter($this->match->method->chosen->path->stages, static fn(array $stage): bool => $stage['stage'] === Softening::FoamAgain) !== [];
        $goes = $this->panels->inGoes(max($lubricated ? $this->make->goes(Step::Foam) : 1, (int) ceil($this->situation->vehicle->paintM2 / $this->outfit->rules->goM2 - 1e-9)));
        $steps = [];
        $tall = $this->make->isTall();
        if ($tall) {
            $steps[] = $this->make->step('platform', Step::Wash, 'Set up the platform', after: ['look']);
            $after = [...$after, 'platform'];
        }
        $water = new Refills($this->match, $this->situation, $this->outfit);
        $foam = $this->choiceOf(Step::Foam);
        foreach (self::numbered($goes) as $i => [$go, $part, $mark]) {
            $refill = $water->before($goes, $i);
            if ($refill !== null) {
                $steps[] = $this->make->step('refill', Step::FinalRinse, 'Fill the tank again', "refill{$part}", $i === 0 ? [] : ['rinse.'.$i], how: [$refill['says']]);
            }
            if ($lubricated) {
                $steps[] = $this->make->step('foam', Step::Foam, 'Foam again as lubricant'.$mark, "foam-again{$part}", $after, of: [$foam], go: $go);
                $after = ["foam-again{$part}"];
            }
            $wait = $lubricated ? $this->make->wait("foam-again{$part}", $foam, $this->situation->rules->pace['foam'] * $go['share'] * $this->situation->vehicle->paintM2) : null;
            $wash = $this->washGo("wash{$part}", $mark, $after, $go, $wait === null ? null : new Wait($wait->of, 0.0, $wait->maxS, $wait->film, $wait->labelMaxS, $wait->onS));
            if ($refill !== null && $wait === null) {
                // Soap must not wait for water: the wash begins when the tank will be full by its end.
                $wash = $this->make->waiting($wash, new Wait("refill{$part}", max(0.0, 60.0 * ($refill['minutes'] - $wash->minutes)), null));
            }
            $steps[] = $wash;
            $steps[] = $this->make->step('rinse', Step::FinalRinse, "Final rinse{$mark}", "rinse{$part}", wait: new Wait("wash{$part}", 0.0, 60.0 * $this->outfit->rules->rinseWithin, Film::SheetedRinse), go: $go);
            $after = ["rinse{$part}"];
        }

        return $steps;
    }

    /**
     * @param list<string> $after
     * @param array{panels: list<string>, share: float} $go
     */
    private function washGo(string $id, string $mark, array $after, array $go, ?Wait $wait): VisitStep
    {
        $method = $this->match->method->chosen?->method->value ?? '';
        $dirtier = 1.0 + $this->outfit->rules->dirtier * max(0, $this->situation->seen->soil - 2);
        $estimate = $this->outfit->rules->minutes('wash', 0.0) + ($this->outfit->rules->washM2[$method] ?? 2.0) * $go['share'] * $this->situation->vehicle->paintM2 * $dirtier;
        $roof = in_array($go['panels'][0] ?? '', ['roof', 'roof-front'], true);
        [$people, $share] = $this->byBoth();

        return $this->make->step(
            'wash',
            Step::Wash,
            ($roof && $this->make->isTall() ? 'Wash, roof first' : 'Wash').$mark,
            $id,
            $after,
            $wait,
            of: array_values(array_filter($this->match->choices, static fn(Choice $choice): bool => $choice->need->step === Step::Wash)),
            go: $go,
            estimate: $share * $estimate,
            people: $people,
            textiles: $this->match->towels === null ? (str_contains($method, 'mitt') ? ['mitts' => $method === 'two-mitts' ? 2 : 1] : []) : ['sides' => (int) ceil($this->match->towels->sides * $go['share'])],
        );
    }

    /**
     * @param list<string> $after
     * @return list<VisitStep>
     */
    private function topper(array $after): array
    {
        $choice = $this->match->choice(Role::Topper, Zone::Paint);
        if ($choice?->chosen === null || $this->match->topper->best() === null || ! in_array($choice->chosen->bottle->applied, ['wet-rinse', 'foam-rinse', null], true)) {
            return [];
        }
        $steps = [];
        foreach (self::numbered($this->panels->inGoes($this->make->goes(Step::Topper))) as [$go, $part, $mark]) {
            $onS = $this->situation->rules->pace['topper'] * $go['share'] * $this->situation->vehicle->paintM2;
            $steps[] = $this->make->step('topper', Step::Topper, 'Topper'.$mark, "topper{$part}", $after, of: [$choice], go: $go, onlyIf: $this->onlyIf());
            // Sprayed and rinsed panel after panel where it may sit but for a moment.
            $wait = $this->make->wait("topper{$part}", $choice, 0.0);
            $steps[] = $this->make->step('topper-rinse', Step::Topper, 'Rinse the topper hard'.$mark, "topper-rinse{$part}", onlyIf: $this->onlyIf(), wait: $wait === null ? new Wait("topper{$part}", 0.0, 60.0) : new Wait($wait->of, $wait->minS, $wait->maxS === null ? null : max($wait->minS, min($wait->maxS, 60.0 + $onS)), $wait->film, $wait->labelMaxS, 0.0), go: $go);
            $after = ["topper-rinse{$part}"];
        }

        return $steps;
    }

    /**
     * @param list<string> $clean   what the last water ends with
     * @param list<string> $wheels
     * @param list<VisitStep> $wash
     * @param list<VisitStep> $topper
     * @return list<VisitStep>
     */
    private function end(array $clean, array $wheels, array $wash, array $topper): array
    {
        $m2 = $this->situation->vehicle->paintM2;
        $way = $this->match->drying->way;
        [$people, $share] = $this->byBoth();
        $lastWater = ($topper === [] ? $wash : $topper);
        $last = $lastWater === [] ? null : $lastWater[count($lastWater) - 1];
        $spots = $this->match->finalRinse->residue?->spots;
        // Where marks would show, drying begins before the last rinse has dried by itself.
        $wait = $last !== null && $spots?->worseThan(Spots::Faint) === true && $this->match->finalRinse->workingS !== null
            ? new Wait($last->id, 0.0, max(120.0, $this->match->finalRinse->workingS), Film::BeadedRinse) : null;
        $aid = array_values(array_filter($this->match->choices, static fn(Choice $choice): bool => $choice->chosen !== null && $choice->need->zone === Zone::Paint
            && ($choice->need->role === Role::DryingAid || ($choice->need->role === Role::Topper && $choice->chosen->bottle->applied === 'drying-aid'))));
        $wipe = $this->match->topper->best()?->bottle->applied === 'wipe' ? $this->match->choice(Role::Topper, Zone::Paint) : null;
        $sealant = $this->match->choice(Role::Topper, Zone::Wheels);
        $tyre = $this->match->choice(Role::Tyre, Zone::Tyres);
        $trim = array_values(array_filter($this->match->choices, static fn(Choice $choice): bool => $choice->need->role === Role::Trim && $choice->chosen !== null))[0] ?? null;
        [$from, $to] = $this->outfit->rules->tyreWipe;

        $steps = array_values(array_filter([
            $this->make->step('dry', Step::Dry, 'Dry', after: $clean, wait: $wait, of: $aid, estimate: $this->outfit->rules->minutes('dry', $m2) + $share * ($this->outfit->rules->dryM2[$way] ?? 1.0) * $m2, people: $people, textiles: array_diff_key($this->match->drying->towels, ['wheels' => 0])),
            $this->make->step('wheels-dry', Step::Dry, 'Dry the wheels, with their own towel', after: [...$clean, ...$wheels], textiles: ['wheels' => $this->match->drying->towels['wheels'] ?? 1]),
            $sealant?->chosen !== null ? $this->make->step('wheels-topper', Step::Topper, 'The layer on the wheels', after: ['wheels-dry'], of: [$sealant]) : null,
            $wipe !== null ? $this->make->step('topper-wipe', Step::Topper, 'Topper, wiped on', after: ['dry'], of: [$wipe], go: ['panels' => $this->panels->ids(), 'share' => 1.0], onlyIf: $this->onlyIf()) : null,
            $this->make->step('jambs', Step::Finish, 'Jambs', after: ['dry'], textiles: ['jambs' => 1]),
            $this->make->step('glass', Step::Finish, 'Glass, with its own towel', after: ['dry', ...($wipe !== null ? ['topper-wipe'] : [])], of: [$this->match->choice(Role::Glass, Zone::Glass)], textiles: ['glass' => 1]),
            $trim !== null ? $this->make->step('trim', Step::Finish, 'Trim', after: ['dry'], of: [$trim]) : null,
            $tyre?->chosen !== null ? $this->make->step('tyres', Step::Finish, 'Dress the tyres, clean and dry', after: ['wheels-dry', ...($sealant?->chosen !== null ? ['wheels-topper'] : [])], of: [$tyre]) : null,
            $tyre?->chosen !== null ? $this->make->step('tyres-wipe', Step::Finish, 'Wipe the tyres back', wait: new Wait('tyres', 60.0 * $from, 60.0 * $to)) : null,
        ]));
        $ends = self::ends($steps);

        return [...$steps, $this->make->step('check', Step::HandOver, 'Second look, twice round', after: $ends), $this->make->step('hand-over', Step::HandOver, 'Hand over, write it down', after: ['check'])];
    }

    /**
     * Where a vehicle is tall enough for a platform and there are two, they wash and dry it together: one above, one below.
     *
     * @return array{int, float} how many, and the share of the minutes it then takes
     */
    private function byBoth(): array
    {
        return $this->make->isTall() && $this->outfit->crew === 2 ? [2, 0.55] : [1, 1.0];
    }

    /** What the topper depends on; null when it goes on in any case. */
    private function onlyIf(): ?string
    {
        $topper = $this->match->topper;

        return $topper->decision === Decision::Apply ? null : $topper->decision->says().'. '.$topper->why;
    }

    private function choiceOf(Step $step): ?Choice
    {
        // One spray serves both for softening and before the wash: it is chosen once.
        $choice = match ($step) {
            Step::PreWash => $this->match->choice(Role::Prewash, Zone::Paint),
            Step::Foam => $this->match->choice(Role::Foam, Zone::Paint),
            default => array_values(array_filter($this->match->choices, static fn(Choice $choice): bool => $choice->need->step === $step && $choice->chosen !== null))[0] ?? null,
        };

        return $choice?->chosen === null ? null : $choice;
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
