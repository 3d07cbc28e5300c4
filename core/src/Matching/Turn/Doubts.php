<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Drying\Panel;
use Vicissa\Core\Matching\Finish;
use Vicissa\Core\Matching\Label;
use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Water;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Protection\Family;
use Vicissa\Core\Protection\Stage;

/** What the match took for granted, what does not go together, and what it lacks. It never invents a product. */
final readonly class Doubts
{
    /**
     * @param list<string> $assumed
     * @param list<string> $contradictions
     * @param list<Missing> $missing
     */
    private function __construct(public array $assumed, public array $contradictions, public array $missing) {}

    /** @param list<Choice> $choices */
    public static function of(
        Situation $situation,
        Schools $schools,
        MethodChoice $method,
        FinalRinse $rinse,
        array $choices,
    ): self {
        return new self(
            self::assumed($situation, $method, $rinse, $choices),
            self::contradictions($situation, $schools, $method),
            self::missing($situation, $method, $choices),
        );
    }

    /**
     * What labels don't say of what is used, and how it is taken.
     *
     * @param list<Choice> $choices
     * @return list<string>
     */
    private static function unknown(array $choices): array
    {
        $says = [];
        foreach ($choices as $choice) {
            $bottle = $choice->chosen?->bottle;
            if ($bottle !== null && $bottle->unknown !== []) {
                $says[$bottle->id] = sprintf(
                    'The label of %s does not say %s: it is used with that in mind.',
                    $bottle->name,
                    implode(', ', array_map(static fn(string $what): string => Label::asks($what), $bottle->unknown)),
                );
            }
        }

        return array_values($says);
    }

    /**
     * @param list<Choice> $choices
     * @return list<string>
     */
    private static function assumed(
        Situation $situation,
        MethodChoice $method,
        FinalRinse $rinse,
        array $choices,
    ): array {
        $hose = $method->chosen?->method->needsHose() ?? true;
        $arrival = $situation->seen->reading(Stage::Arrival);

        return array_values(
            array_filter([
                $situation->vehicle->stack(Zone::Paint)->baseKnown
                    ? null
                    : 'Nobody knows what lies on the paint: only what suits wax, sealant, silica spray and coating alike is let on it.',
                $situation->later->panelMeasured
                    ? null
                    : sprintf(
                        'The panel is taken to be at %s, from the air, the sun and its colour.',
                        $situation->measures->temperature($situation->later->panelC),
                    ),
                $rinse->tdsAssumed
                    ? sprintf('Nobody has measured the %s water.', $rinse->water === Water::Treated ? 'treated' : 'tap')
                    : null,
                $situation->seen->wheelSoil === null && $hose
                    ? 'Nobody looked at the wheels: taken to be as dirty as the paint, and at least filmed over.'
                    : null,
                ...self::unknown($choices),
                $arrival === null && $hose && $situation->repels()
                    ? 'The water was not read on arrival: the layer is taken to repel.'
                    : null,
            ]),
        );
    }

    /** @return list<string> */
    private static function contradictions(Situation $situation, Schools $schools, MethodChoice $method): array
    {
        [$vehicle, $seen, $place] = [$situation->vehicle, $situation->seen, $situation->place];
        $arrival = $seen->reading(Stage::Arrival);
        $stack = $vehicle->stack(Zone::Paint);
        $film = $vehicle->has(Zone::Paint, Family::Film, Family::Wrap) && $stack->baseKnown;
        $reckoned = Panel::settlesAt($situation->later->air, $vehicle->tone->absorptance());

        return array_values(
            array_filter([
                $seen->soil === 0 && $seen->grit
                    ? 'Clean, yet gritty: the grit is believed, and it is rinsed and foamed off before anything touches it.'
                    : null,
                $stack->isBare() && $arrival !== null && $arrival->holds($stack->designed())
                    ? 'Nothing is said to be on the paint, yet the water beads: something is. It is worked as bare; ask, and declare the layer.'
                    : null,
                $vehicle->is(Finish::Matte) && $stack->base?->family === Family::Wax
                    ? 'Wax on matte paint: one of the two is wrong. Nothing that suits only one of them is chosen.'
                    : null,
                $film && $vehicle->is(Finish::SingleStage)
                    ? 'Single-stage paint under a film or wrap: the film is what is touched, and both are minded.'
                    : null,
                $seen->isReset() &&
                $stack->baseKnown &&
                $vehicle->has(Zone::Paint, Family::Ceramic, Family::Film, Family::Wrap)
                    ? 'A reset takes off wax and sealant; a coating, film or wrap is not reset with a cleaner. Is it really meant?'
                    : null,
                $place->water === Water::Treated && ($place->treatedTds ?? 0.0) > $situation->rules->treatedAtMost
                    ? sprintf(
                        'Treated water of %d mg/l is hardly treated: look at the resin. It is reckoned as it was measured.',
                        round($place->treatedTds ?? 0.0),
                    )
                    : null,
                $situation->later->panelMeasured &&
                abs($situation->later->panelC - $reckoned) > $situation->rules->panelOffK
                    ? sprintf(
                        'The panel was measured at %s, where air and sun would put it at %s: measure again, or say that it has just been driven.',
                        $situation->measures->temperature($situation->later->panelC),
                        $situation->measures->temperature($reckoned),
                    )
                    : null,
                $schools->is(School::Order, 'free') &&
                in_array($method->method(), [Method::TwoMitts, Method::OneMitt], true)
                    ? 'Order-free needs a fresh side for every stretch; with mitts the order stays by cleanliness.'
                    : null,
            ]),
        );
    }

    /**
     * @param list<Choice> $choices
     * @return list<Missing>
     */
    private static function missing(Situation $situation, MethodChoice $method, array $choices): array
    {
        $missing = [];
        if ($method->chosen === null) {
            foreach (self::lacking($method) as $role) {
                $missing[] = new Missing(
                    'product',
                    sprintf('No %s on the shelf may be used here.', $role->says()),
                    sprintf('A %s that suits this paint, and this hour, would open a way.', $role->says()),
                );
            }
        }
        foreach ($choices as $choice) {
            if ($choice->chosen === null && !$choice->need->optional) {
                $missing[] = new Missing(
                    'product',
                    $choice->why,
                    $choice->ranking->none()->remedy($choice->need->role, $choice->need->zone),
                );
            }
        }
        if (!$situation->vehicle->stack(Zone::Paint)->baseKnown) {
            $missing[] = new Missing(
                'fact',
                'What lies on the paint.',
                'Ask whoever sold or treated it, and declare the layer. Failing that: read the clean water, strip one hidden patch, read again.',
            );
        }
        if (
            $situation->place->hasWater() &&
            $situation->place->tapTds === null &&
            $situation->place->water === Water::Tap
        ) {
            $missing[] = new Missing(
                'fact',
                'How hard the tap water is.',
                'Hold the pen into the first bucket, and note it with the site.',
            );
        }
        if (!$situation->later->panelMeasured && $situation->now->air->sunWM2 > 150.0) {
            $missing[] = new Missing(
                'fact',
                'How hot the panels are.',
                'Point the thermometer at the bonnet and at a door in shade.',
            );
        }
        if (
            $method->chosen !== null &&
            !$method->chosen->method->needsHose() &&
            (Needs::whyDecon($situation) !== null || $situation->asked->wants(Kind::Recoat))
        ) {
            $missing[] = new Missing(
                'fact',
                'Decontamination is asked for, and without a hose nothing of it can be rinsed off thoroughly.',
                'Do it where there is water; the plan keeps it open.',
            );
        }
        if (
            $method->chosen !== null &&
            $situation->seen->reading(Stage::Arrival) === null &&
            $method->chosen->method->needsHose()
        ) {
            $missing[] = new Missing(
                'fact',
                'How the water stands before the wash.',
                'Spray one panel and look; it decides how much the first rinse takes along.',
            );
        }

        return $missing;
    }

    /** @return list<Role> roles whose lack alone keeps a method from being possible */
    private static function lacking(MethodChoice $method): array
    {
        $roles = [];
        foreach ($method->options as $option) {
            if (count($option->refused) === 1 && $option->lacksProduct) {
                $roles[$option->method->role()->value] = $option->method->role();
            } elseif (
                count($option->refused) === 1 &&
                $option->path->lacks !== null &&
                $option->refused[0] === $option->path->lacks
            ) {
                $roles[Role::Foam->value] = Role::Foam;
            }
        }

        return array_values($roles);
    }
}
