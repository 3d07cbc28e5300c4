<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

use Vicissa\Core\Matching\Finish;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Turn\Bottle;
use Vicissa\Core\Matching\Turn\DryingWay;
use Vicissa\Core\Matching\Turn\Situation;
use Vicissa\Core\Matching\WheelFinish;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Mix\Doses\DosePlan;
use Vicissa\Core\Mix\Doses\Fill;
use Vicissa\Core\Protection\Family;
use Vicissa\Core\Says\Said;

/**
 * What can go wrong at each step, and what can hurt (domain §12), said at the first step that has the danger. The
 * program warns and defers to the safety sheet, local rules and licensed practice; it permits nothing.
 */
final readonly class Hazards
{
    /** Beyond these in use, gloves and goggles whatever the product is for (domain §15.3). */
    private const ACID_PH = 3.0;

    private const ALKALINE_PH = 11.0;

    /** @param list<Bottle> $bottles  what the visit uses */
    private function __construct(
        private Situation $situation,
        private DosePlan $doses,
        private array $bottles,
        private DryingWay $drying,
    ) {}

    /**
     * The same steps with each caution where its danger begins.
     *
     * @param list<VisitStep> $steps  in the order of the visit
     * @param list<Bottle> $bottles
     * @return list<VisitStep>
     */
    public static function told(
        array $steps,
        Situation $situation,
        DosePlan $doses,
        array $bottles,
        DryingWay $drying,
    ): array {
        $hazards = new self($situation, $doses, $bottles, $drying);
        $said = [];

        return array_map(static function (VisitStep $step) use ($hazards, &$said): VisitStep {
            $new = [];
            foreach ($hazards->of($step) as $hazard => [$says, $grave]) {
                if (!isset($said[$hazard])) {
                    $said[$hazard] = true;
                    $new[] = new Caution($step->of, $says, $grave, $hazard);
                }
            }

            return $new === [] ? $step : $step->with(['cautions' => $new]);
        }, $steps);
    }

    /** @return array<string, array{Said, bool}> sentence and gravity by hazard */
    private function of(VisitStep $step): array
    {
        $general = array_filter([...$this->ofPlace($step), ...$this->ofWork($step)]);

        return [...$general, ...$this->ofProducts($step, array_column($general, 0))];
    }

    /** @return array<string, array{Said, bool}|null> */
    private function ofPlace(VisitStep $step): array
    {
        $place = $this->situation->place;
        $wet = $step->waterL > 0.0 && $step->kind !== 'mix';
        $sprays = $wet && $place->pressure;
        $edges =
            $this->situation->seen->looseEdges ||
            $this->situation->vehicle->is(Finish::Decals) ||
            $this->situation->vehicle->has(Zone::Paint, Family::Film, Family::Wrap);
        $onPaint = !str_starts_with($step->kind, 'wheels') && $step->kind !== 'arches';

        return [
            // Where it runs is asked before the first drop.
            'run-off' =>
                $step->kind === 'look' && $place->hasWater()
                    ? [
                        Said::of(
                            'hazards.where-will-the-dirty-water',
                            here: $place->runOff === null ? null : Said::of('hazards.here', runOff: $place->runOff),
                        ),
                        true,
                    ]
                    : null,
            'loose-edges' =>
                $step->kind === 'look' && $this->situation->seen->looseEdges
                    ? [Said::of('hazards.edges-lift-no-pressure-and'), false]
                    : null,
            'electricity' =>
                $place->power && ($step->kind === 'water' || $step->kind === 'dry')
                    ? [Said::of('hazards.leads-on-a-residual-current'), true]
                    : null,
            'ice' =>
                $this->situation->now->outside->airC <= $this->situation->rules->sealsC &&
                ($step->kind === 'water' || $wet)
                    ? [Said::of('hazards.water-may-freeze-underfoot'), true]
                    : null,
            'pressure' => $sprays ? [Said::of('hazards.high-pressure-injects-never'), true] : null,
            'pressure-edges' =>
                (($sprays && $onPaint) || self::kind($step) === 'foam') && $edges && $place->pressure
                    ? [Said::of('hazards.edges-of-film-wrap-and'), false]
                    : null,
        ];
    }

    /** @return array<string, array{Said, bool}|null> */
    private function ofWork(VisitStep $step): array
    {
        $vehicle = $this->situation->vehicle;
        $kind = self::kind($step);
        $touches = in_array($kind, ['wash', 'clay', 'dry'], true) || str_starts_with($kind, 'wax');
        $soft = $vehicle->isSoft() ? 'soft' : ($vehicle->tone->isLight() ? null : 'dark');

        return [
            'hot-glass' => $step->kind === 'cool' ? [Said::of('hazards.begin-low-and-with-a-fine'), false] : null,
            'wheels' => str_starts_with($step->kind, 'wheels')
                ? [Said::of('hazards.wheels-cool-to-the-touch'), true]
                : null,
            'gloss-black' =>
                str_starts_with($step->kind, 'wheels-') && $vehicle->wheelFinish === WheelFinish::GlossBlack
                    ? [Said::of('hazards.gloss-black-no-bristles'), false]
                    : null,
            'fall' => $step->kind === 'platform' ? [Said::of('hazards.roof-from-a-proper-platform'), true] : null,
            'single-stage' =>
                $touches && $vehicle->is(Finish::SingleStage)
                    ? [Said::of('hazards.single-stage-paint-gives'), false]
                    : null,
            'marring' =>
                $kind === 'clay' && $soft !== null
                    ? [Said::of('hazards.clay-can-mar-paint-hardly', soft: $soft), false]
                    : null,
            'slippery' => $kind === 'foam' ? [Said::of('hazards.foam-is-slippery-underfoot'), false] : null,
            'hearing' =>
                $step->kind === 'dry' && $this->drying->blows()
                    ? [Said::of('hazards.ear-protection-with-the-air'), false]
                    : null,
            'brakes' => $step->kind === 'hand-over' ? [Said::of('hazards.try-the-brakes-at-walking'), true] : null,
        ];
    }

    /** Its kind, whether it is worked at once or panel by panel. */
    private static function kind(VisitStep $step): string
    {
        return str_ends_with($step->kind, '-each') ? substr($step->kind, 0, -5) : $step->kind;
    }

    /**
     * @param list<Said> $general  what the step says anyway; a label that says the same is not repeated
     * @return array<string, array{Said, bool}>
     */
    private function ofProducts(VisitStep $step, array $general): array
    {
        $hazards = [];
        foreach ($this->bottles as $bottle) {
            $traits = $bottle->traits;
            $mixed =
                $step->kind === 'mix' &&
                array_filter(
                    $this->doses->fills,
                    static fn(Fill $fill): bool => $fill->productId === $bottle->id && !$fill->isNeat(),
                ) !== [];
            $used = $step->uses($bottle->id);
            $sharp =
                $traits->ph < self::ACID_PH ||
                $traits->ph > self::ALKALINE_PH ||
                in_array('ph', $bottle->unknown, true);
            if (
                ($mixed || $used) &&
                ($sharp ||
                    in_array($traits->role, [Role::Prewash, Role::Wheel, Role::Iron, Role::Tar, Role::Base], true))
            ) {
                $hazards["skin {$bottle->id}"] = [
                    Said::of(
                        'hazards.its-safety-sheet-decides',
                        gloves: $sharp
                            ? Said::of('hazards.gloves-and-goggles', name: $bottle->name)
                            : Said::of('hazards.gloves-and-eye-protection', name: $bottle->name),
                    ),
                    true,
                ];
            }
            if ($used && ($traits->role === Role::Iron || $traits->role === Role::Base || $traits->solvent)) {
                $hazards["fumes {$bottle->id}"] = [
                    Said::of('hazards.moving-air-a-respirator-if', name: $bottle->name),
                    true,
                ];
            }
            if ($used && $traits->ph < 4.0) {
                $hazards["acid {$bottle->id}"] = [
                    Said::of('hazards.is-acid-never-together-with', name: $bottle->name),
                    true,
                ];
            }
            if ($used && $traits->ph > self::ALKALINE_PH) {
                $hazards["alkaline {$bottle->id}"] = [
                    Said::of('hazards.is-strongly-alkaline', name: $bottle->name),
                    true,
                ];
            }
            if ($used) {
                foreach (Said::without($bottle->cautions, $general) as $i => $says) {
                    $hazards["label {$bottle->id} {$i}"] = [
                        Said::of('hazards.label', bottle: $bottle->name, says: $says),
                        false,
                    ];
                }
            }
        }

        return $hazards;
    }

    /**
     * Every caution of these steps, in order.
     *
     * @param list<VisitStep> $steps
     * @return list<Caution>
     */
    public static function among(array $steps): array
    {
        return array_merge([], ...array_map(static fn(VisitStep $step): array => $step->cautions, $steps));
    }
}
