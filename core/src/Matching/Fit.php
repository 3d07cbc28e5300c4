<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching;

use Vicissa\Core\Protection\Family;

/**
 * How well an allowed product suits a layer (domain, model "match"): higher first, then cheaper, then by name. Of
 * cleaners the gentlest that is strong enough.
 */
final readonly class Fit
{
    private function __construct(
        public int $points,
        /** Why, in words. */
        public string $why,
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
            $sameLine ? sprintf('from the same line as the layer (%s)', $line) : null,
            $leaves->suits($layer) ? sprintf('feeds the layer with its own kind (%s)', $leaves->value) : null,
            $leaves === Leaves::Nothing ? 'leaves nothing behind' : null,
            match (true) {
                $has === null || $wants === null => null,
                $off === 0 => sprintf('%s, as much as this dirt asks for', $has->says()),
                $off > 0 => 'stronger than this dirt asks for',
                default => 'gentler than this dirt asks for',
            },
            $verdict->warnings() > 0
                ? sprintf('%d caution%s', $verdict->warnings(), $verdict->warnings() === 1 ? '' : 's')
                : null,
        ]);

        return new self(
            $points,
            $why === [] ? 'Allowed here, nothing in particular speaks for it.' : ucfirst(implode(', ', $why)) . '.',
        );
    }
}
