<?php

declare(strict_types=1);

namespace App\Book;

use App\Shelf\Product;
use App\Tenancy\OfWorkspace;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Vicissa\Core\Matching\Turn\Coat;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Designed;
use Vicissa\Core\Protection\Family;
use Vicissa\Core\Record\EndedBy;
use Vicissa\Core\Record\LaidLayer;
use Vicissa\Core\Record\LayerKind;
use Vicissa\Core\Record\LayerSpan;

/**
 * One application of protection on a zone. Layers that came from a turn, and every layer's end, wear evidence and
 * forecast, are derived from the record (Actions\RebuildProtection); only declared layers are typed in.
 *
 * @property string $id
 * @property string $workspace_id
 * @property string $vehicle_id
 * @property string|null $product_id
 * @property string|null $turn_id
 * @property string $zone
 * @property string $kind
 * @property string $family
 * @property string|null $name
 * @property string|null $line
 * @property string $designed
 * @property float|null $label_low_weeks
 * @property float|null $label_high_weeks
 * @property CarbonImmutable $on_at
 * @property CarbonImmutable|null $ended_at
 * @property string|null $ended_by
 * @property float|null $held
 * @property float|null $failed
 * @property CarbonImmutable|null $failed_at
 * @property CarbonImmutable|null $suspect_at  the last clean reading failed, and it may only be clogged
 * @property float|null $lived  wear-weeks an ended layer most likely lived
 * @property int $version
 */
class Layer extends Model
{
    use OfWorkspace;

    protected $guarded = [];

    protected $attributes = ['version' => 1, 'designed' => 'beads'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'on_at' => 'immutable_datetime',
            'ended_at' => 'immutable_datetime',
            'failed_at' => 'immutable_datetime',
            'suspect_at' => 'immutable_datetime',
            'version' => 'integer',
            'held' => 'float',
            'failed' => 'float',
            'lived' => 'float',
            'label_low_weeks' => 'float',
            'label_high_weeks' => 'float',
        ];
    }

    /** As it would be if it were laid on then; not kept. */
    public static function imagined(Vehicle $vehicle, Product $topper, CarbonImmutable $on): self
    {
        $layer = new self([
            'vehicle_id' => $vehicle->id,
            'product_id' => $topper->id,
            'zone' => Zone::Paint->value,
            'kind' => 'topper',
            'family' => $topper->layerFamily()->value,
            'name' => $topper->name,
            'label_low_weeks' => $topper->label_low_weeks,
            'label_high_weeks' => $topper->label_high_weeks,
            'on_at' => $on,
        ]);
        $layer->setRelation('vehicle', $vehicle);

        return $layer;
    }

    public function family(): Family
    {
        return Family::from($this->family);
    }

    public function designedFor(): Designed
    {
        return Designed::from($this->designed);
    }

    /** @return array{float, float}|null label weeks, from the layer or its family; null where nothing wears */
    public function labelWeeks(): ?array
    {
        return $this->label_low_weeks !== null && $this->label_high_weeks !== null
            ? [$this->label_low_weeks, $this->label_high_weeks]
            : $this->family()->typicalLabelWeeks();
    }

    public function coat(): Coat
    {
        return new Coat($this->family(), $this->line, $this->name, $this->designedFor());
    }

    /** @return BelongsTo<Vehicle, $this> */
    public function vehicle(): BelongsTo
    {
        return $this->belongsTo(Vehicle::class);
    }

    /** @return BelongsTo<Product, $this> */
    public function product(): BelongsTo
    {
        return $this->belongsTo(Product::class);
    }

    /** @return HasOne<Forecast, $this> */
    public function forecast(): HasOne
    {
        return $this->hasOne(Forecast::class);
    }

    /** When it was on, as wear is reckoned from it. */
    public function span(): LayerSpan
    {
        return new LayerSpan(
            $this->vehicle_id,
            Zone::from($this->zone),
            $this->family(),
            $this->on_at->getTimestamp(),
            $this->ended_at?->getTimestamp(),
        );
    }

    public function laid(): LaidLayer
    {
        return new LaidLayer(
            LayerKind::from($this->kind),
            $this->family(),
            $this->on_at->getTimestamp(),
            $this->ended_by === EndedBy::Removed->value,
        );
    }
}
