<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit\Stretch;

use Vicissa\Core\Matching\Finish;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Turn\Choice;
use Vicissa\Core\Matching\Turn\Decision;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Matching\Turn\Situation;
use Vicissa\Core\Matching\Turn\Step;
use Vicissa\Core\Matching\Turn\TurnMatch;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Says\Said;
use Vicissa\Core\Visit\Lying;
use Vicissa\Core\Visit\Outfit;
use Vicissa\Core\Visit\Panels;
use Vicissa\Core\Visit\SectionPlan;
use Vicissa\Core\Visit\Sections;
use Vicissa\Core\Visit\StepMaker;
use Vicissa\Core\Visit\VisitStep;
use Vicissa\Core\Visit\Wait;
use Vicissa\Core\Visit\Work;

/** What the stretches of a visit share: its match, its makers, and the ways steps follow each other. */
abstract readonly class Stretch
{
    protected TurnMatch $match;

    protected Situation $situation;

    public function __construct(
        protected StepMaker $make,
        protected Schools $schools,
        protected Outfit $outfit,
        protected Panels $panels,
        protected Sections $sections,
    ) {
        $this->match = $make->match;
        $this->situation = $make->situation;
    }

    protected function hose(): bool
    {
        return $this->match->method->method()?->needsHose() === true;
    }

    /**
     * Put on and rinsed off, in as many goes as its window asks for; the gaps brushed while foam works.
     *
     * @param list<string> $after
     * @param array<string, mixed> $more  of the step that puts it on
     * @return list<VisitStep>
     */
    protected function sprayed(
        string $kind,
        string $id,
        Step $of,
        ?Choice $choice,
        Said $on,
        Said $off,
        array $after,
        array $more = [],
    ): array {
        if ($choice?->chosen === null) {
            return [];
        }
        $offOf = $of === Step::PreWash || $of === Step::Foam ? Step::Rinse : $of;
        $rest = array_intersect_key($more, ['onlyIf' => 1]);
        $plan = $this->sections->of($of, $kind, $choice);
        if ($plan->mode === SectionPlan::EACH || $plan->mode === SectionPlan::NONE) {
            return [
                $this->each(
                    $kind,
                    $of,
                    $choice,
                    Said::of('stretch.panel-by-panel', on: $on),
                    $id,
                    $after,
                    $plan,
                    $more,
                ),
            ];
        }
        $steps = [];
        foreach (self::numbered($this->panels->inGoes($plan->goes)) as $i => [$go, $part, $mark]) {
            $steps[] = $this->make->step(
                new Work($kind, $of, Said::of('stretch.go', what: $on, mark: $mark), "{$id}{$part}"),
                after: $after,
                of: [$choice],
                go: $go,
                more: $more,
            );
            $wait = $this->wait(
                "{$id}{$part}",
                $choice,
                $this->make->seconds($kind, $go['share']),
                $this->make->seconds("{$kind}-rinse", $go['share']),
            );
            $gaps = $kind === 'foam' && $i === 0 && $this->mayBrush($wait);
            if ($gaps) {
                $steps[] = $this->make->step(
                    new Work('gaps', $of, Said::of('stretch.detail-brush-in-the-gaps'), "gaps-{$id}"),
                    after: ["{$id}{$part}"],
                );
            }
            $steps[] = $this->make->step(
                new Work(
                    "{$kind}-rinse",
                    $offOf,
                    Said::of('stretch.go', what: $off, mark: $mark),
                    "{$id}-rinse{$part}",
                ),
                after: $gaps ? ["gaps-{$id}"] : [],
                wait: $wait,
                go: $go,
                more: $rest,
            );
            $after = ["{$id}-rinse{$part}"];
        }

        return $steps;
    }

    /**
     * One panel from beginning to end, then the next: sprayed while the one before works, where the label leaves the
     * time.
     *
     * @param list<string> $after
     * @param array<string, mixed> $more
     */
    protected function each(
        string $kind,
        Step $of,
        Choice $choice,
        Said $name,
        string $id,
        array $after,
        SectionPlan $plan,
        array $more = [],
    ): VisitStep {
        $dwell = $choice->chosen->bottle->traits->dwellMinS ?? 0.0;
        [$on, $off] = [$this->make->panelSeconds($kind), $this->make->panelSeconds("{$kind}-rinse")];
        $limit = $plan->limitS ?? INF;
        $inTurn = max($dwell, $on) + $off <= $limit;
        $waits = $inTurn ? max(0.0, $dwell - $on) : $dwell;
        $pace = $this->outfit->pace->factor($kind);
        $estimate =
            $this->make->estimate($kind) +
            $this->make->estimate("{$kind}-rinse") +
            ($this->make->panelCount() * $waits) / 60.0 / max(0.2, $pace);

        return $this->make->step(
            new Work("{$kind}-each", $of, $name, $id),
            after: $after,
            of: [$choice],
            go: ['panels' => $this->panels->ids(), 'share' => 1.0],
            estimate: $estimate,
            more: [
                'waterL' => $this->outfit->rules->rinseLM2 * $this->situation->vehicle->paintM2,
                'lies' => [
                    new Lying(
                        $choice->chosen->bottle->id ?? '',
                        ($inTurn ? max($dwell, $on) : $dwell) + $off,
                        $dwell,
                        $choice->atMostS,
                        $dwell,
                    ),
                ],
                ...$more,
            ],
        );
    }

    /** Long enough a window for the brush, and nothing loose or matte for it to catch on. */
    protected function mayBrush(?Wait $wait): bool
    {
        return !$this->situation->asked->scope->isQuick() &&
            !$this->situation->seen->looseEdges &&
            !$this->situation->vehicle->is(Finish::Matte) &&
            ($wait?->maxS === null || $wait->maxS >= $this->make->seconds('gaps'));
    }

    protected function planned(Kind $kind): ?Kind
    {
        return $this->situation->asked->wants($kind) ? $kind : null;
    }

    protected function paceS(string $kind, float $estimate): float
    {
        return 60.0 * $estimate * $this->outfit->pace->factor($kind);
    }

    /**
     * What falls to one go of several, so that together they take no more than the whole.
     *
     * @param array<string, int> $textiles
     * @param float $from  share of the vehicle that is done before it, and …
     * @param float $to    … after it
     * @return array<string, int>
     */
    protected static function shared(array $textiles, float $from, float $to): array
    {
        // The first go takes out what is needed at all; mitts go on from one to the next.
        $shares = [];
        foreach ($textiles as $use => $n) {
            $shares[$use] = $use === 'mitts' ? $n : (int) ceil($n * $to - 1e-9) - (int) ceil($n * $from - 1e-9);
        }

        return array_filter($shares);
    }

    protected function towels(string $kind): int
    {
        return $this->situation->rules->towelsFor($kind, $this->situation->vehicle->paintM2);
    }

    /** The topper of the paint, when one stands ready. */
    protected function topperChoice(): ?Choice
    {
        $choice = $this->match->choice(Role::Topper, Zone::Paint);

        return $choice?->chosen === null || $this->match->topper->best() === null ? null : $choice;
    }

    /** What the topper depends on; null when it goes on in any case. */
    protected function onlyIf(): ?Said
    {
        $topper = $this->match->topper;

        return $topper->decision === Decision::Apply
            ? null
            : Said::of('topper-choice.decided', decision: $topper->decision->says(), why: $topper->why);
    }

    /**
     * What is put on by a step works so long before the next: the panel that waits longest decides.
     *
     * @param float $onS   seconds putting it on takes
     * @param float $offS  seconds taking it off takes
     */
    protected function wait(string $of, Choice $choice, float $onS, float $offS): Wait
    {
        $bottle = $choice->chosen?->bottle;
        $min = $bottle->traits->dwellMinS ?? 0.0;
        $film =
            $bottle?->traits->mayDry === false
                ? $this->situation->rules->film($choice->need->role, $bottle->applied)
                : null;

        return new Wait(
            $of,
            $min,
            $choice->atMostS === null ? null : max($min, $choice->atMostS - max($onS, $offS)),
            $film,
            $bottle?->dwellMaxS,
            $onS,
        );
    }

    /**
     * @param list<array{panels: list<string>, share: float}> $goes
     * @return list<array{array{panels: list<string>, share: float}, string, Said|null}> each with what its ids and its
     *     names end with
     */
    protected static function numbered(array $goes): array
    {
        $n = count($goes);

        return array_map(
            static fn(int $i, array $go): array => [
                $go,
                $n > 1 ? '.' . ($i + 1) : '',
                $n > 1 ? self::mark($i + 1, $n) : null,
            ],
            array_keys($goes),
            $goes,
        );
    }

    private static function mark(int $nth, int $of): Said
    {
        return Said::of('stretch.nth-of', nth: $nth, of: $of);
    }

    /**
     * @return list<array{float, string, Said}> shares of the wheels, each with what its ids and its names end with
     */
    protected static function parts(int $goes): array
    {
        return array_map(static fn(int $i): array => [1.0 / $goes, '.' . $i, self::mark($i, $goes)], range(1, $goes));
    }

    /**
     * @param list<VisitStep> $steps
     * @return list<string>
     */
    protected static function last(array $steps): array
    {
        return $steps === [] ? [] : [$steps[count($steps) - 1]->id];
    }

    /**
     * @param list<VisitStep> $steps
     * @return list<string> those nothing else among them waits for
     */
    protected static function ends(array $steps): array
    {
        $waited = array_merge(
            ...array_map(
                static fn(VisitStep $step): array => [
                    ...$step->after,
                    ...$step->wait === null ? [] : [$step->wait->of],
                ],
                $steps,
            ),
            ...[[]],
        );

        return array_values(
            array_filter(
                array_map(static fn(VisitStep $step): string => $step->id, $steps),
                static fn(string $id): bool => !in_array($id, $waited, true),
            ),
        );
    }
}
