<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Says\Amount;
use Vicissa\Core\Says\Said;

/**
 * Which method may touch the paint today, and which is chosen (domain §5). Over its ceiling a method is refused, not
 * just disliked.
 */
final readonly class MethodChoice
{
    /**
     * @param list<MethodOption> $options
     * @param list<Said> $instead  what would make it possible, when nothing is
     */
    private function __construct(
        public array $options,
        public ?MethodOption $chosen,
        public Said $why,
        public array $instead,
    ) {}

    public static function of(Situation $situation, Schools $schools): self
    {
        $paint = [];
        foreach (
            [Role::Foam, Role::Prewash, ...array_map(static fn(Method $one): Role => $one->role(), Method::cases())]
            as $role
        ) {
            $paint[$role->value] ??= Ranking::of($situation, $schools, $role, Zone::Paint);
        }
        $options = array_map(
            static fn(Method $method): MethodOption => self::option($situation, $method, $paint),
            Method::cases(),
        );
        $allowed = array_values(array_filter($options, static fn(MethodOption $option): bool => $option->allowed()));
        usort(
            $allowed,
            static fn(MethodOption $a, MethodOption $b): int => $situation->rules->medium($a->method) <=>
                $situation->rules->medium($b->method),
        );
        $school = Method::from($schools->side(School::Method));
        $preferred = self::quick($situation, $allowed) ?? $school;
        $chosen =
            array_values(
                array_filter($allowed, static fn(MethodOption $option): bool => $option->method === $preferred),
            )[0] ??
            ($allowed[0] ?? null);

        return new self(
            $options,
            $chosen,
            self::why($situation, $options, $chosen, $preferred),
            $chosen === null ? self::instead($situation) : [],
        );
    }

    /**
     * A quick visit on dust is wiped: rinseless, or waterless where there is nothing else. Anything dirtier is washed
     * as always.
     *
     * @param list<MethodOption> $allowed
     */
    private static function quick(Situation $situation, array $allowed): ?Method
    {
        if (
            !$situation->asked->scope->isQuick() ||
            $situation->seen->soil > $situation->rules->ceiling(Method::Waterless)
        ) {
            return null;
        }
        $may = array_map(static fn(MethodOption $option): Method => $option->method, $allowed);

        return array_values(
            array_filter(
                [Method::Rinseless, Method::Waterless],
                static fn(Method $method): bool => in_array($method, $may, true),
            ),
        )[0] ?? null;
    }

    public function method(): ?Method
    {
        return $this->chosen?->method;
    }

    /** Touchless on a dirty car leaves a faint film: nothing may rub over it. */
    public function leavesFilm(): bool
    {
        return $this->chosen?->leaves !== null;
    }

    /** @param array<string, Ranking> $paint  what there is for the paint, by role */
    private static function option(Situation $situation, Method $method, array $paint): MethodOption
    {
        [$rules, $seen, $place] = [$situation->rules, $situation->seen, $situation->place];
        $path = SoilPath::of($situation, $method, $paint[Role::Foam->value], $paint[Role::Prewash->value]);
        $shelf = $paint[$method->role()->value];
        $ceiling = $rules->ceiling($method);
        $refused = array_values(
            array_filter([
                $situation->isFrozenOut()
                    ? Said::of('method-choice.air-below-no-wet-work', temperature: Amount::temperature($rules->frostC))
                    : null,
                $place->bay && $method->needsHose() && $situation->now->isFreezing($rules)
                    ? Said::of('method-choice.frost-outside-the-bay')
                    : null,
                $situation->now->panelC > $rules->hotC
                    ? Said::of(
                        'method-choice.the-panel-is-at-and-above',
                        temperature: Amount::temperature($situation->now->panelC),
                        limit: Amount::temperature($rules->hotC),
                    )
                    : null,
                $method->needsHose() && !$place->hasWater() ? Said::of('method-choice.there-is-no-water-for-a') : null,
                $method === Method::Touchless && $place->hasWater() && !$place->pressure
                    ? Said::of('method-choice.it-needs-pressure-water')
                    : null,
                $method === Method::Touchless && !$situation->repels()
                    ? Said::of('method-choice.it-needs-a-layer-that')
                    : null,
                $seen->soil > $ceiling
                    ? Said::of('method-choice.soil-is-over-its-ceiling-of', soil: $seen->soil, ceiling: $ceiling)
                    : null,
                !$method->needsHose() && $seen->grit ? Said::of('method-choice.there-is-grit-wiping-would') : null,
                !$place->hasWater() || !$method->needsHose() ? null : $path->lacks,
                $shelf->best() === null ? Said::sentence($shelf->whyNone()) : null,
            ]),
        );
        $film =
            $method === Method::Touchless && $seen->soil >= $ceiling
                ? Said::of('method-choice.a-faint-film-stays-at-this')
                : null;

        return new MethodOption(
            $method,
            $path,
            $path->left * $rules->medium($method) * $situation->softness(),
            $refused,
            $shelf->best() === null,
            $film,
        );
    }

    /** @param list<MethodOption> $options */
    private static function why(Situation $situation, array $options, ?MethodOption $chosen, Method $preferred): Said
    {
        $seen = $situation->seen;
        $soil = Said::of(
            'method-choice.soil',
            soil: $seen->soil,
            grit: $seen->grit ? Said::of('method-choice.with-grit') : null,
        );
        if ($chosen === null) {
            // What stands against all of them; else what stands against the one that is wished for.
            $shared = array_values(
                array_filter(
                    $options[0]->refused ?? [],
                    static fn(Said $why): bool => array_filter(
                        $options,
                        static fn(MethodOption $option): bool => !$why->isAmong($option->refused),
                    ) === [],
                ),
            );
            $of = static fn(Method $method): ?Said => array_values(
                array_filter($options, static fn(MethodOption $option): bool => $option->method === $method),
            )[0]->refused[0] ?? null;
            $reason =
                $shared[0] ??
                ($situation->place->hasWater()
                    ? $of($preferred)
                    : Said::of(
                        'method-choice.no-hose-and-rinseless-refused',
                        why: ($why = $of(Method::Rinseless)) === null ? null : Said::lower($why),
                    ));

            return Said::of(
                'method-choice.nothing-may-touch-under',
                soil: $soil,
                because: $reason === null ? null : Said::of('method-choice.because', reason: Said::clause($reason)),
            );
        }
        $refusal =
            array_values(
                array_filter($options, static fn(MethodOption $option): bool => $option->method === $preferred),
            )[0]->refused[0] ?? null;
        $first = match (true) {
            $refusal === null && !$preferred->needsHose() => Said::of(
                'method-choice.a-quick-visit-on-is-wiped',
                soil: $soil,
                method: Said::lower($chosen->method->says()),
            ),
            $refusal === null => Said::of(
                'method-choice.is-your-school-and-it-may',
                method: $chosen->method->says(),
                soil: $soil,
            ),
            default => Said::of(
                'method-choice.is-refused-is-the-gentlest',
                preferred: $preferred->says(),
                why: Said::clause($refusal),
                method: $chosen->method->says(),
                soil: $soil,
            ),
        };
        $softened =
            count($chosen->path->stages) > 0
                ? Said::of('method-choice.of-which-is-left-when-the', left: $chosen->path->left)
                : null;
        $gentlest = null;
        foreach ($options as $option) {
            if (
                $option->allowed() &&
                $option->method !== Method::Touchless &&
                $option->risk < 0.9 * $chosen->risk &&
                ($gentlest === null || $option->risk < $gentlest->risk)
            ) {
                $gentlest = $option;
            }
        }

        return Said::after(
            Said::of(
                'method-choice.chosen',
                first: $first,
                softened: $chosen->method === Method::Touchless ? null : $softened,
                gentler: $situation->vehicle->isSoft() && $gentlest !== null
                    ? Said::of(
                        'method-choice.the-paint-is-soft-would',
                        method: Said::lower($gentlest->method->says()),
                        percent: round(100.0 * (1.0 - $gentlest->risk / $chosen->risk)),
                    )
                    : null,
            ),
            $chosen->leaves,
        );
    }

    /** @return list<Said> */
    private static function instead(Situation $situation): array
    {
        [$place, $seen, $rules] = [$situation->place, $situation->seen, $situation->rules];

        return array_values(
            array_filter([
                $situation->isFrozenOut() ? Said::of('method-choice.take-it-into-a-warm-bay') : null,
                !$place->hasWater() && ($seen->grit || $seen->soil > $rules->ceiling(Method::Rinseless))
                    ? Said::of('method-choice.bring-a-tank-with-water-the')
                    : null,
                $situation->now->air->sunWM2 > 250.0 && !$place->shade && !$place->bay
                    ? Said::of('method-choice.find-shade-or-come-at')
                    : null,
                $place->hasWater() && $situation->now->panelC - $situation->now->wetPanelC > 5.0
                    ? Said::of(
                        'method-choice.kept-wet-with-plain-water',
                        temperature: Amount::temperature($situation->now->wetPanelC),
                    )
                    : null,
                Said::of('method-choice.or-move-the-turn'),
            ]),
        );
    }
}
