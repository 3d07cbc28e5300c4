<?php

declare(strict_types=1);

namespace App\Film;

use Vicissa\Core\Record\LayerSpan;

/** A layer as the film draws it. */
final readonly class FilmLayer
{
    /**
     * @param float $life  wear-weeks at which it is drawn as used up
     */
    public function __construct(
        public string $id,
        public LayerSpan $span,
        public string $kind,
        public ?string $name,
        public string $designed,
        public ?int $failedAt,
        public ?int $suspectAt,
        public float $life,
        public ?FilmForecast $forecast,
    ) {}
}
