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

/**
 * Derives a vehicle's layers from its record: toppers from turns, every layer's end, and the wear at which each was
 * last seen to hold and first seen to fail. Running it again changes nothing.
 */
final class RebuildProtection
{
    /** @return list<string> products whose evidence may have changed */
    public function __invoke(Vehicle $vehicle): array
    {
        $log = TurnLog::of([$vehicle->id]);
        $before = Layer::query()->where('vehicle_id', $vehicle->id)->orderBy('on_at')->orderBy('id')->get();
        $layers = $this->withToppers($vehicle, $log, $before);
        foreach (Zone::cases() as $zone) {
            $stack = $layers->where('zone', $zone->value)->sortBy([['on_at', 'asc'], ['id', 'asc']])->values();
            $this->end($stack, $log->turns($vehicle->id), $zone);
            foreach ($stack as $layer) {
                $this->read($vehicle, $layer, $stack, $log);
            }
        }
        $changed = $layers->filter(static fn(Layer $layer): bool => $layer->isDirty() || $layer->wasRecentlyCreated);
        $changed->each(static fn(Layer $layer) => $layer->save());

        /** @var list<string> */
        return $changed->pluck('product_id')->merge($before->diff($layers)->pluck('product_id'))->filter()->unique()->values()->all();
    }

    /**
     * @param Collection<int, Layer> $known
     * @return Collection<int, Layer>
     */
    private function withToppers(Vehicle $vehicle, TurnLog $log, Collection $known): Collection
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
        $byKey = $fromTurns->keyBy(static fn(Layer $layer): string => "{$layer->turn_id} {$layer->zone} {$layer->kind}");
        $byKey->diffKeys($wanted)->each(static fn(Layer $layer) => $layer->delete());
        foreach ($wanted as $key => [$turn, $zone, $productId, $kind]) {
            $product = $products[$productId] ?? null;
            if ($product === null || $product->layerFamily() === Family::Bare) {
                $byKey->get($key)?->delete();

                continue;
            }
            $layer = $byKey->get($key) ?? new Layer(['turn_id' => $turn->id, 'vehicle_id' => $vehicle->id, 'zone' => $zone->value, 'kind' => $kind]);
            $base = $layers->where('zone', $zone->value)->where('kind', 'base')->sortBy('on_at')->last();
            $layer->fill([
                'product_id' => $product->id, 'family' => $product->layerFamily()->value, 'name' => $product->name, 'line' => $product->line,
                'designed' => $base->designed ?? Designed::Beads->value, 'on_at' => CarbonImmutable::createFromTimestampUTC($turn->at),
                'label_low_weeks' => $product->label_low_weeks, 'label_high_weeks' => $product->label_high_weeks,
            ]);
            $layers->push($layer);
        }

        return $layers;
    }

    /**
     * A topper ends with the next topper or base, a base with the next base; a reset ends all that it strips.
     *
     * @param Collection<int, Layer> $stack
     * @param list<LoggedTurn> $turns
     */
    private function end(Collection $stack, array $turns, Zone $zone): void
    {
        foreach ($stack as $i => $layer) {
            if ($layer->ended_by === 'removed') {
                continue;
            }
            $next = $stack->slice($i + 1)->first(static fn(Layer $later): bool => $later->kind === $layer->kind || $later->kind === 'base');
            $on = $layer->on_at->getTimestamp();
            $strippable = $layer->kind === 'topper' || in_array($layer->family(), [Family::Wax, Family::Polymer, Family::SilicaSpray], true);
            $reset = $strippable ? collect($turns)->first(static fn(LoggedTurn $turn): bool => $turn->at > $on && $turn->strips($zone)) : null;
            [$layer->ended_at, $layer->ended_by] = match (true) {
                $reset !== null && ($next === null || $reset->at <= $next->on_at->getTimestamp()) => [CarbonImmutable::createFromTimestampUTC($reset->at), 'stripped'],
                $next !== null => [$next->on_at, 'renewed'],
                default => [null, null],
            };
        }
    }

    /**
     * Clean readings while the layer was the outermost one say when it held and when it no longer did. A later reading
     * that holds overrules an earlier failure: that one was clogging. A failure after a wash alone is a suspicion: it counts for the next visit,
     * and for what products learn only once it is borne out.
     *
     * @param Collection<int, Layer> $stack
     */
    private function read(Vehicle $vehicle, Layer $layer, Collection $stack, TurnLog $log): void
    {
        $zone = Zone::from($layer->zone);
        $span = LayerSpan::of($layer);
        $steps = $log->path($vehicle->habits(), $span)->steps();
        $designed = $layer->designedFor();
        $covers = $layer->kind === 'topper' ? [] : $stack->where('kind', 'topper')
            ->map(static fn(Layer $above): array => [$above->on_at->getTimestamp(), $above->ended_at?->getTimestamp() ?? PHP_INT_MAX])->values()->all();
        $held = $failed = $failedAt = $suspect = $suspectAt = null;
        foreach ($log->during($span)->turns as $i => $turn) {
            $reading = $turn->cleanReading($zone);
            $covered = array_filter($covers, static fn(array $span): bool => $span[0] < $turn->at && $turn->at <= $span[1]);
            if ($reading === null || $covered !== []) {
                continue;
            }
            // As many digits as come back from the database, so that nothing looks changed that is not.
            $wear = round($steps[$i]['washed'], 9);
            if ($reading->holds($designed)) {
                [$held, $failed, $failedAt, $suspect, $suspectAt] = [max($held ?? 0.0, $wear), null, null, null, null];
            } elseif ($failed === null && $wear > ($held ?? 0.0)) {
                // Flat after a wash may be clogging: it counts when decontamination, or the next clean reading, bears it out (domain §15.4).
                $borneOut = $suspect !== null || $turn->reading($zone, Stage::AfterDecon) !== null;
                [$suspect, $suspectAt] = [$suspect ?? $wear, $suspectAt ?? $turn->at];
                [$failed, $failedAt] = $borneOut ? [$suspect, CarbonImmutable::createFromTimestampUTC($suspectAt)] : [null, null];
            }
        }
        $layer->fill(['held' => $held, 'failed' => $failed, 'failed_at' => $failedAt, 'suspect_at' => $failed === null && $suspectAt !== null ? CarbonImmutable::createFromTimestampUTC($suspectAt) : null]);
    }
}
