<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Book\Crew;
use App\Book\Layer;
use App\Book\Site;
use App\Book\Vehicle;
use App\Door\FoundWorkspace;
use App\Film\ForecastLayers;
use App\Record\RebuildProtection;
use App\Shelf\Product;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Psr\Clock\ClockInterface;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Many vehicles that have been washed every fortnight for months or years, at places and with crews to match, for
 * measuring. Facts are inserted in bulk; what follows from them is derived as always.
 */
final readonly class Fleet
{
    public const EMAIL = 'bench@example.test';

    public function __construct(
        private ClockInterface $clock,
        private FoundWorkspace $foundWorkspace,
        private RebuildProtection $rebuildProtection,
        private ForecastLayers $forecastLayers,
    ) {}

    /** Vehicles at one place, and vehicles for one crew. */
    private const AT_PLACE = 8;

    private const FOR_CREW = 16;

    private const BODIES = ['hatch', 'saloon', 'estate', 'suv', 'van'];

    public function muster(int $size, float $years = 0.5): void
    {
        [$owner, $workspace] = ($this->foundWorkspace)(
            ['name' => 'Bench', 'email' => self::email($size), 'password' => Cast::PASSWORD],
            ['name' => "Bench {$size}"],
        );
        $now = CarbonImmutable::instance($this->clock->now());
        $topper = Product::query()->where('role', 'topper')->where('leaves', 'silica')->firstOrFail();
        $chance = new Randomizer(new Mt19937(99));
        $visits = max(1, (int) round($years * 26));
        $sites = $this->places($size, $chance);
        $crews = $this->crews($size);
        $ids = [];
        for ($i = 0; $i < $size; $i++) {
            $vehicle = Vehicle::query()
                ->create([
                    'name' => sprintf('Vehicle %03d', $i),
                    'body' => self::BODIES[$i % count(self::BODIES)],
                    'site_id' => $sites[intdiv($i, self::AT_PLACE)],
                    'paint_m2' => 9.5 + ($i % count(self::BODIES)),
                    'km_per_week' => $chance->getInt(50, 500),
                ])
                ->refresh();
            Layer::query()->create([
                'vehicle_id' => $vehicle->id,
                'zone' => 'paint',
                'kind' => 'base',
                'family' => 'ceramic',
                'label_low_weeks' => 104,
                'label_high_weeks' => 208,
                'on_at' => $now->subDays(14 * $visits + 60),
            ]);
            $this->turns($vehicle, $topper, $owner->id, $now, $visits, $chance);
            ($this->rebuildProtection)($vehicle);
            $ids[] = $vehicle->id;
        }
        $this->calendar($workspace->id, $ids, $crews, $now);
        ($this->forecastLayers)($ids);
    }

    public static function email(int $size): string
    {
        return $size === 200 ? self::EMAIL : "bench-{$size}@example.test";
    }

    /** @return list<string> ids of places, around one harbour */
    private function places(int $size, Randomizer $chance): array
    {
        $ids = [];
        for ($i = 0; $i < (int) ceil($size / self::AT_PLACE); $i++) {
            $ids[] = Site::query()->create([
                'name' => sprintf('Yard %03d', $i),
                'latitude' => 58.0 + $chance->getInt(0, 2000) / 10000,
                'longitude' => -5.0 + $chance->getInt(0, 2000) / 10000,
                'water' => 'tap',
            ])->id;
        }

        return $ids;
    }

    /** @return list<string> ids */
    private function crews(int $size): array
    {
        $ids = [];
        for ($i = 0; $i < (int) ceil($size / self::FOR_CREW); $i++) {
            $ids[] = Crew::query()->create([
                'name' => sprintf('Crew %02d', $i),
                'people' => 1,
                'minutes' => [1 => 480, 2 => 480, 3 => 480, 4 => 480, 5 => 480],
            ])->id;
        }

        return $ids;
    }

    /**
     * A wash every fortnight for eight weeks, as one would write it into a calendar by hand.
     *
     * @param list<string> $vehicles
     * @param list<string> $crews
     */
    private function calendar(string $workspace, array $vehicles, array $crews, CarbonImmutable $now): void
    {
        $rows = [];
        foreach ($vehicles as $i => $vehicle) {
            // Vehicles of one place come on one day, Monday to Friday.
            $first = intdiv($i, self::AT_PLACE) % 10;
            for ($day = 1 + $first + ($first > 4 ? 2 : 0); $day < 56; $day += 14) {
                $rows[] = [
                    'id' => Str::uuid7()->toString(),
                    'workspace_id' => $workspace,
                    'vehicle_id' => $vehicle,
                    'crew_id' => $crews[intdiv($i, self::FOR_CREW)],
                    'on' => $now
                        ->startOfWeek()
                        ->addDays(7 + $day - 1)
                        ->toDateString(),
                    'kinds' => json_encode(['wash']),
                    'changed_at' => $now,
                ];
            }
        }
        foreach (array_chunk($rows, 1000) as $some) {
            DB::table('planned_visits')->insert($some);
        }
    }

    private function turns(
        Vehicle $vehicle,
        Product $topper,
        string $writer,
        CarbonImmutable $now,
        int $visits,
        Randomizer $chance,
    ): void {
        $mark = static fn(): array => ['id' => Str::uuid7()->toString(), 'workspace_id' => $vehicle->workspace_id];
        $turns = $entries = $uses = $readings = [];
        for ($visit = $visits - 1; $visit >= 0; $visit--) {
            $at = $now->subDays(14 * $visit + $chance->getInt(1, 6));
            $entry = [
                ...$mark(),
                'revision' => 1,
                'worked_at' => $at,
                'soil' => 2,
                'method' => 'multi-towel',
                'water' => 'tap',
                'written_by' => $writer,
                'written_at' => $at,
            ];
            $turn = [
                ...$mark(),
                'vehicle_id' => $vehicle->id,
                'current_entry_id' => $entry['id'],
                'worked_at' => $at,
                'created_at' => $at,
            ];
            $turns[] = $turn;
            $entries[] = [...$entry, 'turn_id' => $turn['id']];
            $renewed = $visit % 4 === 0;
            $readings[] = [
                ...$mark(),
                'entry_id' => $entry['id'],
                'stage' => 'after_wash',
                'zone' => 'paint',
                'behaviour' => $renewed && $chance->getInt(0, 1) === 0 ? 'weak' : 'good',
            ];
            if ($renewed) {
                $uses[] = [
                    ...$mark(),
                    'entry_id' => $entry['id'],
                    'product_id' => $topper->id,
                    'role' => 'topper',
                    'zone' => 'paint',
                ];
            }
        }
        foreach (
            ['turns' => $turns, 'turn_entries' => $entries, 'turn_products' => $uses, 'readings' => $readings]
            as $table => $rows
        ) {
            DB::table($table)->insert($rows);
        }
    }
}
