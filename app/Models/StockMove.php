<?php

declare(strict_types=1);

namespace App\Models;

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
 */
class StockMove extends Model
{
    use OfWorkspace;

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['ml' => 'float', 'at' => 'immutable_datetime'];
    }
}
