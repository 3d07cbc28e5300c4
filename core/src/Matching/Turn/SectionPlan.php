<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Units\Measures;

/** How much of the vehicle can be worked at once before a film dries (domain §5). */
final readonly class SectionPlan
{
    private function __construct(
        public Step $step,
        /** Seconds from wet to workable no longer; null when it stays wet. */
        public ?float $workingS,
        /** Panels of about a door that can be worked in one go; 0 when not even one. */
        public int $panels,
        /** How many goes the whole vehicle takes; 1 is all at once. */
        public int $sections,
        public string $says,
    ) {}

    /** @param float $paceSM2  hands-on seconds a m², putting on and taking off */
    public static function of(Step $step, Situation $situation, ?float $workingS, float $dwellMinS, float $paceSM2): self
    {
        $rules = $situation->rules;
        $area = $situation->vehicle->paintM2;
        $all = (int) ceil($area / $rules->panelM2 - 1e-9);
        $name = $step->says();
        if ($workingS === null) {
            return new self($step, null, $all, 1, sprintf('%s: It stays wet for as long as it takes; the whole vehicle at once.', $name));
        }
        $usable = max(0.0, $workingS - $dwellMinS);
        $panels = min($all, (int) floor($usable / $paceSM2 / $rules->panelM2 + 1e-9));
        $sections = $panels === 0 ? $all : (int) ceil($all / $panels);
        $window = Measures::time($workingS);

        return new self($step, $workingS, $panels, $sections, match (true) {
            $panels === 0 => sprintf('%s: The film is workable for %s, too short for even one panel. Cool the panel, find shade, or move the hour.', $name, $window),
            $sections === 1 => sprintf('%s: Workable for %s, enough for the whole vehicle at once.', $name, $window),
            default => sprintf('%s: Workable for %s. %d panel%s at a time, %d goes.', $name, $window, $panels, $panels === 1 ? '' : 's', $sections),
        });
    }
}
