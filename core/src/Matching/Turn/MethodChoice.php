<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Units\Measures;

/**
 * Which method may touch the paint today, and which is chosen (domain §5). Over its ceiling a method is refused, not
 * just disliked.
 */
final readonly class MethodChoice
{
    /**
     * @param list<MethodOption> $options
     * @param list<string> $instead  what would make it possible, when nothing is
     */
    private function __construct(
        public array $options,
        public ?MethodOption $chosen,
        public string $why,
        public array $instead,
    ) {}

    public static function of(Situation $situation, Schools $schools): self
    {
        $options = array_map(
            static fn(Method $method): MethodOption => self::option($situation, $schools, $method),
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

    private static function option(Situation $situation, Schools $schools, Method $method): MethodOption
    {
        [$rules, $seen, $place] = [$situation->rules, $situation->seen, $situation->place];
        $path = SoilPath::of($situation, $schools, $method);
        $shelf = Ranking::of($situation, $schools, $method->role(), Zone::Paint);
        $ceiling = $rules->ceiling($method);
        $refused = array_values(
            array_filter([
                $situation->isFrozenOut()
                    ? sprintf('Air below %s: no wet work outdoors.', $situation->measures->temperature($rules->frostC))
                    : null,
                $place->bay && $method->needsHose() && $situation->now->isFreezing($rules)
                    ? 'Frost outside the bay.'
                    : null,
                $situation->now->panelC > $rules->hotC
                    ? sprintf(
                        'The panel is at %s, and above %s nothing is worked: shade, or another hour.',
                        $situation->measures->temperature($situation->now->panelC),
                        $situation->measures->temperature($rules->hotC),
                    )
                    : null,
                $method->needsHose() && !$place->hasWater() ? 'There is no water for a hose.' : null,
                $method === Method::Touchless && $place->hasWater() && !$place->pressure
                    ? 'It needs pressure water.'
                    : null,
                $method === Method::Touchless && !$situation->repels()
                    ? 'It needs a layer that repels, and the water does not run off here.'
                    : null,
                $seen->soil > $ceiling ? sprintf('Soil %d is over its ceiling of %d.', $seen->soil, $ceiling) : null,
                !$method->needsHose() && $seen->grit ? 'There is grit: wiping would drag it over the paint.' : null,
                !$place->hasWater() || !$method->needsHose() ? null : $path->lacks,
                $shelf->best() === null ? ucfirst($shelf->whyNone()) . '.' : null,
            ]),
        );
        $film =
            $method === Method::Touchless && $seen->soil >= $ceiling
                ? 'A faint film stays: at this soil foam and water don’t take all of it.'
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
    private static function why(Situation $situation, array $options, ?MethodOption $chosen, Method $preferred): string
    {
        $seen = $situation->seen;
        $soil = sprintf('soil %d%s', $seen->soil, $seen->grit ? ' with grit' : '');
        if ($chosen === null) {
            // What stands against all of them; else what stands against the one that is wished for.
            $shared = array_values(
                array_intersect(...array_map(static fn(MethodOption $option): array => $option->refused, $options)),
            );
            $of = static fn(Method $method): ?string => array_values(
                array_filter($options, static fn(MethodOption $option): bool => $option->method === $method),
            )[0]->refused[0] ?? null;
            $reason =
                $shared[0] ??
                ($situation->place->hasWater()
                    ? $of($preferred)
                    : sprintf('There is no water for a hose; rinseless: %s', lcfirst((string) $of(Method::Rinseless))));

            return sprintf(
                'Nothing may touch %s under these conditions%s.',
                $soil,
                $reason === null ? '' : ': ' . lcfirst(rtrim($reason, '.')),
            );
        }
        $refusal =
            array_values(
                array_filter($options, static fn(MethodOption $option): bool => $option->method === $preferred),
            )[0]->refused[0] ?? null;
        $first = match (true) {
            $refusal === null && !$preferred->needsHose() => sprintf(
                'A quick visit on %s is wiped: %s',
                $soil,
                lcfirst($chosen->method->says()),
            ),
            $refusal === null => sprintf('%s is your school, and it may meet %s', $chosen->method->says(), $soil),
            default => sprintf(
                '%s is refused (%s). %s is the gentlest that may meet %s',
                $preferred->says(),
                lcfirst(rtrim($refusal, '.')),
                $chosen->method->says(),
                $soil,
            ),
        };
        $softened =
            count($chosen->path->stages) > 0
                ? sprintf(', of which %s is left when the paint is touched', Measures::plain($chosen->path->left, 2))
                : '';
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

        return $first .
            ($chosen->method === Method::Touchless ? '' : $softened) .
            '.' .
            ($situation->vehicle->isSoft() && $gentlest !== null
                ? sprintf(
                    ' The paint is soft: %s would carry %d %% less contact risk.',
                    lcfirst($gentlest->method->says()),
                    round(100.0 * (1.0 - $gentlest->risk / $chosen->risk)),
                )
                : '') .
            ($chosen->leaves === null ? '' : ' ' . $chosen->leaves);
    }

    /** @return list<string> */
    private static function instead(Situation $situation): array
    {
        [$place, $seen, $rules] = [$situation->place, $situation->seen, $situation->rules];

        return array_values(
            array_filter([
                $situation->isFrozenOut()
                    ? 'Take it into a warm bay, where rinseless is possible up to a road film; or wait for milder air.'
                    : null,
                !$place->hasWater() && ($seen->grit || $seen->soil > $rules->ceiling(Method::Rinseless))
                    ? 'Bring a tank: with water the dirt can be loosened and rinsed away before anything touches it.'
                    : null,
                $situation->now->air->sunWM2 > 250.0 && !$place->shade && !$place->bay
                    ? 'Find shade, or come at another hour.'
                    : null,
                $place->hasWater() && $situation->now->panelC - $situation->now->wetPanelC > 5.0
                    ? sprintf(
                        'Kept wet with plain water the panel settles near %s: measure it then and match again.',
                        $situation->measures->temperature($situation->now->wetPanelC),
                    )
                    : null,
                'Or move the turn.',
            ]),
        );
    }
}
