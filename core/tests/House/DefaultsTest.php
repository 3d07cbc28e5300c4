<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\House;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Vicissa\Core\Drying\Exposure;
use Vicissa\Core\Drying\Film;
use Vicissa\Core\Drying\Material;
use Vicissa\Core\House\House;
use Vicissa\Core\Kit\Retirement;

/**
 * Every default that the field's own sheet states (domain §4 to §15), as it stands there: whoever turns one hears of
 * it.
 */
final class DefaultsTest extends TestCase
{
    /** @return iterable<string, array{string, float|int}> */
    public static function defaults(): iterable
    {
        $tables = [
            // §14.8
            'wear' => [
                'weather' => 0.5,
                'driving' => 0.25,
                'referenceKm' => 200,
                'washing' => 0.25,
                'dryingAidGivesBack' => 0.35,
            ],
            'wear.storage' => [
                'heated-garage' => 0.5,
                'garage' => 0.6,
                'carport' => 0.8,
                'outdoors' => 1.0,
                'harsh' => 1.3,
            ],
            'wear.road' => ['normal' => 1.0, 'unpaved' => 1.3, 'salted' => 1.6],
            'wear.wash' => [
                'touchless' => 0.8,
                'rinseless' => 0.9,
                'contact' => 1.0,
                'waterless' => 1.0,
                'alkaline-prewash' => 1.8,
                'iron-remover' => 2.5,
                'machine-brush' => 4.0,
                'clay' => 4.0,
                'stripping-cleaner' => 12.0,
            ],
            // §5
            'match.soilCeiling' => [
                'touchless' => 3,
                'multi-towel' => 5,
                'two-mitts' => 5,
                'one-mitt' => 4,
                'rinseless' => 2,
                'waterless' => 1,
            ],
            'match.mediumFactor' => [
                'multi-towel' => 0.6,
                'two-mitts' => 0.8,
                'one-mitt' => 1.0,
                'rinseless' => 1.1,
                'waterless' => 1.4,
            ],
            'match.softness' => ['soft' => 1.5, 'medium' => 1.0, 'hard' => 0.7],
            'match' => [
                'preWashFromSoil' => 3,
                'rinseLeaves' => 0.5,
                'rinseLeavesRepelling' => 0.2,
                'preWashLeaves' => 0.5,
                'foamLeaves' => 0.4,
                'frostC' => 2,
                'hotC' => 40,
                'sealsC' => 3,
                'sidesPerTowel' => 8,
            ],
            // §14.11: soil 0 to 2 gentle, 3 and 4 medium, 5 strong
            'match.strength' => [0 => 0, 1 => 0, 2 => 0, 3 => 1, 4 => 1, 5 => 2],
            // §6
            'match.waterLeft' => ['rinsed' => 0.1, 'sheeted' => 0.05, 'blown' => 0.01],
            'match.wipe' => ['uptakeTimesWeight' => 3, 'notPrerinsed' => 0.7],
            // §14.6
            'match.wipe.m2PerSide' => [0 => 1.2, 1 => 1.0, 2 => 0.8, 3 => 0.5, 4 => 0.35, 5 => 0.25],
            // §14.5
            'match.spots' => ['none' => 2, 'faint' => 8, 'visible' => 25, 'lightPaint' => 3],
            // §14.7
            'beads' => ['tight' => 100, 'good' => 85, 'weak' => 60, 'sheeting' => 30],
            // §14.10: 0 nothing, 1 warns, 2 blocks
            'match.verdict' => ['acidBelowPh' => 4, 'alkalineAbovePh' => 10],
            'match.verdict.strips.strong' => [
                'wax' => 2,
                'polymer' => 2,
                'silica-spray' => 2,
                'ceramic' => 1,
                'film' => 1,
                'wrap' => 1,
            ],
            'match.verdict.strips.slight' => [
                'wax' => 1,
                'silica-spray' => 1,
                'polymer' => 0,
                'ceramic' => 0,
                'film' => 0,
                'wrap' => 0,
            ],
            'match.verdict.onWax.silica' => ['topper' => 2, 'drying-aid' => 1],
            'match.verdict.onWax.polymer' => ['topper' => 1, 'drying-aid' => 1],
            // §14.14
            'plan' => [
                'offTarget' => 1,
                'beyondMax' => 10,
                'poorWeather' => 15,
                'travel' => 0.1,
                'overtime' => 0.5,
                'overtimeMost' => 60,
            ],
            'plan.topper' => [0 => 8, 1 => 2],
            'plan.decon' => [0 => 4, 1 => 1],
            'plan.base' => [0 => 8, 1 => 2],
            // §15.2, §10
            'visit.washM2' => ['rinseless' => 1.6, 'waterless' => 1.5],
            'visit' => ['wipedDirtier' => 0.25],
            'visit.tyreWipe' => [0 => 5, 1 => 10],
        ];
        foreach ($tables as $of => $values) {
            foreach ($values as $name => $value) {
                yield "{$of}.{$name}" => ["{$of}.{$name}", $value];
            }
        }
    }

    #[DataProvider('defaults')]
    public function testADefaultIsTheFields(string $path, float|int $value): void
    {
        self::assertEqualsWithDelta($value, (new House())->get($path), 1e-12);
    }

    public function testWhatTheSunReaches(): void
    {
        self::assertSame(
            [1.0, 0.5, 0.15],
            array_map(static fn(Exposure $exposure): float => $exposure->ofSun(), Exposure::cases()),
            'level ground, round the car, shade',
        );
    }

    /** Textiles are demoted, and retired, after so many launderings. */
    public function testHowLongTextilesServe(): void
    {
        self::assertSame(
            [
                'wash' => 80,
                'upper-mitt' => 40,
                'lower-mitt' => 40,
                'large' => 100,
                'medium' => 100,
                'catch' => 80,
                'topper' => 60,
                'glass' => 80,
                'sills' => 60,
                'jambs' => 60,
                'wheels' => 60,
            ],
            Retirement::CYCLES,
        );
    }

    /** §14.3 */
    public function testFilmsAndPanels(): void
    {
        self::assertSame(
            [0.02, 0.05, 0.05, 0.1, 0.12, 0.25],
            array_map(static fn(Film $film): float => $film->kgM2(), [
                Film::FineMist,
                Film::PreSpray,
                Film::BeadedRinse,
                Film::SheetedRinse,
                Film::DrainedFoam,
                Film::FreshFoam,
            ]),
        );
        self::assertSame(
            [2700.0, 2430.0, 5400.0],
            array_map(static fn(Material $material): float => $material->heat(), [
                Material::Steel,
                Material::Aluminium,
                Material::Fibreglass,
            ]),
        );
    }
}
