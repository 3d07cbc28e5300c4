<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Bench\EstimateTurn;
use App\Book\Forecast;
use App\Book\Layer;
use App\Book\Vehicle;
use App\Film\DeclareLayer;
use App\Record\TurnLog;
use App\Shelf\Product;
use App\Tenancy\User;
use App\Turns\FinishTurn;
use App\Turns\MoveStock;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use LogicException;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Symfony\Component\Clock\MockClock;
use Vicissa\Core\Matching\Leaves;
use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Strips;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Record\LoggedTurn;
use Vicissa\Core\Record\Used;

/**
 * A year of visits. Every layer gets a true life that nobody in the program knows; the water is read from it, and
 * everything is written through the same actions the interface uses.
 */
final class Year
{
    private const DAYS = 364;

    /** The last days were worked from a sheet, with a clock running. */
    private const SHEETS_SINCE = 24;

    private Randomizer $chance;

    /** @var array<string, float> true life in wear-weeks, by layer */
    private array $lives = [];

    /** @var array<string, float> how much faster or slower a vehicle really wears, ln */
    private array $vehicleEffect = [];

    /** @var array<string, CarbonImmutable> when a base was put on last, by vehicle */
    private array $baseSince = [];

    /** @var array<string, list<LoggedTurn>>  as they wear, by vehicle */
    private array $turns = [];

    /** @var array<string, Product> */
    private array $products;

    public function __construct(
        private readonly MockClock $clock,
        private readonly FinishTurn $finishTurn,
        private readonly DeclareLayer $declareLayer,
        private readonly MoveStock $moveStock,
        private readonly Driveway $driveway,
        private readonly EstimateTurn $estimateTurn,
        private readonly User $owner,
        private readonly User $technician,
        int $seed = 4711,
    ) {
        $this->chance = new Randomizer(new Mt19937($seed));
        $this->products = Product::query()->get()->keyBy('name')->all();
    }

    /**
     * @param array<string, Vehicle> $vehicles  by name
     */
    public function live(array $vehicles, CarbonImmutable $today): int
    {
        $start = $today->subDays(self::DAYS);
        $visits = [];
        foreach (Cast::vehicles() as $cast) {
            $vehicle = $vehicles[$cast['name']];
            $this->vehicleEffect[$vehicle->id] = 0.2 * $this->normal();
            $this->clock->modify($start->toIso8601String());
            $this->base($vehicle, $cast, $start);
            $day = $this->chance->getInt(1, $cast['cadence'][1]);
            while ($day < self::DAYS) {
                $visits[] = [$this->working($start->addDays($day)), $vehicle, $cast];
                $day += max($cast['cadence'][0], $cast['cadence'][1] + $this->chance->getInt(-2, 3));
            }
        }
        usort(
            $visits,
            static fn(array $a, array $b): int => [$a[0]->getTimestamp(), $a[1]->name] <=> [
                $b[0]->getTimestamp(),
                $b[1]->name,
            ],
        );
        foreach ($visits as [$at, $vehicle, $cast]) {
            DB::transaction(fn() => $this->visit($vehicle, $cast, $at, $at > $today->subDays(self::SHEETS_SINCE)));
        }

        return count($visits);
    }

    /** @param array<string, mixed> $cast */
    private function base(Vehicle $vehicle, array $cast, CarbonImmutable $start, ?int $weeksAgo = null): void
    {
        if ($cast['base'] === null) {
            return;
        }
        [$family, $name, $line, $low, $high, $age] = $cast['base'];
        $on = $start->subDays((int) (7 * ($weeksAgo ?? $age)));
        $this->baseSince[$vehicle->id] = $on;
        ($this->declareLayer)($vehicle, [
            'zone' => 'paint',
            'kind' => 'base',
            'family' => $family,
            'name' => $name,
            'on' => $on->toDateString(),
            'label_low_weeks' => $low,
            'label_high_weeks' => $high,
            'product_id' => isset($this->products[$name]) ? $this->products[$name]->id : null,
        ]);
        if ($line !== null) {
            Layer::query()
                ->where('vehicle_id', $vehicle->id)
                ->where('kind', 'base')
                ->update(['line' => $line]);
        }
    }

    /** @param array<string, mixed> $cast */
    private function visit(Vehicle $vehicle, array $cast, CarbonImmutable $at, bool $fromSheet): void
    {
        $this->clock->modify($at->addMinutes(100)->toIso8601String());
        $layer = Layer::query()
            ->where('vehicle_id', $vehicle->id)
            ->where('zone', 'paint')
            ->whereNull('ended_at')
            ->orderByRaw("kind = 'topper' desc")
            ->first();
        $soil = min(
            5,
            max(
                0,
                $this->chance->getInt(0, 2) +
                    ($cast['storage'] === 'harsh' || ($cast['road'] ?? '') === 'unpaved' ? 2 : 1),
            ),
        );
        $products = $this->usual($cast, $soil);
        $readings = [];
        if ($layer !== null) {
            $ratio = $this->ratio($vehicle, $layer, $at);
            $readings[] = $this->reading('arrival', $ratio + 0.18 * $soil * $this->unit());
            // Not every clean panel is read: people are in a hurry.
            $read = $this->chance->getInt(1, 100) <= 85;
            if ($read) {
                $readings = [
                    ...$readings,
                    $this->reading('after_wash', $ratio),
                    ...$this->parts($vehicle, $cast, $at, $ratio),
                ];
            }
            [$products, $readings] = $this->renew($layer, $cast, $at, $ratio, $read, $products, $readings);
        }
        $this->restock($products, $at);
        $writer = $this->chance->getInt(0, 2) === 0 ? $this->owner : $this->technician;
        $facts = [
            'worked_at' => $at->toIso8601String(),
            'minutes' => ($cast['minutes'] ?? 75) + $this->chance->getInt(-10, 20),
            'soil' => $soil,
            'grit' => $soil >= 4,
            'method' => $cast['method'] ?? ($soil <= 3 ? 'multi-towel' : 'two-mitts'),
            'water' =>
                ($cast['method'] ?? '') === 'rinseless' ? 'none' : ($cast['site'] === 'unit' ? 'treated' : 'tap'),
            'panel_c' => round(9 + 7 * sin((2 * M_PI * ($at->dayOfYear - 110)) / 365) + 3 * $this->normal(), 1),
            // Lasting bases are looked over in late spring, where somebody thinks of it.
            'looked_over' =>
                in_array($cast['base'][0] ?? '', ['ceramic', 'film', 'wrap'], true) &&
                $at->month === 5 &&
                $this->chance->getInt(0, 2) > 0,
            'note' => $this->noticed(),
            'readings' => $readings,
            'products' => $products,
        ];
        // As long as the rules say of what was done, at this crew's pace, with a good day here and a bad one there.
        $used = Collection::make($this->products)->keyBy('id')->only(array_column($products, 'product_id'));
        $pace = 1.02 + 0.08 * $this->normal();
        if (!$fromSheet) {
            $facts['minutes'] = (int) round(
                (($this->estimateTurn)($vehicle, $facts, $used) ?? $facts['minutes']) * $pace,
            );
        }
        $fromSheet
            ? $this->driveway->work($vehicle, $writer, $facts, $at)
            : ($this->finishTurn)($vehicle, $writer, $facts);
        $this->turns[$vehicle->id][] = new LoggedTurn(
            '',
            $at->getTimestamp(),
            Method::from($facts['method']),
            false,
            false,
            $facts['looked_over'],
            array_map(static function (array $use) use ($used): Used {
                $product = $used[$use['product_id']] ?? throw new LogicException('Not on this shelf.');

                return new Used(
                    $product->id,
                    Zone::from($use['zone']),
                    Role::from($product->role),
                    (float) ($product->ph ?? 7.0),
                    Strips::from($product->strips),
                    Leaves::from($product->leaves),
                    false,
                );
            }, $products),
            [],
        );
        // A base that lasts weeks is renewed when its label says so.
        if (
            in_array($cast['base'][0] ?? '', ['wax', 'polymer', 'silica-spray'], true) &&
            $this->baseSince[$vehicle->id]->diffInDays($at) >= (7.0 * ($cast['base'][3] + $cast['base'][4])) / 2.0
        ) {
            $this->base($vehicle, $cast, $at, 0);
        }
    }

    /**
     * @param array<string, mixed> $cast
     * @param list<array<string, mixed>> $products
     * @param list<array<string, mixed>> $readings
     * @return array{list<array<string, mixed>>, list<array<string, mixed>>}
     */
    private function renew(
        Layer $layer,
        array $cast,
        CarbonImmutable $at,
        float $ratio,
        bool $read,
        array $products,
        array $readings,
    ): array {
        if ($cast['topper'] === null) {
            return [$products, $readings];
        }
        $failed = $read && $ratio >= 1.0;
        $forecast = Forecast::query()->find($layer->id);
        $renew = match ($cast['way']) {
            'every' => true,
            'forecast' => $failed ||
                $layer->kind === 'base' ||
                ($forecast?->from_at !== null && $forecast->from_at <= $at),
            default => $failed || ($layer->kind === 'base' && $ratio > 0.8),
        };
        if ($failed && $this->chance->getInt(1, 100) <= 70) {
            $products[] = $this->use('Vell Rust Bloom', 'paint', 180);
            $readings[] = $this->reading('after_decon', $ratio);
        }
        if ($renew) {
            $products[] = $this->use($cast['topper'], 'paint', 90);
            $readings[] = $this->reading('after_topper', 0.05);
        }
        if (isset($cast['wheels']) && $renew) {
            $products[] = $this->use('Ostrand Wheel Hood', 'wheels', 40);
        }

        return [$products, $readings];
    }

    /**
     * @param array<string, mixed> $cast
     * @return list<array<string, mixed>>
     */
    private function usual(array $cast, int $soil): array
    {
        $products = [$this->use($cast['soap'], 'paint', 30)];
        if (($cast['method'] ?? '') !== 'rinseless') {
            $products[] = $this->use('Vell Wheel Soft', 'wheels', 120);
            if ($soil >= 3) {
                $products[] = isset($cast['prewash'])
                    ? $this->use($cast['prewash'], 'paint', 100)
                    : $this->use('Vell Lather', 'paint', 80);
            }
        }
        if (isset($cast['aid'])) {
            $products[] = $this->use($cast['aid'], 'paint', 25);
        }
        $products[] = $this->use('Clearpane', 'glass', 20);

        return $products;
    }

    /**
     * What runs low is bought before it is used.
     *
     * @param list<array<string, mixed>> $uses
     */
    private function restock(array $uses, CarbonImmutable $at): void
    {
        foreach (
            Product::query()
                ->whereIn('id', array_column($uses, 'product_id'))
                ->whereRaw('stock_ml <= greatest(reorder_ml, 250)')
                ->orderBy('name')
                ->get()
            as $product
        ) {
            $this->moveStock->bought($product, $product->pack_ml ?? 1000.0, $at->subDays(1), $this->owner->id, [
                'batch' =>
                    mb_strtoupper(mb_substr($product->name, 0, 1)) .
                    $at->format('ym') .
                    '-' .
                    ($product->reorder_ml > 300.0 ? 'A' : 'C'),
                'expires_on' => $at->addMonths($product->leaves === 'silica' ? 18 : 30)->toDateString(),
            ]);
        }
    }

    /** How far the layer on now is through its true life at the moment after this wash. */
    private function ratio(Vehicle $vehicle, Layer $layer, CarbonImmutable $at): float
    {
        $span = $layer->span();
        $label = $layer->labelWeeks() ?? [10.0, 10.0];
        $true = Cast::TRUE_LIFE[$layer->name ?? ''] ?? 0.9 * sqrt($label[0] * $label[1]);
        $life = $this->lives[$layer->id] ??= $true * exp($this->vehicleEffect[$vehicle->id] + 0.25 * $this->normal());

        return (TurnLog::told($this->turns)->path($vehicle->habits(), $span)->at($span->day($at->getTimestamp())) +
            0.25) /
            $life;
    }

    /**
     * Now and then somebody goes round: the top suffers where a car stands in the sun and the sea air, the low panels
     * while roads are salted.
     *
     * @param array<string, mixed> $cast
     * @return list<array<string, mixed>>
     */
    private function parts(Vehicle $vehicle, array $cast, CarbonImmutable $at, float $ratio): array
    {
        if ($this->chance->getInt(1, 100) > 22) {
            return [];
        }
        $salted = in_array($at->month, $vehicle->salt_months, true) && $cast['km'] >= 300;
        $of = static fn(array $reading, string $part): array => [
            ...array_diff_key($reading, ['angle_deg' => 1]),
            'part' => $part,
        ];

        return [
            $of($this->reading('after_wash', $ratio + ($cast['storage'] === 'harsh' ? 0.35 : 0.05)), 'top'),
            $of($this->reading('after_wash', $ratio), 'sides'),
            $of($this->reading('after_wash', $ratio + ($salted ? 0.45 : 0.1)), 'low'),
        ];
    }

    /** @return array{stage: string, zone: string, behaviour: string, angle_deg: float} */
    private function reading(string $stage, float $ratio): array
    {
        // Tight until half its life, good until its end; then the angle falls away.
        $angle = $ratio < 1.0 ? 113.0 - 27.5 * $ratio ** 1.5 : 85.0 - 70.0 * ($ratio - 1.0) - 1.5;
        $angle = max(12.0, $angle);

        return [
            'stage' => $stage,
            'zone' => 'paint',
            'angle_deg' => round($angle, 1),
            'behaviour' => match (true) {
                $angle >= 100.0 => 'tight',
                $angle >= 85.0 => 'good',
                $angle >= 60.0 => 'weak',
                $angle >= 30.0 => 'sheeting',
                default => 'flat',
            },
        ];
    }

    /** @return array{product_id: string, zone: string, quantity_ml: float} */
    private function use(string $name, string $zone, float $ml): array
    {
        return [
            'product_id' => $this->products[$name]->id,
            'zone' => $zone,
            'quantity_ml' => round($ml * (0.85 + 0.3 * $this->unit())),
        ];
    }

    private function noticed(): ?string
    {
        $seen = [
            'Stone chip on the leading edge, touched in.',
            'Bird lime on the roof, softened and lifted.',
            'Tar behind the front wheels.',
            'Owner asks about the scratch by the handle; not from us.',
            'Salt crust low down, rinsed twice.',
            'Door seal lifting, told them.',
            'Sap on the bonnet, dissolved.',
            'Cold hands, warm bucket.',
        ];

        return $this->chance->getInt(1, 5) === 1 ? $seen[$this->chance->getInt(0, count($seen) - 1)] : null;
    }

    private function working(CarbonImmutable $day): CarbonImmutable
    {
        $day = $day->isSunday() ? $day->addDay() : $day;

        return $day->setTime($this->chance->getInt(8, 14), 5 * $this->chance->getInt(0, 11));
    }

    private function unit(): float
    {
        return $this->chance->getInt(0, 1_000_000) / 1_000_000;
    }

    /** Box–Muller. */
    private function normal(): float
    {
        return sqrt(-2.0 * log(max(1e-9, $this->unit()))) * cos(2.0 * M_PI * $this->unit());
    }
}
