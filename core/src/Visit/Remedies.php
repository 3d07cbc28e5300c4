<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

use Vicissa\Core\Matching\Turn\Choice;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Matching\Turn\Situation;
use Vicissa\Core\Says\Said;

/** What would make a visit workable that is not: each change is tried, and only those that help are offered. */
final readonly class Remedies
{
    /** @return list<Remedy> the earliest finish first */
    public static function for(Visit $visit, Situation $situation, Schools $schools, Outfit $outfit): array
    {
        if ($visit->isWorkable()) {
            return [];
        }
        $tries = [];
        if ($outfit->crew === 1) {
            $tries[] = [
                'helper',
                Said::of('remedies.with-a-second-pair-of-hands'),
                null,
                $situation,
                $outfit->withHelper(),
            ];
        }
        if (!$situation->place->shade && !$situation->place->bay) {
            $tries[] = [
                'shade',
                Said::of('remedies.in-the-shade'),
                null,
                $situation->movedTo($situation->place->inShade()),
                $outfit,
            ];
        }
        foreach (self::clashing($visit) as $choice) {
            $id = $choice->chosen?->bottle->id;
            $tries[] = [
                'product',
                Said::of('remedies.without', bottle: $choice->chosen->bottle->name ?? ''),
                $id,
                $situation->without([$id ?? '']),
                $outfit,
            ];
        }
        $remedies = [];
        foreach ($tries as [$kind, $says, $without, $then, $with]) {
            $other = Visit::of($then, $schools, $with);
            if ($other->schedule !== null) {
                $instead = $without === null ? null : self::instead($visit, $other);
                $remedies[] = new Remedy(
                    $kind,
                    Said::of(
                        'remedies.it-can-be-worked-in-minutes',
                        says: $says,
                        instead: $instead,
                        finish: $other->schedule->finish,
                    ),
                    $other->schedule->finish,
                    $without,
                );
            }
        }
        usort($remedies, static fn(Remedy $a, Remedy $b): int => $a->finish <=> $b->finish);

        return $remedies;
    }

    /** @return list<Choice> whose products the clash is about */
    private static function clashing(Visit $visit): array
    {
        $steps = array_filter(
            $visit->steps,
            static fn(VisitStep $step): bool => $visit->clash === [] || in_array($step->id, $visit->clash, true),
        );
        $ids = array_merge(
            ...array_map(
                static fn(VisitStep $step): array => array_map(
                    static fn(Portion $portion): string => $portion->productId,
                    $step->portions,
                ),
                $steps,
            ),
            ...[[]],
        );

        return array_values(
            array_filter(
                $visit->match->choices,
                static fn(Choice $choice): bool => in_array($choice->chosen?->bottle->id, $ids, true) &&
                    $choice->atMostS !== null,
            ),
        );
    }

    private static function instead(Visit $visit, Visit $other): Said
    {
        $names = static fn(Visit $one): array => array_values(
            array_unique(
                array_map(
                    static fn(Choice $choice): string => $choice->chosen->bottle->name ?? '',
                    $one->match->choices,
                ),
            ),
        );
        $new = array_values(array_filter(array_diff($names($other), $names($visit))));

        return Said::of('remedies.instead', count: count($new), bottles: Said::list($new));
    }
}
