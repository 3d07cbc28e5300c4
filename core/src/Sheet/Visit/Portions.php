<?php

declare(strict_types=1);

namespace Vicissa\Core\Sheet\Visit;

use Vicissa\Core\Matching\Turn\Choice;
use Vicissa\Core\Mix\Doses\DosePlan;

/** The product of the doses, shared out to the steps that use it. */
final readonly class Portions
{
    /** @param list<Choice> $all  every choice of the match: what one filling serves is shared among them */
    public function __construct(
        public DosePlan $doses,
        private array $all,
    ) {}

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
                $sharers = count(array_filter($this->all, static fn(Choice $one): bool => $one->chosen?->bottle->id === $bottle->id));
                $portions[] = new Portion($bottle->id, $bottle->name, $choice->need->role, $choice->need->zone, $ml === null ? null : $ml * $share / max(1, $sharers), $choice->why);
            }
        }

        return $portions;
    }
}
