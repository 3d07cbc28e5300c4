<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Visit;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Vicissa\Core\Matching\Body;
use Vicissa\Core\Matching\Turn\Bottle;
use Vicissa\Core\Matching\Turn\School;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Tests\Matching\Scene;
use Vicissa\Core\Visit\Outfit;
use Vicissa\Core\Visit\Pace;
use Vicissa\Core\Visit\TankAtHand;

/** Days drawn at random: bodies, layers, finishes, soils, weathers, gear, crews, schools and shelves. */
final class Days
{
    /** What may lie on a paint, as a case is written: family, chemistry, behaviour. */
    public const BASES = [
        ['ceramic', 'Karst'],
        ['ceramic', 'Karst', 'sheets'],
        ['wax', 'Beeswing'],
        ['polymer'],
        ['silica-spray'],
        ['film'],
        ['wrap'],
        null,
        'unknown',
    ];

    /** @return array{array<string, mixed>, Schools, Outfit} */
    public static function draw(int $seed): array
    {
        $random = new Randomizer(new Xoshiro256StarStar($seed));
        $any = static fn(array $of): mixed => $of[$random->getInt(0, count($of) - 1)];
        $may = static fn(int $percent): bool => $random->getInt(1, 100) <= $percent;
        $body = $any(Body::cases());
        $names = array_map(static fn(Bottle $bottle): string => $bottle->name, Scene::shelf());
        $schools = Schools::of();
        foreach (School::cases() as $school) {
            $schools = $may(60) ? $schools : $schools->with($school, (string) $any(array_keys($school->sides())));
        }
        $more = array_values(
            array_filter([
                $may(30) ? Scene::tin() : null,
                $may(30)
                    ? Scene::bottle(
                        'Rim Seal',
                        'topper',
                        leaves: 'silica',
                        rinse: true,
                        dwell: [30, 60],
                        mix: ['bottle' => 1.0],
                        weeks: 6,
                        applied: 'wet-rinse',
                        on: ['wheels'],
                    )
                    : null,
                $may(30)
                    ? Scene::bottle(
                        'Wide Soap',
                        'soap',
                        rinse: true,
                        mix: ['bucket' => 0.002],
                        on: ['paint', 'wheels', 'trim'],
                    )
                    : null,
            ]),
        );
        $on = array_values(
            array_filter(
                ['insects', 'bird-lime', 'sap', 'tar', 'iron', 'salt', 'rough'],
                static fn(): bool => $may(12),
            ),
        );

        return [
            [
                'soil' => $random->getInt(0, 5),
                'grit' => $may(15),
                'on' => $on,
                'wheels' => $any([null, 0, 2, 3, 5]),
                'wheel_iron' => $may(10),
                'loose' => $may(8),
                'due' => $any([-30, -3, 5, 60, null]),
                'failed' => $may(8),
                'suspect' => $may(8),
                'purpose' => $may(4) ? 'reset' : 'maintain',
                'm2' => $body->paintM2() * $any([0.8, 1.0, 1.2]),
                'tone' => $any(['white', 'silver', 'mid', 'dark', 'black']),
                'hardness' => $any(['soft', 'medium', 'hard']),
                'material' => $any(['steel', 'aluminium', 'fibreglass']),
                'finish' => $any([[], [], ['matte'], ['decals'], ['single-stage'], ['soft', 'decals']]),
                'wheel_finish' => $any(['painted', 'gloss-black', 'chrome', 'polished']),
                'base' => $any(self::BASES),
                'topper_on' => $any([null, null, ['silica-spray', 'Karst'], ['wax', 'Beeswing']]),
                'wheel_layer' => $may(30) ? ['silica-spray', 'Karst'] : null,
                'wheels_due' => $any([-2, 40]),
                'water' => $any(['tap', 'tap', 'treated', 'none']),
                'tap' => $any([null, 30.0, 180.0, 380.0]),
                'treated' => $any([null, 4.0, 90.0]),
                'pressure' => $may(80),
                'power' => $may(70),
                'battery' => $may(40),
                'shade' => $may(30),
                'bay' => $may(10),
                'weather' => [
                    (float) $random->getInt(-4, 33),
                    $random->getInt(30, 95) / 100,
                    $random->getInt(0, 80) / 10,
                    (float) ($random->getInt(0, 9) * 100),
                ],
                'panel' => $any([null, null, 8.0, 24.0, 46.0, 62.0]),
                'rain' => $may(12),
                'read' => $any([
                    [],
                    [],
                    ['arrival' => 'flat'],
                    ['after_wash' => 'weak'],
                    ['after_wash' => 'flat', 'after_decon' => 'tight'],
                    ['after_decon' => 'weak'],
                ]),
                'scope' => $any(['quick', 'usual', 'usual', 'full', 'paint,glass,arches', 'paint,wheels,dressing']),
                'kinds' => $any([
                    null,
                    ['wash'],
                    ['wash', 'topper'],
                    ['wash', 'decon'],
                    ['wash', 'topper', 'decon', 'inspection'],
                    ['wash', 'base'],
                    ['wash', 'inspection'],
                ]),
                'without' => array_values(array_filter($names, static fn(): bool => $may(10))),
                'with' => $more,
                'taken' => $may(8) ? ['Acid Wheel'] : [],
            ],
            $schools,
            new Outfit(
                $random->getInt(1, 3),
                $body,
                tank: $any([null, new TankAtHand(100.0, 60.0, 2.5), new TankAtHand(300.0, 300.0, 0.0)]),
                pace: $any([
                    new Pace(),
                    new Pace(['wash' => 1.4, 'wheels-brush' => 0.7, 'foam-rinse' => 1.6], [], 1.15),
                    new Pace([], [], 0.8),
                ]),
            ),
        ];
    }
}
