<?php

declare(strict_types=1);

namespace Tests\Study;

use Vicissa\Core\Planning\Instance;
use Vicissa\Core\Tests\Planning\Instances;

/** Drawn weeks on which the planner is measured, and the best plan anybody has found of each. */
final readonly class PlanSuite
{
    private const KNOWN = __DIR__ . '/plans.json';

    /** Vehicles, weeks, crews, vehicles to a site, whether some visits are locked. */
    private const SHAPES = [
        [8, 4, 1, 2, false],
        [8, 8, 1, 3, true],
        [12, 4, 1, 3, false],
        [12, 6, 1, 2, true],
        [12, 10, 2, 4, false],
        [16, 6, 1, 3, true],
        [16, 8, 2, 2, false],
        [20, 6, 1, 4, false],
        [20, 8, 2, 3, true],
        [24, 4, 2, 3, false],
        [24, 8, 2, 3, true],
        [24, 8, 2, 5, false],
        [30, 6, 2, 3, true],
        [30, 10, 2, 5, false],
        [40, 6, 2, 4, false],
        [40, 8, 3, 3, true],
        [50, 6, 3, 5, false],
        [50, 8, 3, 3, true],
        [60, 6, 3, 4, false],
        [60, 8, 3, 6, true],
    ];

    /** @return iterable<string, Instance> */
    public static function weeks(): iterable
    {
        foreach (self::SHAPES as $n => [$vehicles, $weeks, $crews, $perSite, $locks]) {
            yield "{$vehicles} x {$weeks} weeks x {$crews}" .
                ($locks ? ' locked' : " to {$perSite}") => Instances::draw(
                700 + $n,
                $vehicles,
                7 * $weeks,
                $crews,
                $perSite,
                $locks,
            );
        }
    }

    /** @return array<string, float> points by name; a million for each thing that can't be met */
    public static function known(): array
    {
        return is_file(self::KNOWN) ? (array) json_decode((string) file_get_contents(self::KNOWN), true) : [];
    }

    /** @param array<string, float> $known */
    public static function keep(array $known): void
    {
        file_put_contents(self::KNOWN, json_encode($known, JSON_PRETTY_PRINT | JSON_PRESERVE_ZERO_FRACTION) . "\n");
    }
}
