<?php

declare(strict_types=1);

namespace Tests\Study;

use Closure;

/** How lives come about, of which a forecast knows nothing: the way it assumes, and others. */
final readonly class World
{
    /**
     * @param Closure(Luck): float $scatter        ln life of a layer beside product and vehicle
     * @param float $vehicles                      standard deviation of vehicles
     * @param float $clogged                       share of sound layers that fail a reading after a wash
     * @param (Closure(int): float)|null $season   wear in a month beside what is reckoned
     * @param float|null $life                     wear-weeks, of a label that says twelve; null: around what a label is believed
     */
    private function __construct(
        public string $name,
        public Closure $scatter,
        public float $vehicles = 0.2,
        public float $clogged = 0.0,
        public ?Closure $season = null,
        public ?float $life = null,
    ) {}

    /** @return list<self> */
    public static function all(): array
    {
        $normal = static fn(Luck $luck): float => 0.25 * $luck->normal();

        return [
            new self('as assumed', $normal),
            // ln of a Weibull life whose median is one.
            new self('Weibull, shape 2.5', static fn(Luck $luck): float => log(-log($luck->even()) / M_LN2) / 2.5),
            new self(
                'two kinds of outcome',
                static fn(Luck $luck): float => 0.15 * $luck->normal() + ($luck->even() < 0.5 ? 0.35 : -0.6),
            ),
            new self(
                'a season off by up to two',
                $normal,
                season: static fn(int $month): float => 2.0 ** (0.5 * cos(($month * M_PI) / 6.0)),
            ),
            new self(
                'one in five of a bad batch',
                static fn(Luck $luck): float => 0.25 * $luck->normal() + ($luck->even() < 0.2 ? -0.9 : 0.0),
            ),
            new self('one reading in ten clogged', $normal, clogged: 0.1),
            new self(
                'heavy tails',
                // Student's t of three.
                static fn(Luck $luck): float => (0.25 * $luck->normal()) /
                    sqrt(max(0.02, ($luck->normal() ** 2 + $luck->normal() ** 2 + $luck->normal() ** 2) / 3.0)),
            ),
            new self('vehicles far apart', $normal, vehicles: 0.45),
            new self('hardly any scatter', static fn(Luck $luck): float => 0.1 * $luck->normal(), vehicles: 0.1),
            new self('label 12 weeks, truth 3', $normal, life: 3.0),
        ];
    }
}
