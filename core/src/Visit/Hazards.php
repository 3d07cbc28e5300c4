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

    /** @return array<string, array{string, bool}> sentence and gravity by hazard */
    private function of(VisitStep $step): array
    {
        $general = array_filter([...$this->ofPlace($step), ...$this->ofWork($step)]);

        return [...$general, ...$this->ofProducts($step, array_column($general, 0))];
    }

    /** @return array<string, array{string, bool}|null> */
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
                        'Where will the dirty water run?' .
                        ($place->runOff === null ? '' : " Here: {$place->runOff}.") .
                        ' Many places forbid wash water in storm drains; local rules decide.',
                        true,
                    ]
                    : null,
            'loose-edges' =>
                $step->kind === 'look' && $this->situation->seen->looseEdges
                    ? [
                        'Edges lift: no pressure and no solvent near them, blot instead of pulling. Show the owner before you begin.',
                        false,
                    ]
                    : null,
            'electricity' =>
                $place->power && ($step->kind === 'water' || $step->kind === 'dry')
                    ? ['Leads on a residual-current device, connections off the wet ground.', true]
                    : null,
            'ice' =>
                $this->situation->now->outside->airC <= $this->situation->rules->sealsC &&
                ($step->kind === 'water' || $wet)
                    ? ['Water may freeze underfoot: grit the ground, drain the hoses.', true]
                    : null,
            'pressure' => $sprays
                ? [
                    'High pressure injects: never at skin; a hand’s breadth and more from tyre walls, seals and sensors.',
                    true,
                ]
                : null,
            'pressure-edges' =>
                (($sprays && $onPaint) || self::kind($step) === 'foam') && $edges && $place->pressure
                    ? [
                        'Edges of film, wrap and decals: fan nozzle or lance at a flat angle, half a metre away, never straight at them.',
                        false,
                    ]
                    : null,
        ];
    }

    /** @return array<string, array{string, bool}|null> */
    private function ofWork(VisitStep $step): array
    {
        $vehicle = $this->situation->vehicle;
        $kind = self::kind($step);
        $touches = in_array($kind, ['wash', 'clay', 'dry'], true) || str_starts_with($kind, 'wax');
        $soft = $vehicle->isSoft() ? 'soft' : ($vehicle->tone->isLight() ? null : 'dark');

        return [
            'hot-glass' =>
                $step->kind === 'cool'
                    ? ['Begin low and with a fine spray: cold water on hot glass and hot discs can crack them.', false]
                    : null,
            'wheels' => str_starts_with($step->kind, 'wheels')
                ? [
                    'Wheels cool to the touch first. Nothing is sprayed on brake discs or pads unless its label is for them.',
                    true,
                ]
                : null,
            'gloss-black' =>
                str_starts_with($step->kind, 'wheels-') && $vehicle->wheelFinish === WheelFinish::GlossBlack
                    ? ['Gloss black: no bristles.', false]
                    : null,
            'fall' =>
                $step->kind === 'platform'
                    ? ['Roof from a proper platform, never a ladder on wet ground; wet roofs are not walked on.', true]
                    : null,
            'single-stage' =>
                $touches && $vehicle->is(Finish::SingleStage)
                    ? [
                        'Single-stage paint gives colour to the mitt; that is normal. Nothing strongly alkaline, no rubbing.',
                        false,
                    ]
                    : null,
            'marring' =>
                $kind === 'clay' && $soft !== null
                    ? [
                        "Clay can mar {$soft} paint: hardly any pressure, much lubricant, one hidden patch first; what it leaves shows.",
                        false,
                    ]
                    : null,
            'slippery' => $kind === 'foam' ? ['Foam is slippery underfoot.', false] : null,
            'hearing' =>
                $step->kind === 'dry' && $this->drying->blows()
                    ? ['Ear protection with the air dryer; keep battery packs dry.', false]
                    : null,
            'brakes' =>
                $step->kind === 'hand-over'
                    ? [
                        'Try the brakes at walking pace before leaving; flash rust on discs clears with a short drive.',
                        true,
                    ]
                    : null,
        ];
    }

    /** Its kind, whether it is worked at once or panel by panel. */
    private static function kind(VisitStep $step): string
    {
        return str_ends_with($step->kind, '-each') ? substr($step->kind, 0, -5) : $step->kind;
    }

    /**
     * @param list<string> $general  what the step says anyway; a label that says the same is not repeated
     * @return array<string, array{string, bool}>
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
                    ($sharp ? "{$bottle->name}: gloves and goggles" : "{$bottle->name}: gloves and eye protection") .
                    '; its safety sheet decides.',
                    true,
                ];
            }
            if ($used && ($traits->role === Role::Iron || $traits->role === Role::Base || $traits->solvent)) {
                $hazards["fumes {$bottle->id}"] = [
                    "{$bottle->name}: moving air; a respirator if its safety sheet says so.",
                    true,
                ];
            }
            if ($used && $traits->ph < 4.0) {
                $hazards["acid {$bottle->id}"] = [
                    "{$bottle->name} is acid: never together with another cleaner, never with bleach; rinse very thoroughly before anything else comes near.",
                    true,
                ];
            }
            if ($used) {
                foreach (array_diff($bottle->cautions, $general) as $i => $says) {
                    $hazards["label {$bottle->id} {$i}"] = ["{$bottle->name}: {$says}", false];
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
