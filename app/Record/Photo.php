<?php

declare(strict_types=1);

namespace App\Record;

use App\Book\Vehicle;
use App\Tenancy\OfWorkspace;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A picture of a vehicle's zone before, during or after, or of a product's label. The file lies on the photos disk, without where it was taken.
 *
 * @property string $id  made on the device
 * @property string $workspace_id
 * @property string|null $vehicle_id
 * @property string|null $product_id  of a label
 * @property string|null $sheet_id
 * @property string|null $turn_id
 * @property string|null $zone  of a vehicle
 * @property string $stage
 * @property string|null $note
 * @property int $width
 * @property int $height
 * @property int $bytes
 * @property CarbonImmutable $taken_at
 * @property string $written_by
 */
class Photo extends Model
{
    use OfWorkspace;

    public const UPDATED_AT = null;

    public const LABEL = 'label';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['taken_at' => 'immutable_datetime', 'width' => 'integer', 'height' => 'integer', 'bytes' => 'integer'];
    }

    public function path(): string
    {
        return "{$this->workspace_id}/{$this->id}.jpg";
    }

    /** @return BelongsTo<Vehicle, $this> */
    public function vehicle(): BelongsTo
    {
        return $this->belongsTo(Vehicle::class);
    }
}
