<?php

declare(strict_types=1);

namespace App\Book;

use App\Tenancy\Audited;
use App\Tenancy\OfWorkspace;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * Whoever owns the vehicles.
 *
 * @property string $id
 * @property string $workspace_id
 * @property string $name
 * @property string|null $contact
 * @property string|null $phone
 * @property string|null $language  what they are written to in; English when null
 * @property string|null $email
 * @property string|null $note
 * @property int $version
 */
class Client extends Model
{
    use Audited;
    use OfWorkspace;

    protected $guarded = [];

    protected $attributes = ['version' => 1, 'language' => null];

    /** @return HasMany<Vehicle, $this> */
    public function vehicles(): HasMany
    {
        return $this->hasMany(Vehicle::class);
    }
}
