<?php

declare(strict_types=1);

namespace App\Money;

use App\Tenancy\OfWorkspace;
use Illuminate\Database\Eloquent\Model;

/**
 * A line of the price list.
 *
 * @property string $id
 * @property string|null $programme_id  null: for all
 * @property string $body
 * @property string $kind  wash, topper, decon, inspection
 * @property int $minor
 */
class Price extends Model
{
    use OfWorkspace;

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['minor' => 'integer'];
    }
}
