<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Matching\Method;
use Vicissa\Core\Says\Said;

/** The stages before contact for a method, and the soil each of them leaves. */
final readonly class SoilPath
{
    /** @param list<array{stage: Softening, left: float}> $stages */
    private function __construct(
        public array $stages,
        /** Soil that is left when the paint is touched, on the scale of 0 to 5. */
        public float $left,
        /** Null when it is ready to be touched, else what is missing. */
        public ?Said $lacks,
    ) {}

    /**
     * @param Ranking $foams   what there is to foam the paint with
     * @param Ranking $sprays  and to spray on it before
     */
    public static function of(Situation $situation, Method $method, Ranking $foams, Ranking $sprays): self
    {
        $rules = $situation->rules;
        $foam = $foams->best() !== null;
        $spray = $sprays->best() !== null;
        $wanted = $situation->seen->wantsPreWash($rules);
        $stages = match (true) {
            !$method->needsHose() => [],
            $method === Method::Touchless => $foam ? [Softening::Foam, Softening::Foam] : [Softening::Rinse],
            default => self::possible(
                $rules->stages[max($situation->seen->soil, $wanted ? $rules->preWashFromSoil : 0)],
                $foam,
                $spray,
                $wanted,
            ),
        };
        $left = (float) $situation->seen->soil;
        $path = [];
        foreach ($stages as $stage) {
            $left *= match ($stage) {
                Softening::Rinse => $situation->repels() ? $rules->rinseLeavesRepelling : $rules->rinseLeaves,
                Softening::PreWash => $rules->preWashLeaves,
                Softening::Foam => $rules->foamLeaves,
                Softening::FoamAgain => 1.0,
            };
            $path[] = ['stage' => $stage, 'left' => $left];
        }
        $softened = array_filter($stages, static fn(Softening $stage): bool => $stage !== Softening::Rinse) !== [];

        return new self(
            $path,
            $left,
            match (true) {
                !$method->needsHose() || $method === Method::Touchless || !$wanted || $softened => null,
                default => Said::of(
                    'soil-path.it-needs-a-pre-wash-before',
                    foam: $foams->whyNone(),
                    prewash: $sprays->whyNone(),
                ),
            },
        );
    }

    /**
     * The stages with what there is: foam stands in for a missing spray and the other way round.
     *
     * @param list<string> $stages
     * @return list<Softening>
     */
    private static function possible(array $stages, bool $foam, bool $spray, bool $wanted): array
    {
        $possible = [];
        foreach (array_map(Softening::from(...), $stages) as $stage) {
            $possible[] = match ($stage) {
                Softening::Rinse => Softening::Rinse,
                Softening::PreWash => $spray ? Softening::PreWash : ($foam ? Softening::Foam : null),
                Softening::Foam => $foam ? Softening::Foam : ($spray && $wanted ? Softening::PreWash : null),
                Softening::FoamAgain => $foam ? Softening::FoamAgain : null,
            };
        }

        return array_values(array_filter($possible));
    }
}
