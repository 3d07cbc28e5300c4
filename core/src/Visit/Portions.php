<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

use Vicissa\Core\Matching\Turn\Choice;
use Vicissa\Core\Matching\Turn\TurnMatch;
use Vicissa\Core\Mix\Doses\DosePlan;

/** The product of the doses, shared out to the steps that use it. */
final readonly class Portions
{
    public function __construct(public DosePlan $doses, private TurnMatch $match) {}

    /**
     * @param string $kind   of the step
     * @param list<Choice|null> $choices
     * @param float $share  of the vehicle this step takes
     * @return list<Portion>
     */
    public function of(string $kind, array $choices, float $share): array
    {
        $portions = [];
        foreach ($choices as $choice) {
            $bottle = $choice?->chosen?->bottle;
            if ($choice !== null && $bottle !== null) {
                $ml = $this->doses->productMl[$bottle->id] ?? null;
                // What one filling serves is shared among all that take from it.
                $sharers = count(
                    array_filter(
                        $this->match->choices,
                        static fn(Choice $one): bool => $one->chosen?->bottle->id === $bottle->id,
                    ),
                );
                $part = str_starts_with($kind, 'soften') ? TurnMatch::LOWER_THIRD : 1.0;
                $portions[] = new Portion(
                    $bottle->id,
                    $bottle->name,
                    $choice->need->role,
                    $choice->need->zone,
                    $ml === null ? null : ($ml * $share * $part) / max(1, $sharers) / $this->match->uses($choice),
                    $choice->why,
                    $bottle->paste,
                );
            }
        }

        return $portions;
    }
}
