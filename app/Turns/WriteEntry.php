<?php

declare(strict_types=1);

namespace App\Turns;

use App\Bench\EstimateTurn;
use App\Bench\JudgeProduct;
use App\Book\Layer;
use App\Book\Vehicle;
use App\Reckon\TalkAnswer;
use App\Record\Reading;
use App\Record\Turn;
use App\Record\TurnEntry;
use App\Record\TurnProduct;
use App\Shelf\Product;
use App\Shelf\StockBook;
use App\Tenancy\Instant;
use App\Tenancy\User;
use Closure;
use Illuminate\Support\Collection;
use LogicException;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Kit\Batches;
use Vicissa\Core\Matching\Purpose;
use Vicissa\Core\Matching\Remark;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Water;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Behaviour;
use Vicissa\Core\Protection\Designed;
use Vicissa\Core\Protection\Part;
use Vicissa\Core\Protection\PartReadings;
use Vicissa\Core\Protection\Stage;
use Vicissa\Core\Protection\WaterTalk;

/** Writes one entry of a turn with its readings and products, and what was concluded from them at the time. */
final readonly class WriteEntry
{
    public function __construct(
        private ClockInterface $clock,
        private JudgeProduct $judgeProduct,
        private EstimateTurn $estimateTurn,
    ) {}

    /**
     * @param array<string, mixed> $facts
     * @param list<Told<'DueDate'>> $dueBefore
     */
    public function __invoke(
        Turn $turn,
        Vehicle $vehicle,
        User $writer,
        array $facts,
        int $revision,
        array $dueBefore,
        ?string $reason = null,
    ): TurnEntry {
        $at = Instant::of($facts['worked_at']);
        $stack = Layer::query()
            ->where('vehicle_id', $vehicle->id)
            ->where(static fn($query) => $query->whereNull('turn_id')->orWhere('turn_id', '!=', $turn->id))
            ->where('on_at', '<=', $at)
            ->where(static fn($query) => $query->whereNull('ended_at')->orWhere('ended_at', '>=', $at))
            ->orderByRaw("kind = 'topper' desc")
            ->orderByDesc('on_at')
            ->get();
        $products = Product::query()
            ->whereIn('id', array_column($facts['products'] ?? [], 'product_id'))
            ->get()
            ->keyBy('id');
        $entry = TurnEntry::query()->create([
            'turn_id' => $turn->id,
            'revision' => $revision,
            'worked_at' => $at,
            'minutes' => $facts['minutes'] ?? null,
            'soil' => $facts['soil'],
            'grit' => $facts['grit'] ?? false,
            'method' => $facts['method'],
            'purpose' => $facts['purpose'] ?? 'maintain',
            'water' => $facts['water'],
            'panel_c' => $facts['panel_c'] ?? null,
            'clay' => $facts['clay'] ?? false,
            'looked_over' => ($facts['looked_over'] ?? false) || isset($facts['inspection']),
            'note' => $facts['note'] ?? null,
            'crew' => $facts['crew'] ?? null,
            'water_l' => $facts['water_l'] ?? null,
            'textiles' => $facts['textiles'] ?? [],
            'steps' => $facts['steps'] ?? [],
            'scope' => $facts['scope'] ?? 'usual',
            'kinds' => $facts['kinds'] ?? null,
            'left_out' => $facts['left_out'] ?? [],
            'inspection' => $facts['inspection'] ?? null,
            'estimate_min' =>
                ($facts['steps'] ?? []) === [] && isset($facts['minutes'])
                    ? ($this->estimateTurn)($vehicle, $facts, $products)
                    : null,
            'refused' => $facts['refused'] ?? [],
            'recommended' => $facts['recommended'] ?? null,
            'diagnoses' => $this->diagnoses(
                $facts['readings'] ?? [],
                $stack->all(),
                fn(): ?float => $this->sheetedBefore($vehicle, $turn),
            ),
            'due_before' => $dueBefore,
            'reason' => $reason,
            'written_by' => $writer->id,
            'written_at' => $this->clock->now(),
        ]);
        Reading::insertAll(
            array_map(
                static fn(array $reading): array => [
                    'entry_id' => $entry->id,
                    'stage' => $reading['stage'],
                    'zone' => $reading['zone'],
                    'part' => $reading['part'] ?? Part::Whole->value,
                    'behaviour' => $reading['behaviour'],
                    'angle_deg' => $reading['angle_deg'] ?? null,
                    'sheets_s' => $reading['sheets_s'] ?? null,
                ],
                $facts['readings'] ?? [],
            ),
        );
        $batches = $this->batches($products);
        $uses = [];
        foreach ($facts['products'] ?? [] as $use) {
            $product =
                $products[$use['product_id']] ?? throw new LogicException('A product passed validation and is gone.');
            $zone = Zone::from($use['zone']);
            $verdict = ($this->judgeProduct)($product, $vehicle, $zone, $stack, [
                'panel_c' => $entry->panel_c,
                'water' => Water::from($entry->water),
                'purpose' => Purpose::from($entry->purpose),
            ]);
            $uses[] = [
                'entry_id' => $entry->id,
                'product_id' => $product->id,
                'role' => $product->role,
                'zone' => $zone->value,
                'quantity_ml' => $use['quantity_ml'] ?? null,
                'batch' => $use['batch'] ?? ($batches[$product->id] ?? null),
                'as_base' => ($use['as_base'] ?? false) || $product->role === Role::Base->value,
                'remarks' => array_map(
                    static fn(Remark $remark): array => [
                        'code' => $remark->code->value,
                        'severity' => $remark->severity->value,
                    ],
                    $verdict->remarks,
                ),
            ];
        }
        $entry->setRelation('products', collect(TurnProduct::insertAll($uses)));

        return $entry;
    }

    /**
     * The batch in use of each, where anybody has written down batches.
     *
     * @param Collection<string, Product> $products
     * @return array<string, string|null>
     */
    private function batches(Collection $products): array
    {
        return array_map(static fn(Batches $batches): ?string => $batches->inUse(), StockBook::batchesOf($products));
    }

    /**
     * @param list<array{stage: string, zone: string, part?: string, behaviour: string,
     *     sheets_s?: float|null}> $readings
     * @param array<int, Layer> $stack    outermost first
     * @param Closure(): (float|null) $sheetedBefore  seconds a sheet of water took on the paint at the visit before
     * @return list<array<string, mixed>>
     */
    private function diagnoses(array $readings, array $stack, Closure $sheetedBefore): array
    {
        $diagnoses = [];
        foreach (Zone::cases() as $zone) {
            $here = array_filter($readings, static fn(array $reading): bool => $reading['zone'] === $zone->value);
            if ($here === []) {
                continue;
            }
            $layer = collect($stack)->firstWhere('zone', $zone->value);
            $read = [];
            $sheets = null;
            foreach ($here as $reading) {
                $read[$reading['stage']][$reading['part'] ?? Part::Whole->value] = Behaviour::from(
                    $reading['behaviour'],
                );
                $sheets = $reading['stage'] === Stage::Arrival->value ? $sheets : $reading['sheets_s'] ?? $sheets;
            }
            $talk = WaterTalk::over(
                new PartReadings($read),
                $layer?->designedFor() ?? Designed::Beads,
                $layer?->kind === 'topper',
                $sheets,
                $zone === Zone::Paint && $sheets !== null ? $sheetedBefore() : null,
            );
            $diagnoses[] = ['zone' => $zone->value, ...TalkAnswer::of($talk)];
        }

        return $diagnoses;
    }

    private function sheetedBefore(Vehicle $vehicle, Turn $turn): ?float
    {
        $seconds = Reading::query()
            ->join('turns', 'turns.current_entry_id', '=', 'readings.entry_id')
            ->where('turns.vehicle_id', $vehicle->id)
            ->where('turns.id', '!=', $turn->id)
            ->where('turns.worked_at', '<', $turn->worked_at)
            ->where('readings.zone', Zone::Paint->value)
            ->where('readings.stage', '!=', Stage::Arrival->value)
            ->whereNotNull('readings.sheets_s')
            ->orderByDesc('turns.worked_at')
            ->value('readings.sheets_s');

        return is_numeric($seconds) ? (float) $seconds : null;
    }
}
