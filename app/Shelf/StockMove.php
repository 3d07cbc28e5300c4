<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Tenancy\OfWorkspace;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * So much came in or went out, written once.
 *
 * @property string $id
 * @property string $product_id
 * @property string|null $turn_id
 * @property string $kind  buy, use, mix, waste, count
 * @property float $ml     what it changed: below nought when it went out
 * @property CarbonImmutable $at
 * @property string|null $batch           of what came in
 * @property CarbonImmutable|null $expires_on
 * @property float|null $counted_ml       what a count found
 * @property string|null $note
 * @property string|null $written_by
 */
class StockMove extends Model
{
    use OfWorkspace;

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'ml' => 'float',
            'counted_ml' => 'float',
            'at' => 'immutable_datetime',
            'expires_on' => 'immutable_date',
        ];
    }
}
