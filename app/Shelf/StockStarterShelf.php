<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Says\Teller;

/**
 * Plain, unbranded bottles of each common kind, so that the first turn can be recorded before a label has been typed
 * in.
 */
final class StockStarterShelf
{
    public function __invoke(): void
    {
        foreach (self::bottles() as $bottle) {
            Product::query()->create(['stock_ml' => 1000, 'line' => null, ...$bottle]);
        }
    }

    /** @return list<array<string, mixed>> */
    private static function bottles(): array
    {
        $say = Teller::here()->say(...);

        return [
            [
                'name' => $say('starter.neutral-soap'),
                'role' => 'soap',
                'surfaces' => ['paint', 'wheels', 'glass', 'trim'],
                'ph' => 7,
                'rinse' => true,
                'may_dry' => false,
                'min_c' => 2,
                'max_c' => 35,
                'dilutions' => ['bucket' => '1:500'],
            ],
            [
                'name' => $say('starter.snow-foam-neutral'),
                'role' => 'foam',
                'surfaces' => ['paint', 'wheels', 'glass', 'trim'],
                'ph' => 7,
                'rinse' => true,
                'may_dry' => false,
                'dwell_min_s' => 180,
                'dwell_max_s' => 480,
                'min_c' => 2,
                'max_c' => 35,
                'dilutions' => ['lance' => '1 %'],
                'cautions' => [$say('hazards.foam-is-slippery-underfoot')],
            ],
            [
                'name' => $say('starter.pre-wash-alkaline'),
                'role' => 'prewash',
                'surfaces' => ['paint', 'wheels', 'trim'],
                'ph' => 11.5,
                'strips' => 'slight',
                'rinse' => true,
                'may_dry' => false,
                'dwell_min_s' => 60,
                'dwell_max_s' => 240,
                'min_c' => 5,
                'max_c' => 30,
                'dilutions' => ['sprayer' => '1:20'],
                'cautions' => [$say('hazards.gloves-and-eye-protection-read-its-safet')],
            ],
            [
                'name' => $say('starter.rinseless-wash'),
                'role' => 'rinseless',
                'surfaces' => ['paint', 'glass', 'trim'],
                'ph' => 7,
                'leaves' => 'polymer',
                'min_c' => 2,
                'max_c' => 40,
                'rinse' => false,
                'may_dry' => false,
                'dilutions' => ['bucket' => '1:256'],
            ],
            [
                'name' => $say('starter.iron-remover'),
                'role' => 'iron',
                'surfaces' => ['paint', 'wheels'],
                'ph' => 6.5,
                'strips' => 'slight',
                'rinse' => true,
                'may_dry' => false,
                'dwell_min_s' => 120,
                'dwell_max_s' => 300,
                'min_c' => 5,
                'max_c' => 30,
                'dilutions' => ['bottle' => 'neat'],
                'cautions' => [$say('hazards.gloves-eye-protection-and-moving-air-a-r')],
            ],
            [
                'name' => $say('starter.silica-drying-aid'),
                'role' => 'drying-aid',
                'surfaces' => ['paint', 'glass'],
                'ph' => 7,
                'leaves' => 'silica',
                'min_c' => 5,
                'max_c' => 35,
                'rinse' => false,
                'may_dry' => false,
                'dilutions' => ['bottle' => 'neat'],
            ],
            [
                'name' => $say('starter.silica-spray-sealant'),
                'role' => 'topper',
                'surfaces' => ['paint', 'wheels', 'glass'],
                'ph' => 7,
                'leaves' => 'silica',
                'family' => 'silica-spray',
                'applied' => 'wet-rinse',
                'rinse' => true,
                'may_dry' => false,
                'dwell_min_s' => 30,
                'dwell_max_s' => 60,
                'label_low_weeks' => 3,
                'label_high_weeks' => 10,
                'min_c' => 5,
                'max_c' => 30,
                'dilutions' => ['bottle' => 'neat'],
            ],
            [
                'name' => $say('starter.spray-wax'),
                'role' => 'topper',
                'surfaces' => ['paint'],
                'ph' => 7,
                'leaves' => 'wax',
                'family' => 'wax',
                'applied' => 'wipe',
                'label_low_weeks' => 3,
                'label_high_weeks' => 6,
                'min_c' => 5,
                'max_c' => 30,
                'rinse' => false,
                'may_dry' => false,
                'dilutions' => ['bottle' => 'neat'],
            ],
            [
                'name' => $say('starter.wheel-cleaner-mild'),
                'role' => 'wheel',
                'surfaces' => ['wheels'],
                'ph' => 8,
                'rinse' => true,
                'may_dry' => false,
                'dwell_min_s' => 60,
                'dwell_max_s' => 240,
                'min_c' => 5,
                'max_c' => 35,
                'dilutions' => ['wheel' => '1:4'],
                'cautions' => [$say('hazards.never-on-hot-wheels-or-friction-surfaces')],
            ],
            [
                'name' => $say('starter.glass-cleaner'),
                'role' => 'glass',
                'surfaces' => ['glass'],
                'ph' => 8,
                'rinse' => false,
                'may_dry' => false,
                'min_c' => 5,
                'max_c' => 30,
                'dilutions' => ['bottle' => 'neat'],
            ],
            [
                'name' => $say('starter.tyre-dressing-satin'),
                'role' => 'tyre',
                'surfaces' => ['tyres', 'trim'],
                'ph' => 7,
                'leaves' => 'oils',
                'rinse' => false,
                'may_dry' => false,
                'min_c' => 5,
                'max_c' => 30,
                'dilutions' => ['tyre' => 'neat'],
                'cautions' => [$say('hazards.keep-off-treads-and-brake-discs')],
            ],
        ];
    }
}
