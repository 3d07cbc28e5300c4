<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit\Stretch;

use Vicissa\Core\Matching\Leaves;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Turn\Choice;
use Vicissa\Core\Matching\Turn\Step;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Says\Said;
use Vicissa\Core\Visit\VisitStep;
use Vicissa\Core\Visit\Wait;
use Vicissa\Core\Visit\Work;

/** What is put on the paint: on wet paint and rinsed off, or on dry paint at the end. */
final readonly class Layers extends Stretch
{
    /**
     * @param list<string> $after
     * @return list<VisitStep>
     */
    public function onWet(array $after): array
    {
        $base = $this->match->choice(Role::Base, Zone::Paint);
        if (self::goesOnWet($base) && $this->hose() && !$this->situation->asked->wants(Kind::Recoat)) {
            return $this->sprayed(
                'topper',
                'base',
                Step::Topper,
                $base,
                Said::of('layers.the-new-base'),
                Said::of('layers.rinse-it-hard'),
                $after,
                [
                    'fulfils' => $this->planned(Kind::Base),
                ],
            );
        }
        $choice = $this->topperChoice();

        return self::goesOnWet($choice) && $this->hose()
            ? $this->sprayed(
                'topper',
                'topper',
                Step::Topper,
                $choice,
                Said::of('layers.topper'),
                Said::of('layers.rinse-the-topper-hard'),
                $after,
                [
                    'onlyIf' => $this->onlyIf(),
                    'fulfils' => $this->planned(Kind::Topper),
                ],
            )
            : [];
    }

    /** Sprayed on wet paint and rinsed off. */
    private static function goesOnWet(?Choice $choice): bool
    {
        $bottle = $choice?->chosen?->bottle;

        return $bottle !== null &&
            in_array(
                $bottle->applied,
                $bottle->traits->role === Role::Base ? ['wet-rinse', 'foam-rinse'] : ['wet-rinse', 'foam-rinse', null],
                true,
            );
    }

    /**
     * What goes on dry paint at the end: a new base, a wax or topper that is wiped on. It hazes by the weather, panel
     * by panel or in goes.
     *
     * @param list<string> $dried
     * @return list<VisitStep>
     */
    public function onDry(array $dried): array
    {
        $steps = [];
        $base = $this->match->choice(Role::Base, Zone::Paint);
        if ($base?->chosen !== null && (!self::goesOnWet($base) || $this->situation->asked->wants(Kind::Recoat))) {
            $kind = $this->planned(Kind::Recoat) ?? $this->planned(Kind::Base);
            $steps =
                $kind === Kind::Recoat
                    ? [
                        $this->make->step(
                            new Work('recoat', Step::Topper, Said::of('layers.coat-it-anew')),
                            after: $dried,
                            of: [$base],
                            go: ['panels' => $this->panels->ids(), 'share' => 1.0],
                            estimate: $this->outfit->rules->share($this->make->together()) *
                                $this->make->estimate('recoat'),
                            more: [
                                'people' => $this->make->together(),
                                'fulfils' => $kind,
                                'textiles' => ['topper' => 2 * $this->towels('topper')],
                            ],
                        ),
                    ]
                    : $this->waxed($base, 'base', Said::of('layers.the-new-base'), $dried, ['fulfils' => $kind]);
            $dried = self::last($steps);
        }
        $topper = $this->topperChoice();
        $applied = $topper?->chosen?->bottle->applied;
        if ($topper !== null && ($applied === 'wipe' || !$this->hose())) {
            $steps = [
                ...$steps,
                ...$this->waxed($topper, 'topper', Said::of('layers.topper'), $dried, [
                    'onlyIf' => $this->onlyIf(),
                    'fulfils' => $this->planned(Kind::Topper),
                ]),
            ];
        }

        return $steps;
    }

    /**
     * @param list<string> $after
     * @param array<string, mixed> $more
     * @return list<VisitStep>
     */
    private function waxed(Choice $choice, string $id, Said $name, array $after, array $more): array
    {
        $hazes =
            $choice->chosen?->bottle->paste === true ||
            $choice->chosen?->bottle->traits->leaves === Leaves::Wax ||
            $id === 'base';
        $whole = ['panels' => $this->panels->ids(), 'share' => 1.0];
        $people = $this->make->together();
        $share = $this->outfit->rules->share($people);
        $textiles = ['topper' => $this->towels('topper')];
        if (!$hazes) {
            return [
                $this->make->step(
                    new Work('topper-wipe', Step::Topper, Said::of('layers.wiped-on', name: $name), "{$id}-wipe"),
                    after: $after,
                    of: [$choice],
                    go: $whole,
                    estimate: $share * $this->make->estimate('topper-wipe'),
                    more: ['people' => $people, 'textiles' => $textiles, ...$more],
                ),
            ];
        }
        $rest = array_intersect_key($more, ['onlyIf' => 1]);
        [$least, $most] = $this->sections->haze();
        $goes = $this->sections->waxGoes($most);
        $steps = [];
        foreach (self::numbered($this->panels->inGoes($goes)) as [$go, $part, $mark]) {
            $steps[] = $this->make->step(
                new Work(
                    'wax-on',
                    Step::Topper,
                    Said::of('layers.spread-thin', name: $name, mark: $mark),
                    "{$id}-on{$part}",
                ),
                after: $after,
                of: [$choice],
                go: $go,
                estimate: $share * $this->make->estimate('wax-on', $go['share']),
                more: ['people' => $people, 'textiles' => $part === '' || $part === '.1' ? $textiles : [], ...$more],
            );
            $steps[] = $this->make->step(
                new Work(
                    'wax-off',
                    Step::Topper,
                    Said::of('layers.buff', name: $name, mark: $mark),
                    "{$id}-off{$part}",
                ),
                wait: new Wait("{$id}-on{$part}", $least, $most),
                go: $go,
                estimate: $share * $this->make->estimate('wax-off', $go['share']),
                more: ['people' => $people, 'textiles' => $part === '' || $part === '.1' ? $textiles : [], ...$rest],
            );
            $after = ["{$id}-off{$part}"];
        }

        return $steps;
    }
}
