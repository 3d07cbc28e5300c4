<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit\Stretch;

use Vicissa\Core\Drying\Film;
use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Turn\Choice;
use Vicissa\Core\Matching\Turn\Step;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Protection\Stage;
use Vicissa\Core\Says\Said;
use Vicissa\Core\Visit\Lying;
use Vicissa\Core\Visit\Refills;
use Vicissa\Core\Visit\SectionPlan;
use Vicissa\Core\Visit\VisitStep;
use Vicissa\Core\Visit\Wait;
use Vicissa\Core\Visit\Work;

/** The contact wash with its rinse, by hose or without one, go by go; then clay, and the water that is read. */
final readonly class Contact extends Stretch
{
    /**
     * The wash, go by go: foam as lubricant where the stages ask for it, wash, rinse within minutes.
     *
     * @param list<string> $after
     * @return list<VisitStep>
     */
    public function wash(array $after): array
    {
        $method = $this->match->method->chosen?->method;
        if ($method === null || $method === Method::Touchless) {
            // Touchless: the last foam's rinse is followed by the final one.
            return [
                $this->make->step(new Work('rinse', Step::FinalRinse, Said::of('contact.final-rinse')), after: $after),
            ];
        }
        if (!$method->needsHose()) {
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
                $steps[] = $this->make->step(
                    new Work('refill', Step::FinalRinse, Said::of('contact.fill-the-tank-again'), "refill{$part}"),
                    after: $i === 0 ? $after : ['rinse.' . $i],
                    more: ['how' => [$refill['says']]],
                );
            }
            $wait = null;
            if ($foam !== null) {
                $steps[] = $this->make->step(
                    new Work(
                        'foam',
                        Step::Foam,
                        Said::of('contact.foam-again-as-lubricant', mark: $mark),
                        "foam-again{$part}",
                    ),
                    after: $after,
                    of: [$foam],
                    go: $go,
                );
                $onS = $this->make->seconds('foam', $go['share']);
                $wait = new Wait(
                    "foam-again{$part}",
                    0.0,
                    max(
                        0.0,
                        ($foam->atMostS ?? 86400.0) -
                            $onS -
                            $this->washSeconds($go['share']) -
                            60.0 * $this->outfit->rules->rinseWithin,
                    ),
                    $foam->atMostS === null ? null : Film::DrainedFoam,
                    $foam->chosen?->bottle->dwellMaxS,
                    $onS,
                );
                $after = ["foam-again{$part}"];
            }
            $wash = $this->washGo("wash{$part}", $mark, $after, $go, $wait)->with([
                'textiles' => self::shared($this->washTextiles(), $done, $done + $go['share']),
            ]);
            $done += $go['share'];
            if ($refill !== null && $wait === null) {
                // Soap must not wait for water: the wash begins when the tank will be full by its end.
                $wash = $wash->with([
                    'wait' => new Wait("refill{$part}", max(0.0, 60.0 * ($refill['minutes'] - $wash->minutes)), null),
                ]);
            }
            $steps[] = $wash;
            $steps[] = $this->make->step(
                new Work('rinse', Step::FinalRinse, Said::of('contact.final-rinse-go', mark: $mark), "rinse{$part}"),
                wait: new Wait("wash{$part}", 0.0, 60.0 * $this->outfit->rules->rinseWithin, Film::SheetedRinse),
                go: $go,
            );
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
        $estimate =
            ($foam === null ? 0.0 : $this->make->estimate('foam')) +
            $this->outfit->rules->share($this->make->together()) * $this->make->estimate('wash') +
            $this->make->estimate('first-rinse');
        $lies = [];
        foreach ($this->washes() as $choice) {
            $lies[] = new Lying(
                $choice->chosen->bottle->id ?? '',
                $this->make->panelSeconds('wash') + $this->make->panelSeconds('rinse'),
                0.0,
                $choice->atMostS,
                0.0,
            );
        }
        if ($foam !== null) {
            $lies[] = new Lying(
                $foam->chosen->bottle->id ?? '',
                $this->make->panelSeconds('foam') +
                    $this->make->panelSeconds('wash') +
                    $this->make->panelSeconds('rinse'),
                0.0,
                $foam->atMostS,
                0.0,
            );
        }

        return [
            $this->make->step(
                new Work('wash-each', Step::Wash, Said::of('contact.wash-panel-by-panel'), 'wash'),
                after: $after,
                of: [...$this->washes(), ...$foam === null ? [] : [$foam]],
                go: ['panels' => $this->panels->ids(), 'share' => 1.0],
                estimate: $estimate,
                more: [
                    'people' => $this->make->together(),
                    'textiles' => $this->washTextiles(),
                    'waterL' => $this->outfit->rules->rinseLM2 * $this->situation->vehicle->paintM2,
                    'lies' => $lies,
                ],
            ),
            $this->make->step(new Work('rinse', Step::FinalRinse, Said::of('contact.final-rinse')), after: ['wash']),
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
        $made = function (
            string $kind,
            string $id,
            Said $name,
            array $after,
            array $go,
            float $estimate,
            array $more,
        ) use ($people, $choice, $dry, &$done): VisitStep {
            $textiles = self::shared([...$this->washTextiles(), ...$dry], $done, $done += $go['share']);

            return $this->make->step(
                new Work($kind, Step::Wash, $name, $id),
                after: $after,
                of: [$choice],
                go: $go,
                estimate: $this->outfit->rules->share($people) * $estimate,
                more: ['people' => $people, 'textiles' => $textiles, ...$more],
            );
        };
        if ($method === Method::Waterless || $plan->mode === SectionPlan::EACH || $plan->mode === SectionPlan::NONE) {
            $sprays = $method === Method::Waterless ? 0.0 : $this->make->estimate('prespray');

            return [
                $made(
                    'wash-each',
                    'wash',
                    Said::of('contact.wash-panel-by-panel'),
                    $after,
                    ['panels' => $this->panels->ids(), 'share' => 1.0],
                    $sprays + $this->make->estimate('wash'),
                    [
                        'lies' =>
                            $choice?->chosen === null
                                ? []
                                : [
                                    new Lying(
                                        $choice->chosen->bottle->id,
                                        $this->make->panelSeconds('wash'),
                                        0.0,
                                        $choice->atMostS,
                                        0.0,
                                    ),
                                ],
                    ],
                ),
            ];
        }
        $steps = [];
        foreach (self::numbered($this->panels->inGoes($plan->goes)) as [$go, $part, $mark]) {
            $onS = $this->make->seconds('prespray', $go['share']);
            $steps[] = $this->make->step(
                new Work('prespray', Step::Wash, Said::of('contact.pre-spray', mark: $mark), "prespray{$part}"),
                after: $after,
                of: [$choice],
                go: $go,
            );
            $limit = $choice?->atMostS;
            $wait = new Wait(
                "prespray{$part}",
                0.0,
                $limit === null ? null : max(0.0, $limit - max($onS, $this->washSeconds($go['share']))),
                $limit === null ? null : Film::PreSpray,
                $choice?->chosen?->bottle->dwellMaxS,
                $onS,
            );
            $steps[] = $made(
                'wash',
                "wash{$part}",
                Said::of('contact.wash-go', mark: $mark),
                [],
                $go,
                $this->make->estimate('wash', $go['share']),
                ['wait' => $wait, 'portions' => []],
            );
            $after = ["wash{$part}"];
        }

        return $steps;
    }

    /** Seconds the contact wash of a share takes, as it is scheduled. */
    private function washSeconds(float $share): float
    {
        return 60.0 *
            $this->make->paced(
                'wash',
                $this->outfit->rules->share($this->make->together()) * $this->make->estimate('wash', $share),
            );
    }

    /** @return list<Choice> what the contact wash uses */
    private function washes(): array
    {
        return array_values(
            array_filter($this->match->choices, static fn(Choice $choice): bool => $choice->need->step === Step::Wash),
        );
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

    /**
     * @param list<string> $after
     * @param array{panels: list<string>, share: float} $go
     */
    private function washGo(string $id, ?Said $mark, array $after, array $go, ?Wait $wait): VisitStep
    {
        $roof = in_array($go['panels'][0] ?? '', ['roof', 'roof-front'], true);
        $people = $this->make->together();

        return $this->make->step(
            new Work(
                'wash',
                Step::Wash,
                Said::of(
                    'contact.wash-of',
                    wash: $roof && $this->make->isTall()
                        ? Said::of('contact.wash-roof-first')
                        : Said::of('contact.wash'),
                    mark: $mark,
                ),
                $id,
            ),
            after: $after,
            wait: $wait,
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
    public function clay(array $after): array
    {
        $choice = $this->match->choice(Role::ClayLube, Zone::Paint);
        if ($choice?->chosen === null || $choice->need->step !== Step::Decon || !$this->hose()) {
            return [];
        }
        $on = $this->make->estimate('clay') + $this->make->estimate('clay-rinse');

        return [
            $this->make->step(
                new Work('clay-each', Step::Decon, Said::of('contact.clay-panel-by-panel-and'), 'clay'),
                after: $after,
                of: [$choice],
                go: ['panels' => $this->panels->ids(), 'share' => 1.0],
                estimate: $on,
                more: [
                    'waterL' => $this->outfit->rules->rinseLM2 * $this->situation->vehicle->paintM2,
                    'lies' => [
                        new Lying(
                            $choice->chosen->bottle->id,
                            min(
                                $choice->atMostS ?? INF,
                                $this->make->panelSeconds('clay') + $this->make->panelSeconds('clay-rinse'),
                            ),
                            0.0,
                            $choice->atMostS,
                            0.0,
                        ),
                    ],
                ],
            ),
        ];
    }

    /**
     * @param list<string> $after
     * @param list<VisitStep> $decon
     * @param list<VisitStep> $clay
     * @return list<VisitStep>
     */
    public function reads(array $after, array $decon, array $clay): array
    {
        $quick =
            $this->situation->asked->scope->isQuick() && $decon === [] && !$this->situation->asked->wants(Kind::Topper);
        $steps = [];
        if ($this->hose() && !$quick) {
            $again = $decon !== [] || $clay !== [];
            $steps[] = $this->make->step(
                new Work(
                    'read',
                    Step::Read,
                    $again ? Said::of('contact.read-the-water') : Said::of('contact.read-the-water-again'),
                ),
                after: $after,
                more: ['reads' => $again ? Stage::AfterDecon : Stage::AfterWash],
            );
        }

        return $steps;
    }
}
