<?php

declare(strict_types=1);

namespace App\Book;

use App\Tenancy\Audited;
use App\Tenancy\OfWorkspace;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * A person of a crew on the register of a place, and until when their papers hold there.
 *
 * @property string $id
 * @property string $workspace_id
 * @property string $site_id
 * @property string $crew_id
 * @property string $person
 * @property CarbonImmutable|null $valid_until
 */
class Admission extends Model
{
    use Audited;
    use OfWorkspace;

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['valid_until' => 'immutable_date'];
    }
}
