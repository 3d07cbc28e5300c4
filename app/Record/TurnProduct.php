<?php

declare(strict_types=1);

namespace App\Record;

use App\Shelf\Product;
use App\Tenancy\OfWorkspace;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A product used in a turn, with what was said against it at the time.
 *
 * @property string $id
 * @property string $entry_id
 * @property string $product_id
 * @property string $role
 * @property string $zone
 * @property float|null $quantity_ml
 * @property string|null $batch
 * @property bool $as_base  it renewed the layer that is meant to last
 * @property list<array{code: string, severity: string}> $remarks
 */
class TurnProduct extends Model
{
    use OfWorkspace;

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['remarks' => 'array', 'as_base' => 'boolean', 'quantity_ml' => 'float'];
    }

    /** @return BelongsTo<Product, $this> */
    public function product(): BelongsTo
    {
        return $this->belongsTo(Product::class);
    }
}
