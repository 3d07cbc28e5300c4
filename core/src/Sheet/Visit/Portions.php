<?php

declare(strict_types=1);

namespace Vicissa\Core\Sheet\Visit;

use Vicissa\Core\Matching\Turn\Choice;
use Vicissa\Core\Mix\Doses\DosePlan;

/** The product of the doses, shared out to the steps that use it. */
final readonly class Portions
{
    public function __construct(public DosePlan $doses) {}

    /**
     * @param list<Choice|null> $choices
     * @param float $share  of the vehicle this step takes
     * @return list<Portion>
     */
    public function of(array $choices, float $share): array
    {
        $portions = [];
        foreach ($choices as $choice) {
            $bottle = $choice?->chosen?->bottle;
            if ($choice !== null && $bottle !== null) {
                $ml = $this->doses->productMl[$bottle->id] ?? null;
                $portions[] = new Portion($bottle->id, $bottle->name, $choice->need->role, $choice->need->zone, $ml === null ? null : $ml * $share, $choice->why);
            }
        }

        return $portions;
    }
}
