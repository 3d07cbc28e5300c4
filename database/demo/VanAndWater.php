<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Bench\WaterReading;
use App\Book\Site;
use App\Book\Vehicle;
use App\Sheets\LayRound;
use App\Shelf\Gear;
use App\Shelf\GearEvent;
use App\Tenancy\User;
use Carbon\CarbonImmutable;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** What rides in the van, a year of water as it was read, and today's round. */
final class VanAndWater
{
    private const GEAR = [
        ['kind' => 'washer', 'name' => 'Bay washer', 'facts' => ['l_min' => 8.2]],
        [
            'kind' => 'lance',
            'name' => 'Short lance',
            'facts' => ['ml' => 1000],
            'calibrated' => ['washer_l_min' => 8.2, 'bottle_ml' => 1000, 'empties_s' => 118],
        ],
        [
            'kind' => 'lance',
            'name' => 'The old lance',
            'facts' => ['ml' => 900],
            'note' => 'Knob sticks; never measured',
        ],
        ['kind' => 'bucket', 'name' => 'Grey bucket', 'facts' => ['ml' => 15000]],
        ['kind' => 'bucket', 'name' => 'Blue bucket', 'facts' => ['ml' => 15000]],
        ['kind' => 'sprayer', 'name' => 'Hand sprayer', 'facts' => ['ml' => 1500]],
        ['kind' => 'sprayer', 'name' => 'Shoulder sprayer', 'facts' => ['ml' => 5000]],
        ['kind' => 'bottle', 'name' => 'Half-litre bottle', 'facts' => ['ml' => 500]],
        ['kind' => 'bottle', 'name' => 'Litre bottle', 'facts' => ['ml' => 1000]],
        [
            'kind' => 'towel',
            'name' => 'Large drying towels',
            'facts' => ['count' => 8, 'use' => 'large', 'colour' => 'silver', 'price_minor' => 1900],
        ],
        [
            'kind' => 'towel',
            'name' => 'Medium drying towels',
            'facts' => ['count' => 12, 'use' => 'medium', 'colour' => 'silver', 'price_minor' => 1100],
        ],
        [
            'kind' => 'towel',
            'name' => 'Drip catchers',
            'facts' => ['count' => 10, 'use' => 'catch', 'colour' => 'white', 'price_minor' => 400],
        ],
        [
            'kind' => 'towel',
            'name' => 'Sill towels, grey',
            'facts' => ['count' => 10, 'use' => 'sills', 'colour' => 'grey', 'price_minor' => 350],
        ],
        [
            'kind' => 'towel',
            'name' => 'Wheel towels, black',
            'facts' => ['count' => 12, 'use' => 'wheels', 'colour' => 'black', 'price_minor' => 300],
        ],
        [
            'kind' => 'towel',
            'name' => 'Jamb towels, brown',
            'facts' => ['count' => 10, 'use' => 'jambs', 'colour' => 'brown', 'price_minor' => 300],
        ],
        [
            'kind' => 'towel',
            'name' => 'Glass towels, blue',
            'facts' => ['count' => 10, 'use' => 'glass', 'colour' => 'blue', 'price_minor' => 350],
        ],
        [
            'kind' => 'towel',
            'name' => 'Wash towels',
            'facts' => ['count' => 48, 'use' => 'wash', 'colour' => 'green', 'price_minor' => 450],
        ],
        [
            'kind' => 'towel',
            'name' => 'Upper mitts, yellow',
            'facts' => ['count' => 4, 'use' => 'upper-mitt', 'colour' => 'yellow', 'price_minor' => 1400],
        ],
        [
            'kind' => 'towel',
            'name' => 'Lower mitts, orange',
            'facts' => ['count' => 4, 'use' => 'lower-mitt', 'colour' => 'orange', 'price_minor' => 1400],
        ],
        ['kind' => 'blower', 'name' => 'Filtered air dryer', 'facts' => ['w' => 900]],
        [
            'kind' => 'battery',
            'name' => 'Packs for the dryer',
            'facts' => ['count' => 4, 'wh' => 216],
            'note' => 'Keep dry; charge at the unit',
        ],
        ['kind' => 'tank', 'name' => 'Van tank', 'facts' => ['l' => 220, 'on_below_l' => 160]],
        [
            'kind' => 'ro',
            'name' => 'Membrane',
            'facts' => ['rejection' => 0.94, 'recovery' => 0.4, 'make_l_min' => 3.2],
        ],
        ['kind' => 'resin', 'name' => 'Mixed bed', 'facts' => ['l' => 7, 'capacity_g_per_l' => 11]],
    ];

    private Randomizer $chance;

    public function __construct(private readonly User $owner, int $seed = 1709)
    {
        $this->chance = new Randomizer(new Mt19937($seed));
    }

    public function load(CarbonImmutable $today, LayRound $layRound): void
    {
        foreach (self::GEAR as $one) {
            $gear = Gear::query()->create(
                array_intersect_key($one, ['kind' => 1, 'name' => 1, 'facts' => 1, 'note' => 1]),
            );
            if (isset($one['calibrated'])) {
                $this->event(
                    $gear,
                    'calibration',
                    ['washer_l_min' => 8.4, 'bottle_ml' => 1000, 'empties_s' => 104],
                    $today->subWeeks(30),
                );
                $this->event($gear, 'calibration', $one['calibrated'], $today->subWeeks(3));
            }
            match ($gear->kind) {
                'tank' => $this->event($gear, 'level', ['l' => 150], $today->subHours(11)),
                'resin' => array_map(fn(int $weeks) => $this->event($gear, 'refill', [], $today->subWeeks($weeks)), [
                    47,
                    26,
                    10,
                ]),
                default => null,
            };
        }
        $this->year($today);
        $this->laundry($today);
        $names = ['Hearse', 'Limousine one', 'Doctor’s estate', 'Ferrymaster’s saloon', 'Lighthouse runabout'];
        $ids = Vehicle::query()->whereIn('name', $names)->pluck('id', 'name');
        $layRound(
            $today->toDateString(),
            array_values(array_filter(array_map(static fn(string $name): ?string => $ids[$name] ?? null, $names))),
        );
    }

    /** A drum every week: what was used came out clean. Wheel towels go through it the most. */
    private function laundry(CarbonImmutable $today): void
    {
        $each = [
            'wash' => 40,
            'large' => 8,
            'medium' => 11,
            'catch' => 9,
            'sills' => 9,
            'wheels' => 15,
            'jambs' => 9,
            'glass' => 9,
            'upper-mitt' => 2,
            'lower-mitt' => 3,
        ];
        $events = [];
        foreach (Gear::query()->where('kind', 'towel')->orderBy('name')->get() as $pool) {
            $use = (string) ($pool->facts['use'] ?? '');
            for ($week = 50; $week >= 1; $week--) {
                $events[] = $this->happened(
                    $pool,
                    'used',
                    ['count' => $each[$use] ?? 1],
                    $today->subWeeks($week)->subDay(),
                );
                $events[] = $this->happened($pool, 'washed', ['count' => $each[$use] ?? 1], $today->subWeeks($week));
            }
            $events[] = $this->happened(
                $pool,
                'used',
                ['count' => (int) ceil(($each[$use] ?? 1) * 0.6)],
                $today->subDays(2),
            );
        }
        GearEvent::insertAll($events);
    }

    /** Taps every month or so; the feed of the resin every week, with what went through it. */
    private function year(CarbonImmutable $today): void
    {
        $unit = Site::query()->where('water', 'treated')->firstOrFail();
        $rows = [];
        for ($week = 51; $week >= 0; $week--) {
            $at = $today->subWeeks($week)->setTime(8, 5 * $this->chance->getInt(0, 9));
            $at = $at > $today ? $today->subMinutes(40) : $at;
            $season = 1.0 + 0.06 * cos((2.0 * M_PI * ($at->dayOfYear - 240)) / 365.25);
            if ($week % 4 === 0) {
                foreach (Site::query()->whereNotNull('tds_mg_l')->orderBy('name')->get() as $site) {
                    $rows[] = $this->row(
                        $site->id,
                        'tap',
                        (float) $site->tds_mg_l * $season * (1.0 + 0.02 * $this->unit()),
                        null,
                        $at->addMinutes(7),
                    );
                }
            }
            $feed = 305.0 * $season * (0.055 + 0.0004 * (51 - $week) + 0.004 * $this->unit());
            $rows[] = $this->row($unit->id, 'ro', $feed, (float) $this->chance->getInt(140, 260), $at);
            $sinceRefill = min(
                array_map(static fn(int $refill): int => $refill >= $week ? $refill - $week : 99, [47, 26, 10, 51]),
            );
            $rows[] = $this->row(
                $unit->id,
                'treated',
                1.5 + 0.02 * $sinceRefill ** 2 + 0.4 * abs($this->unit()),
                null,
                $at->addMinutes(2),
            );
        }
        WaterReading::insertAll($rows);
    }

    /** @return array<string, mixed> */
    private function row(string $site, string $point, float $tds, ?float $litres, CarbonImmutable $at): array
    {
        return [
            'site_id' => $site,
            'point' => $point,
            'tds_mg_l' => round($tds, 1),
            'litres' => $litres,
            'at' => $at,
            'written_by' => $this->owner->id,
        ];
    }

    /** @param array<string, float|int> $facts */
    private function event(Gear $gear, string $kind, array $facts, CarbonImmutable $at): void
    {
        GearEvent::query()->create($this->happened($gear, $kind, $facts, $at));
    }

    /**
     * @param array<string, float|int> $facts
     * @return array<string, mixed>
     */
    private function happened(Gear $gear, string $kind, array $facts, CarbonImmutable $at): array
    {
        return [
            'gear_id' => $gear->id,
            'kind' => $kind,
            'facts' => $facts,
            'at' => $at,
            'written_by' => $this->owner->id,
        ];
    }

    private function unit(): float
    {
        return $this->chance->getInt(-1000, 1000) / 1000;
    }
}
