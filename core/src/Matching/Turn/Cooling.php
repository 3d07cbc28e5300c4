<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

/** Panels too hot to work on, and where they settle while they are kept wet. */
final readonly class Cooling
{
    /** Less than this is no cooling, K. */
    private const WORTH_K = 3.0;

    private function __construct(public float $fromC, public float $toC) {}

    /** Null where there is no water for it, or where it would not help. */
    public static function of(Situation $situation): ?self
    {
        $now = $situation->now;

        return $situation->cooling === null &&
            $situation->place->hasWater() &&
            !$situation->isFrozenOut() &&
            $now->panelC - $now->wetPanelC >= self::WORTH_K
            ? new self($now->panelC, $now->wetPanelC)
            : null;
    }
}
