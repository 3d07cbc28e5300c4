<?php

declare(strict_types=1);

namespace App\Record;

use App\Tenancy\OfWorkspace;
use Illuminate\Database\Eloquent\Model;

/**
 * How water stood on a zone at one stage of a turn.
 *
 * @property string $id
 * @property string $entry_id
 * @property string $stage
 * @property string $zone
 * @property string $part
 * @property string $behaviour
 * @property float|null $angle_deg
 * @property float|null $sheets_s  seconds until a sheet of water had left
 */
class Reading extends Model
{
    use OfWorkspace;

    public $timestamps = false;

    /** What was read, and where. */
    public const READ = ['stage', 'zone', 'part', 'behaviour', 'angle_deg', 'sheets_s'];

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['angle_deg' => 'float', 'sheets_s' => 'float'];
    }
}
