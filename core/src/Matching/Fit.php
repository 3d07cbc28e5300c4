<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching;

use Vicissa\Core\Protection\Family;
use Vicissa\Core\Says\Said;

/**
 * How well an allowed product suits a layer (domain, model "match"): higher first, then cheaper, then by name. Of
 * cleaners the gentlest that is strong enough.
 */
final readonly class Fit
{
    private function __construct(
        public int $points,
        /** Why, in words. */
        public Said $why,
    ) {}

    /**
     * @param Strength|null $has    how strong it is, and …
     * @param Strength|null $wants  … how strong the dirt asks for; null where that decides nothing
     */
    public static function of(
        Verdict $verdict,
        Leaves $leaves,
        ?string $line,
        Family $layer,
        ?string $layerLine,
        ?Strength $has = null,
        ?Strength $wants = null,
    ): self {
        $off = $has === null || $wants === null ? 0 : $has->value - $wants->value;
        $sameLine = $line !== null && $line !== '' && $line === $layerLine;
        $points =
            ($sameLine ? 3 : 0) +
            ($leaves->suits($layer) ? 2 : 0) +
            ($leaves === Leaves::Nothing ? 1 : 0) -
            2 * $verdict->warnings() -
            abs($off);
        $why = array_filter([
            $sameLine ? Said::of('fit.from-the-same-line-as-the', line: $line) : null,
            $leaves->suits($layer) ? Said::of('fit.feeds-the-layer-with-its', leaves: $leaves->value) : null,
            $leaves === Leaves::Nothing ? Said::of('fit.leaves-nothing-behind') : null,
            match (true) {
                $has === null || $wants === null => null,
                $off === 0 => Said::of('fit.as-much-as-this-dirt-asks', has: $has->says()),
                $off > 0 => Said::of('fit.stronger-than-this-dirt'),
                default => Said::of('fit.gentler-than-this-dirt-asks'),
            },
            $verdict->warnings() > 0 ? Said::of('fit.cautions', count: $verdict->warnings()) : null,
        ]);

        return new self(
            $points,
            $why === [] ? Said::of('fit.allowed-here-nothing-in') : Said::sentence(Said::list(array_values($why))),
        );
    }
}
