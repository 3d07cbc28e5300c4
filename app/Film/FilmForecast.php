<?php

declare(strict_types=1);

namespace App\Film;

use Vicissa\Core\Says\Said;

/** A forecast as the film draws it; lives in wear-weeks, moments in seconds since 1970. */
final readonly class FilmForecast
{
    public function __construct(
        public float $p10,
        public float $p50,
        public float $p90,
        public ?Said $why,
        public ?int $p10At,
        public ?int $p50At,
        public ?int $p90At,
        public ?int $from,
        public ?int $due,
        public ?int $late,
    ) {}
}
