<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Matching\Finish;
use Vicissa\Core\Matching\Label;
use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Water;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Protection\Family;
use Vicissa\Core\Protection\Stage;
use Vicissa\Core\Says\Amount;
use Vicissa\Core\Says\Said;

/** What the match took for granted, what does not go together, and what it lacks. It never invents a product. */
final readonly class Doubts
{
    /**
     * @param list<Said> $assumed
     * @param list<Said> $contradictions
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
     * @return list<Said>
     */
    private static function unknown(array $choices): array
    {
        $says = [];
        foreach ($choices as $choice) {
            $bottle = $choice->chosen?->bottle;
            if ($bottle !== null && $bottle->unknown !== []) {
                $says[$bottle->id] = Said::of(
                    'doubts.the-label-of-does-not-say',
                    name: $bottle->name,
                    facts: array_map(static fn(string $what): Said => Label::asks($what), $bottle->unknown),
                );
            }
        }

        return array_values($says);
    }

    /**
     * @param list<Choice> $choices
     * @return list<Said>
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
                    : Said::of('doubts.nobody-knows-what-lies-on'),
                $situation->later->panelMeasured
                    ? null
                    : Said::of(
                        'doubts.the-panel-is-taken-to-be-at',
                        temperature: Amount::temperature($situation->later->panelC),
                    ),
                $rinse->tdsAssumed
                    ? ($rinse->water === Water::Tap && $situation->place->tapHardness !== null
                        ? Said::of('doubts.of-the-tap-only-its-hardness')
                        : Said::of(
                            'doubts.nobody-has-measured-the',
                            water: $rinse->water === Water::Treated
                                ? Said::of('doubts.treated')
                                : Said::of('doubts.tap'),
                        ))
                    : null,
                $situation->seen->wheelSoil === null && $hose ? Said::of('doubts.nobody-looked-at-the-wheels') : null,
                ...self::unknown($choices),
                $arrival === null && $hose && $situation->repels()
                    ? Said::of('doubts.the-water-was-not-read-on')
                    : null,
            ]),
        );
    }

    /** @return list<Said> */
    private static function contradictions(Situation $situation, Schools $schools, MethodChoice $method): array
    {
        [$vehicle, $seen, $place] = [$situation->vehicle, $situation->seen, $situation->place];
        $arrival = $seen->reading(Stage::Arrival);
        $stack = $vehicle->stack(Zone::Paint);
        $film = $vehicle->has(Zone::Paint, Family::Film, Family::Wrap) && $stack->baseKnown;
        $reckoned = Conditions::settles($situation->later->air, $vehicle, $place);

        return array_values(
            array_filter([
                $seen->soil === 0 && $seen->grit ? Said::of('doubts.clean-yet-gritty-the-grit') : null,
                $stack->isBare() && $arrival !== null && $arrival->holds($stack->designed())
                    ? Said::of('doubts.nothing-is-said-to-be-on')
                    : null,
                $vehicle->is(Finish::Matte) && $stack->base?->family === Family::Wax
                    ? Said::of('doubts.wax-on-matte-paint-one-of')
                    : null,
                $film && $vehicle->is(Finish::SingleStage) ? Said::of('doubts.single-stage-paint-under-a') : null,
                $seen->isReset() &&
                $stack->baseKnown &&
                $vehicle->has(Zone::Paint, Family::Ceramic, Family::Film, Family::Wrap)
                    ? Said::of('doubts.a-reset-takes-off-wax-and')
                    : null,
                $place->water === Water::Treated && ($place->treatedTds ?? 0.0) > $situation->rules->treatedAtMost
                    ? Said::of('doubts.treated-water-of-mg-l-is', tds: round($place->treatedTds ?? 0.0))
                    : null,
                $situation->later->panelMeasured &&
                abs($situation->later->panelC - $reckoned) > $situation->rules->panelOffK
                    ? Said::of(
                        'doubts.the-panel-was-measured-at',
                        measured: Amount::temperature($situation->later->panelC),
                        reckoned: Amount::temperature($reckoned),
                    )
                    : null,
                $schools->is(School::Order, 'free') &&
                in_array($method->method(), [Method::TwoMitts, Method::OneMitt], true)
                    ? Said::of('doubts.order-free-needs-a-fresh')
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
                    Said::of('doubts.no-on-the-shelf-may-be-used', role: $role->says()),
                    Said::of('doubts.a-that-suits-this-paint-and', role: $role->says()),
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
                Said::of('doubts.what-lies-on-the-paint'),
                Said::of('doubts.ask-whoever-sold-or-treated'),
            );
        }
        if (
            $situation->place->hasWater() &&
            $situation->place->tapTds === null &&
            $situation->place->tapHardness === null &&
            $situation->place->water === Water::Tap
        ) {
            $missing[] = new Missing(
                'fact',
                Said::of('doubts.how-hard-the-tap-water-is'),
                Said::of('doubts.hold-the-pen-into-the-first'),
            );
        }
        if (!$situation->later->panelMeasured && $situation->now->air->sunWM2 > 150.0) {
            $missing[] = new Missing(
                'fact',
                Said::of('doubts.how-hot-the-panels-are'),
                Said::of('doubts.point-the-thermometer-at'),
            );
        }
        if (
            $method->chosen !== null &&
            !$method->chosen->method->needsHose() &&
            (Needs::whyDecon($situation) !== null || $situation->asked->wants(Kind::Recoat))
        ) {
            $missing[] = new Missing(
                'fact',
                Said::of('doubts.decontamination-is-asked'),
                Said::of('doubts.do-it-where-there-is-water'),
            );
        }
        if (
            $method->chosen !== null &&
            $situation->seen->reading(Stage::Arrival) === null &&
            $method->chosen->method->needsHose()
        ) {
            $missing[] = new Missing(
                'fact',
                Said::of('doubts.how-the-water-stands-before'),
                Said::of('doubts.spray-one-panel-and-look-it'),
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
