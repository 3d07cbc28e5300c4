<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Matching\Finish;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\WheelFinish;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Family;

/** What can go wrong at each step, and what can hurt (domain §12). The program warns and defers; it permits nothing. */
final readonly class Cautions
{
    /** Above so much paint someone has to climb for the roof. */
    private const TALL_M2 = 18.0;

    private const SLIPPERY_C = 3.0;

    /**
     * @param list<Choice> $choices
     * @return list<Caution>
     */
    public static function of(Situation $situation, MethodChoice $method, DryingPlan $drying, array $choices): array
    {
        if ($method->chosen === null) {
            return [];
        }
        $hose = $method->chosen->method->needsHose();
        $edges = $situation->seen->looseEdges || $situation->vehicle->is(Finish::Decals) || $situation->vehicle->has(Zone::Paint, Family::Film, Family::Wrap);
        $cautions = array_filter([
            $hose ? new Caution(Step::Look, 'Where will the dirty water run?'.($situation->place->runOff === null ? '' : " Here: {$situation->place->runOff}.").' Many places forbid wash water in storm drains; local rules decide.', true) : null,
            $situation->seen->looseEdges ? new Caution(Step::Look, 'Edges lift: no pressure and no solvent near them, blot instead of pulling. Show the owner before you begin.') : null,
            $hose && $situation->place->power ? new Caution(Step::Water, 'Leads on a residual-current device, connections off the wet ground.', true) : null,
            $hose && $situation->now->air->airC <= self::SLIPPERY_C ? new Caution(Step::Water, 'Water may freeze underfoot: grit the ground, drain the hoses.', true) : null,
            $hose && $situation->place->pressure ? new Caution(Step::Rinse, 'High pressure injects: never at skin; a hand’s breadth and more from tyre walls, seals and sensors.', true) : null,
            $hose && $situation->place->pressure && $edges ? new Caution(Step::Rinse, 'Edges of film, wrap and decals: fan nozzle, flat angle, half a metre away.') : null,
            new Caution(Step::Wheels, 'Wheels cool to the touch first. Nothing is sprayed on brake discs or pads unless its label is for them.', true),
            $situation->vehicle->wheelFinish === WheelFinish::GlossBlack ? new Caution(Step::Wheels, 'Gloss black: no bristles.') : null,
            $situation->vehicle->paintM2 >= self::TALL_M2 ? new Caution(Step::Wash, 'Roof from a proper platform, never a ladder on wet ground; wet roofs are not walked on.', true) : null,
            $situation->vehicle->is(Finish::SingleStage) ? new Caution(Step::Wash, 'Single-stage paint gives colour to the mitt; that is normal. Nothing strongly alkaline, no rubbing.') : null,
            str_starts_with($drying->way, 'air') ? new Caution(Step::Dry, 'Ear protection with the air dryer; keep battery packs dry.') : null,
            new Caution(Step::HandOver, 'Try the brakes at walking pace before leaving; flash rust on discs clears with a short drive.', true),
        ]);
        foreach ($choices as $choice) {
            if ($choice->chosen !== null) {
                array_push($cautions, ...self::chemical($choice));
            }
        }

        return self::once($cautions);
    }

    /** @return list<Caution> */
    private static function chemical(Choice $choice): array
    {
        $traits = $choice->chosen?->bottle->traits;
        $name = $choice->chosen?->bottle->name;
        $step = $choice->need->step;

        return array_values(array_filter([
            in_array($choice->need->role, [Role::Prewash, Role::Wheel, Role::Iron, Role::Tar], true) ? new Caution($step, 'Gloves and eye protection; the safety sheet of each product decides.', true) : null,
            $choice->need->role === Role::Iron || $traits?->solvent === true ? new Caution($step, "{$name}: moving air; a respirator if its safety sheet says so.", true) : null,
            $traits !== null && $traits->ph < 4.0 ? new Caution($step, "{$name} is acid: never together with another cleaner, never with bleach; rinse well between.", true) : null,
            $choice->need->role === Role::Foam ? new Caution($step, 'Foam is slippery underfoot.') : null,
        ]));
    }

    /**
     * @param array<Caution> $cautions
     * @return list<Caution>
     */
    private static function once(array $cautions): array
    {
        $once = [];
        foreach ($cautions as $caution) {
            $once[$caution->step->value.$caution->says] ??= $caution;
        }

        return array_values($once);
    }
}
