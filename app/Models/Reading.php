<?php

declare(strict_types=1);

namespace App\Models;

use App\Tenancy\OfWorkspace;
use Illuminate\Database\Eloquent\Model;

/** How water stood on a zone at one stage of a turn. */
class Reading extends Model
{
    use OfWorkspace;

    public $timestamps = false;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['angle_deg' => 'float'];
    }
}
