<?php

declare(strict_types=1);

namespace App\Record;

/** A forecast as the film draws it; lives in wear-weeks, moments in seconds since 1970. */
final readonly class FilmForecast
{
    public function __construct(
        public float $perWeek,
        public float $p10,
        public float $p50,
        public float $p90,
        public string $why,
        public ?int $from,
        public ?int $due,
        public ?int $late,
    ) {}
}
