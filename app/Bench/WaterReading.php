<?php

declare(strict_types=1);

namespace App\Bench;

use App\Book\Site;
use App\Tenancy\OfWorkspace;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Dissolved solids as read somewhere, written once.
 *
 * @property string $id
 * @property string|null $site_id
 * @property string $point  tap, ro, treated, tank
 * @property float $tds_mg_l
 * @property float|null $litres  treated through the resin since the reading before
 * @property CarbonImmutable $at
 * @property string|null $note
 */
class WaterReading extends Model
{
    use OfWorkspace;

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['tds_mg_l' => 'float', 'litres' => 'float', 'at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<Site, $this> */
    public function site(): BelongsTo
    {
        return $this->belongsTo(Site::class);
    }
}
