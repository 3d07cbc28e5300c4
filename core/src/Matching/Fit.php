<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching;

use Vicissa\Core\Protection\Family;

/** How well an allowed product suits a layer (domain, model "match"): higher first, then cheaper, then by name. */
final readonly class Fit
{
    private function __construct(
        public int $points,
        /** Why, in words. */
        public string $why,
    ) {}

    public static function of(Verdict $verdict, Leaves $leaves, ?string $line, Family $layer, ?string $layerLine): self
    {
        $sameLine = $line !== null && $line !== '' && $line === $layerLine;
        $points = ($sameLine ? 3 : 0)
            + ($leaves->suits($layer) ? 2 : 0)
            + ($leaves === Leaves::Nothing ? 1 : 0)
            - 2 * $verdict->warnings();
        $why = array_filter([
            $sameLine ? sprintf('from the same line as the layer (%s)', $line) : null,
            $leaves->suits($layer) ? sprintf('feeds the layer with its own kind (%s)', $leaves->value) : null,
            $leaves === Leaves::Nothing ? 'leaves nothing behind' : null,
            $verdict->warnings() > 0 ? sprintf('%d caution%s', $verdict->warnings(), $verdict->warnings() === 1 ? '' : 's') : null,
        ]);

        return new self($points, $why === [] ? 'Allowed here, nothing in particular speaks for it.' : ucfirst(implode(', ', $why)).'.');
    }
}
