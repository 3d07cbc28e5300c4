<?php

declare(strict_types=1);

namespace App\Book;

use App\Tenancy\OfWorkspace;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * When a layer is next due, and on what that rests. Wear figures are wear-weeks.
 *
 * @property string $layer_id
 * @property string $vehicle_id
 * @property float $per_week
 * @property float $product_life
 * @property float $worn_known
 * @property float $p10
 * @property float|null $p30
 * @property float $p50
 * @property float $p90
 * @property float $due_wear
 * @property CarbonImmutable|null $from_at
 * @property CarbonImmutable|null $due_at
 * @property CarbonImmutable|null $late_at
 * @property CarbonImmutable|null $p10_at
 * @property CarbonImmutable|null $p30_at
 * @property CarbonImmutable|null $p50_at
 * @property CarbonImmutable|null $look_from_at  a lasting base: from when looking it over is worth doing
 * @property CarbonImmutable|null $look_at
 * @property CarbonImmutable|null $look_late_at
 * @property int $evidence_own
 * @property int $evidence_others
 * @property string $why
 */
class Forecast extends Model
{
    use OfWorkspace;

    public $timestamps = false;

    public $incrementing = false;

    protected $primaryKey = 'layer_id';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'why' => 'json',
            'from_at' => 'immutable_datetime',
            'due_at' => 'immutable_datetime',
            'late_at' => 'immutable_datetime',
            'computed_at' => 'immutable_datetime',
            'p10_at' => 'immutable_datetime',
            'p30_at' => 'immutable_datetime',
            'p50_at' => 'immutable_datetime',
            'look_from_at' => 'immutable_datetime',
            'look_at' => 'immutable_datetime',
            'look_late_at' => 'immutable_datetime',
            'per_week' => 'float',
            'product_life' => 'float',
            'worn_known' => 'float',
            'p10' => 'float',
            'p30' => 'float',
            'p50' => 'float',
            'p90' => 'float',
            'due_wear' => 'float',
            'evidence_own' => 'integer',
            'evidence_others' => 'integer',
        ];
    }

    /** @return list<string> the key is the layer's, none is made */
    public function uniqueIds(): array
    {
        return [];
    }

    /** @return BelongsTo<Layer, $this> */
    public function layer(): BelongsTo
    {
        return $this->belongsTo(Layer::class);
    }
}
