<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit\Stretch;

use Vicissa\Core\Drying\Film;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Turn\Choice;
use Vicissa\Core\Matching\Turn\Item;
use Vicissa\Core\Matching\Turn\Step;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Says\Said;
use Vicissa\Core\Visit\Lying;
use Vicissa\Core\Visit\SectionPlan;
use Vicissa\Core\Visit\VisitStep;
use Vicissa\Core\Visit\Wait;
use Vicissa\Core\Visit\Work;

/**
 * Wheels and arches: all four at once where the label leaves the time for it, else pair by pair or wheel by wheel;
 * their sealant, wet or dry.
 */
final readonly class Wheels extends Stretch
{
    /**
     * @param list<string> $after
     * @return list<VisitStep>
     */
    public function steps(array $after): array
    {
        $scope = $this->situation->asked->scope;
        if (!$scope->has(Item::Wheels)) {
            return $scope->isQuick()
                ? [
                    $this->make->step(
                        new Work('wheels-pass', Step::Wheels, Said::of('wheels.wheels-in-passing')),
                        after: $after,
                        more: ['textiles' => $this->hose() ? [] : ['wheels' => $this->towels('wheels')]],
                    ),
                ]
                : [];
        }
        if (!$this->hose()) {
            $with = $this->match->choice($this->match->method->method()?->role() ?? Role::Rinseless, Zone::Wheels);

            return [
                $this->make->step(
                    new Work('wheels-wipe', Step::Wheels, Said::of('wheels.wheels-with-the-last-towels')),
                    after: $after,
                    of: [$with],
                    more: ['textiles' => ['wheels' => $this->towels('wheels')]],
                ),
                ...$this->arches(['wheels-wipe']),
            ];
        }
        $main = $this->match->choice(Role::Wheel, Zone::Wheels);
        $steps = $main?->chosen === null ? $this->withSoap($main, $after) : $this->with($main, $after);
        $iron = $this->match->choice(Role::Iron, Zone::Wheels);
        if ($iron?->chosen !== null) {
            $steps = [...$steps, ...$this->iron($iron, self::ends($steps))];
        }

        return [...$steps, ...$this->arches(self::ends($steps))];
    }

    /**
     * @param list<string> $after
     * @return list<VisitStep>
     */
    private function arches(array $after): array
    {
        return $this->situation->asked->scope->has(Item::Arches)
            ? [$this->make->step(new Work('arches', Step::Wheels, Said::of('wheels.arches-and-liners')), after: $after)]
            : [];
    }

    /**
     * @param Choice|null $wished  a cleaner that was wished for and can't be had
     * @param list<string> $after
     * @return list<VisitStep>
     */
    private function withSoap(?Choice $wished, array $after): array
    {
        $soap = $this->match->choice(Role::Soap, Zone::Wheels) ?? $this->match->choice(Role::Soap, Zone::Paint);
        $with =
            $soap?->chosen === null || !in_array(Zone::Wheels, $soap->chosen->bottle->traits->surfaces, true)
                ? $this->match->choice(Role::Soap, Zone::Wheels)
                : $soap;

        return [
            $this->make->step(
                new Work(
                    'wheels-brush',
                    Step::Wheels,
                    $with?->chosen === null
                        ? Said::of('wheels.wheels-with-water-and-brush')
                        : Said::of('wheels.wheels-with-soap'),
                ),
                after: $after,
                of: [$with],
                more: $wished === null ? [] : ['how' => [$wished->why]],
            ),
            $this->make->step(
                new Work('wheels-rinse', Step::Wheels, Said::of('wheels.rinse-the-wheels')),
                wait: new Wait('wheels-brush', 0.0, 180.0),
            ),
        ];
    }

    /**
     * All four at once where the label leaves the time for it; else pair by pair, wheel by wheel; and where even one
     * can't be worked in it, rinsed first and brushed with soap.
     *
     * @param list<string> $after
     * @return list<VisitStep>
     */
    private function with(Choice $choice, array $after): array
    {
        $plan = $this->sections->wheels($choice);
        if ($plan->mode === SectionPlan::WHOLE) {
            $brushS = $this->make->seconds('wheels-brush');
            $gap = 60.0;
            $least = $choice->chosen->bottle->traits->dwellMinS ?? 0.0;
            $most =
                $choice->atMostS === null
                    ? null
                    : max(
                        $least,
                        $choice->atMostS -
                            $brushS -
                            $gap -
                            max($this->make->seconds('wheels-spray'), $this->make->seconds('wheels-rinse')),
                    );

            return [
                $this->make->step(
                    new Work('wheels-spray', Step::Wheels, Said::of('wheels.spray-the-wheels')),
                    after: $after,
                    of: [$choice],
                ),
                $this->make->step(
                    new Work('wheels-brush', Step::Wheels, Said::of('wheels.work-the-wheels')),
                    wait: new Wait(
                        'wheels-spray',
                        $least,
                        $most,
                        Film::PreSpray,
                        $choice->chosen?->bottle->dwellMaxS,
                        $this->make->seconds('wheels-spray'),
                    ),
                ),
                $this->make->step(
                    new Work('wheels-rinse', Step::Wheels, Said::of('wheels.rinse-the-wheels-very')),
                    wait: new Wait('wheels-brush', 0.0, $gap),
                ),
            ];
        }
        $worked = $plan->mode === SectionPlan::GOES;
        $steps = [];
        foreach (self::parts($plan->goes) as [$share, $part, $mark]) {
            $brush = $worked ? $this->make->estimate('wheels-brush', $share) : 0.0;
            $dwell = $choice->chosen->bottle->traits->dwellMinS ?? 0.0;
            $estimate =
                $this->make->estimate('wheels-spray', $share) +
                $brush +
                $this->make->estimate('wheels-rinse', $share) +
                $dwell / 60.0;
            $steps[] = $this->make->step(
                new Work(
                    'wheels-each',
                    Step::Wheels,
                    Said::of(
                        'wheels.each-worked',
                        what: $worked
                            ? Said::of('wheels.spray-work-and-rinse')
                            : Said::of('wheels.spray-wait-and-rinse'),
                        portion: $this->portion($plan->goes),
                        mark: $mark,
                    ),
                    "wheels-each{$part}",
                ),
                after: $this->sideBySide($steps, $after),
                of: [$choice],
                go: ['panels' => [], 'share' => $share],
                estimate: $estimate,
                more: [
                    'lies' => [
                        new Lying(
                            $choice->chosen->bottle->id ?? '',
                            $dwell +
                                $this->paceS('wheels-brush', $brush) +
                                $this->paceS('wheels-rinse', $this->make->estimate('wheels-rinse', $share)),
                            $dwell,
                            $choice->atMostS,
                            $dwell,
                        ),
                    ],
                ],
            );
        }

        return $worked ? $steps : [...$steps, ...$this->withSoap(null, self::ends($steps))];
    }

    private function portion(int $goes): Said
    {
        return match ($goes <=> $this->outfit->wheels()) {
            -1 => Said::of('wheels.a-pair'),
            0 => Said::of('wheels.one-wheel'),
            default => Said::of('wheels.part-of-a-wheel'),
        };
    }

    /**
     * @param list<string> $after
     * @return list<VisitStep>
     */
    private function iron(Choice $choice, array $after): array
    {
        $plan = $this->sections->wheelsIron($choice);
        if ($plan->mode === SectionPlan::WHOLE) {
            return [
                $this->make->step(
                    new Work('wheels-iron', Step::Wheels, Said::of('wheels.iron-remover-on-the-wheels')),
                    after: $after,
                    of: [$choice],
                ),
                $this->make->step(
                    new Work('wheels-iron-rinse', Step::Wheels, Said::of('wheels.rinse-the-wheels-very')),
                    wait: $this->wait(
                        'wheels-iron',
                        $choice,
                        $this->make->seconds('wheels-iron'),
                        $this->make->seconds('wheels-iron-rinse'),
                    ),
                ),
            ];
        }
        $steps = [];
        foreach (self::parts($plan->goes) as [$share, $part, $mark]) {
            $dwell = $choice->chosen->bottle->traits->dwellMinS ?? 0.0;
            $off = $this->make->estimate('wheels-iron-rinse', $share);
            $steps[] = $this->make->step(
                new Work(
                    'wheels-iron-each',
                    Step::Wheels,
                    Said::of('wheels.iron-remover-and-rinsed', portion: $this->portion($plan->goes), mark: $mark),
                    "wheels-iron-each{$part}",
                ),
                after: $this->sideBySide($steps, $after),
                of: [$choice],
                go: ['panels' => [], 'share' => $share],
                estimate: $this->make->estimate('wheels-iron', $share) + $dwell / 60.0 + $off,
                more: [
                    'lies' => [
                        new Lying(
                            $choice->chosen->bottle->id ?? '',
                            $dwell + $this->paceS('wheels-iron-rinse', $off),
                            $dwell,
                            $choice->atMostS,
                            $dwell,
                        ),
                    ],
                ],
            );
        }

        return $steps;
    }

    /**
     * A sealant of a wet way goes on wet, clean wheels, sits, and is rinsed off.
     *
     * @param list<string> $after
     * @return list<VisitStep>
     */
    public function sealed(array $after): array
    {
        $choice = $this->match->choice(Role::Topper, Zone::Wheels);
        if ($choice?->chosen === null || $choice->chosen->bottle->applied === 'wipe' || !$this->hose()) {
            return [];
        }
        $plan = $this->sections->wheelsTopper($choice);
        if ($plan->mode === SectionPlan::WHOLE) {
            return [
                $this->make->step(
                    new Work('wheels-topper', Step::Topper, Said::of('wheels.sealant-on-the-wet-wheels')),
                    after: $after,
                    of: [$choice],
                ),
                $this->make->step(
                    new Work('wheels-topper-rinse', Step::Topper, Said::of('wheels.rinse-the-wheels')),
                    wait: $this->wait(
                        'wheels-topper',
                        $choice,
                        $this->make->seconds('wheels-topper'),
                        $this->make->seconds('wheels-topper-rinse'),
                    ),
                ),
            ];
        }
        $steps = [];
        foreach (self::parts($plan->goes) as [$share, $part, $mark]) {
            $dwell = $choice->chosen->bottle->traits->dwellMinS;
            $off = $this->make->estimate('wheels-topper-rinse', $share);
            $steps[] = $this->make->step(
                new Work(
                    'wheels-topper',
                    Step::Topper,
                    Said::of('wheels.sealant-on-wet-wheels-and', portion: $this->portion($plan->goes), mark: $mark),
                    "wheels-topper{$part}",
                ),
                after: $this->sideBySide($steps, $after),
                of: [$choice],
                go: ['panels' => [], 'share' => $share],
                estimate: $this->make->estimate('wheels-topper', $share) + $dwell / 60.0 + $off,
                more: [
                    'waterL' =>
                        $share *
                        $this->outfit->rules->wheelsRinseL *
                        $this->outfit->rules->wheelsOf($this->situation->vehicle->paintM2),
                    'lies' => [
                        new Lying(
                            $choice->chosen->bottle->id,
                            $dwell + $this->paceS('wheels-topper-rinse', $off),
                            $dwell,
                            $choice->atMostS,
                            $dwell,
                        ),
                    ],
                ],
            );
        }

        return $steps;
    }

    /**
     * @param list<string> $dry
     * @return list<VisitStep>
     */
    public function waxed(array $dry): array
    {
        $choice = $this->match->choice(Role::Topper, Zone::Wheels);
        $wiped = $choice?->chosen !== null && ($choice->chosen->bottle->applied === 'wipe' || !$this->hose());

        return $wiped
            ? [
                $this->make->step(
                    new Work(
                        'wheels-topper',
                        Step::Topper,
                        Said::of('wheels.the-layer-on-the-dry-wheels'),
                        'wheels-topper-wipe',
                    ),
                    after: $dry,
                    of: [$choice],
                ),
            ]
            : [];
    }

    /**
     * What the next wheel waits for: each pair of hands takes the next one when it is done with its own.
     *
     * @param list<VisitStep> $before  wheels that stand already
     * @param list<string> $after      what the first ones wait for
     * @return list<string>
     */
    private function sideBySide(array $before, array $after): array
    {
        $ahead = count($before) - $this->outfit->crew;

        return $ahead < 0 ? $after : [$before[$ahead]->id];
    }
}
