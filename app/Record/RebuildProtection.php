<?php

declare(strict_types=1);

namespace App\Record;

use App\Book\Layer;
use App\Book\Vehicle;
use App\Shelf\Product;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Designed;
use Vicissa\Core\Protection\Family;
use Vicissa\Core\Protection\Stage;
use Vicissa\Core\Record\Endurance;
use Vicissa\Core\Record\LaidLayer;
use Vicissa\Core\Record\LayerEnd;
use Vicissa\Core\Record\LayerKind;
use Vicissa\Core\Record\LayerSpan;
use Vicissa\Core\Record\LoggedTurn;
use Vicissa\Core\Record\SeenClean;

/**
 * Derives a vehicle's layers from its record: toppers from turns, every layer's end, and the wear at which each was
 * last seen to hold and first seen to fail. Running it again changes nothing.
 */
final class RebuildProtection
{
    /**
     * @param TurnLog|null $log  with this vehicle's turns in it, where they have been read
     * @param CarbonImmutable|null $since  before it nothing has changed since this was last derived: what had ended by
     *     then was read as it would be now
     * @return list<string> products whose evidence may have changed
     */
    public function __invoke(Vehicle $vehicle, ?TurnLog $log = null, ?CarbonImmutable $since = null): array
    {
        $log ??= TurnLog::of([$vehicle->id]);
        $before = Layer::query()->where('vehicle_id', $vehicle->id)->orderBy('on_at')->orderBy('id')->get();
        $layers = $this->withToppers($vehicle, $log, $before, $since);
        foreach (Zone::cases() as $zone) {
            $stack = $layers
                ->where('zone', $zone->value)
                ->sortBy([['on_at', 'asc'], ['id', 'asc']])
                ->values();
            $this->end($stack, $log->turns($vehicle->id), $zone);
            foreach ($stack as $layer) {
                if ($since === null || $layer->isDirty() || $layer->ended_at === null || $layer->ended_at >= $since) {
                    $this->read($vehicle, $layer, $stack, $log);
                }
            }
        }
        $changed = $layers->filter(static fn(Layer $layer): bool => $layer->isDirty() || $layer->wasRecentlyCreated);
        $changed->each(static fn(Layer $layer) => $layer->save());

        /** @var list<string> */
        return $changed
            ->pluck('product_id')
            ->merge($before->diff($layers)->pluck('product_id'))
            ->filter()
            ->unique()
            ->values()
            ->all();
    }

    /**
     * @param Collection<int, Layer> $known
     * @return Collection<int, Layer>
     */
    private function withToppers(Vehicle $vehicle, TurnLog $log, Collection $known, ?CarbonImmutable $since): Collection
    {
        $wanted = [];
        foreach ($log->turns($vehicle->id) as $turn) {
            foreach (Zone::cases() as $zone) {
                foreach (['topper' => $turn->topperOn($zone), 'base' => $turn->baseOn($zone)] as $kind => $product) {
                    if ($product !== null) {
                        $wanted["{$turn->id} {$zone->value} {$kind}"] = [$turn, $zone, $product, $kind];
                    }
                }
            }
        }
        $products = Product::query()->whereIn('id', array_unique(array_column($wanted, 2)))->get()->keyBy('id');
        $fromTurns = $known->whereNotNull('turn_id');
        $declared = $known->whereNull('turn_id');
        $layers = collect($declared->all());
        $byKey = $fromTurns->keyBy(
            static fn(Layer $layer): string => "{$layer->turn_id} {$layer->zone} {$layer->kind}",
        );
        $byKey->diffKeys($wanted)->each(static fn(Layer $layer) => $layer->delete());
        foreach ($wanted as $key => [$turn, $zone, $productId, $kind]) {
            $layer = $byKey->get($key);
            if ($layer !== null && $since !== null && $turn->at < $since->getTimestamp()) {
                $layers->push($layer);

                continue;
            }
            $product = $products[$productId] ?? null;
            if ($product === null || $product->layerFamily() === Family::Bare) {
                $layer?->delete();

                continue;
            }
            // With its key already: of two that went on at the same moment the later written lies above, now as later on.
            $layer ??= self::keyed([
                'turn_id' => $turn->id,
                'vehicle_id' => $vehicle->id,
                'zone' => $zone->value,
                'kind' => $kind,
            ]);
            $base = $layers->where('zone', $zone->value)->where('kind', 'base')->sortBy('on_at')->last();
            $layer->fill([
                'product_id' => $product->id,
                'family' => $product->layerFamily()->value,
                'name' => $product->name,
                'line' => $product->line,
                'designed' => $base->designed ?? Designed::Beads->value,
                'on_at' => CarbonImmutable::createFromTimestampUTC($turn->at),
                'label_low_weeks' => $product->label_low_weeks,
                'label_high_weeks' => $product->label_high_weeks,
            ]);
            $layers->push($layer);
        }

        return $layers;
    }

    /**
     * @param Collection<int, Layer> $stack
     * @param list<LoggedTurn> $turns
     */
    private function end(Collection $stack, array $turns, Zone $zone): void
    {
        $laid = array_values($stack->map(static fn(Layer $layer): LaidLayer => $layer->laid())->all());
        $ends = LayerEnd::ofStack($laid, $turns, $zone);
        foreach ($stack->values() as $i => $layer) {
            if (!$laid[$i]->removed) {
                $layer->fill(['ended_at' => self::moment($ends[$i]?->at), 'ended_by' => $ends[$i]?->by->value]);
            }
        }
    }

    /** @param Collection<int, Layer> $stack */
    private function read(Vehicle $vehicle, Layer $layer, Collection $stack, TurnLog $log): void
    {
        $known = Endurance::of($this->seen($vehicle, $layer, $stack, $log), $layer->designedFor());
        $layer->fill([
            'held' => $known->held,
            'failed' => $known->failed,
            'failed_at' => self::moment($known->failedAt),
            'suspect_at' => self::moment($known->suspectAt()),
        ]);
        if ($layer->isDirty(['held', 'failed'])) {
            // What it most likely lived is to be found anew.
            $layer->fill(['lived' => null]);
        }
    }

    /**
     * Clean readings while the layer was the outermost one.
     *
     * @param Collection<int, Layer> $stack
     * @return iterable<SeenClean>
     */
    private function seen(Vehicle $vehicle, Layer $layer, Collection $stack, TurnLog $log): iterable
    {
        [$span, $zone] = [$layer->span(), Zone::from($layer->zone)];
        $steps = $log->path($vehicle->habits(), $span)->steps();
        $covers =
            $layer->kind === LayerKind::Topper->value
                ? []
                : $stack
                    ->where('kind', LayerKind::Topper->value)
                    ->map(static fn(Layer $above): LayerSpan => $above->span());
        foreach ($log->during($span)->turns as $i => $turn) {
            $behaviour = $turn->cleanReading($zone);
            foreach ($covers as $above) {
                $behaviour = $above->wasOnWhen($turn->at) ? null : $behaviour;
            }
            if ($behaviour !== null) {
                // As many digits as come back from the database, so that nothing looks changed that is not.
                yield new SeenClean(
                    $turn->at,
                    round($steps[$i]['washed'], 9),
                    $behaviour,
                    $turn->reading($zone, Stage::AfterDecon) !== null,
                );
            }
        }
    }

    /** @param array<string, mixed> $facts */
    private static function keyed(array $facts): Layer
    {
        $layer = new Layer($facts);
        $layer->setUniqueIds();

        return $layer;
    }

    private static function moment(?int $at): ?CarbonImmutable
    {
        return $at === null ? null : CarbonImmutable::createFromTimestampUTC($at);
    }
}
