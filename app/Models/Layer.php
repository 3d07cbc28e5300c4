<?php

declare(strict_types=1);

namespace App\Models;

use App\Tenancy\OfWorkspace;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Vicissa\Core\Protection\Designed;
use Vicissa\Core\Protection\Family;

/**
 * One application of protection on a zone. Layers that came from a turn, and every layer's end, wear evidence and
 * forecast, are derived from the record (Actions\RebuildProtection); only declared layers are typed in.
 */
class Layer extends Model
{
    use OfWorkspace;

    protected $guarded = [];

    protected $attributes = ['version' => 1, 'designed' => 'beads'];

    protected function casts(): array
    {
        return [
            'on_at' => 'immutable_datetime', 'ended_at' => 'immutable_datetime', 'failed_at' => 'immutable_datetime', 'version' => 'integer',
            'held' => 'float', 'failed' => 'float', 'label_low_weeks' => 'float', 'label_high_weeks' => 'float',
        ];
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
}
