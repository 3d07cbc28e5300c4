<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Book\Layer;
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
 * Many vehicles with half a year of fortnightly turns each, for measuring. Facts are inserted in bulk; what follows
 * from them is derived as always.
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

    public function muster(int $size): void
    {
        [$owner] = ($this->foundWorkspace)(
            ['name' => 'Bench', 'email' => self::EMAIL, 'password' => Cast::PASSWORD],
            ['name' => "Bench {$size}"],
        );
        $now = CarbonImmutable::instance($this->clock->now());
        $topper = Product::query()->where('role', 'topper')->where('leaves', 'silica')->firstOrFail();
        $chance = new Randomizer(new Mt19937(99));
        $ids = [];
        for ($i = 0; $i < $size; $i++) {
            $vehicle = Vehicle::query()
                ->create([
                    'name' => sprintf('Vehicle %03d', $i),
                    'body' => 'saloon',
                    'paint_m2' => 11.5,
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
                'on_at' => $now->subDays(250),
            ]);
            $this->turns($vehicle, $topper, $owner->id, $now, $chance);
            ($this->rebuildProtection)($vehicle);
            $ids[] = $vehicle->id;
        }
        ($this->forecastLayers)($ids);
    }

    private function turns(
        Vehicle $vehicle,
        Product $topper,
        string $writer,
        CarbonImmutable $now,
        Randomizer $chance,
    ): void {
        $mark = static fn(): array => ['id' => Str::uuid7()->toString(), 'workspace_id' => $vehicle->workspace_id];
        $turns = $entries = $uses = $readings = [];
        for ($visit = 12; $visit >= 0; $visit--) {
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
