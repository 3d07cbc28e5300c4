<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

/** One step of the visit as matched. */
final readonly class StepPlan
{
    /**
     * @param list<Choice> $choices
     * @param list<string> $how
     * @param list<Caution> $cautions
     */
    public function __construct(
        public Step $step,
        public array $choices,
        public array $how,
        public array $cautions,
    ) {}
}
