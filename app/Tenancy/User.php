<?php

declare(strict_types=1);

namespace App\Tenancy;

use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Laravel\Sanctum\HasApiTokens;

/**
 * A person who signs in. They belong to workspaces through memberships.
 *
 * @property string $id
 * @property string $name
 * @property string $email
 * @property string $password
 * @property string $theme
 * @property string|null $language  what they read in; that of their browser when null
 */
class User extends Authenticatable
{
    /** @use HasApiTokens<PersonalAccessToken> */
    use HasApiTokens;

    use HasUuids;

    protected $guarded = [];

    protected $attributes = ['theme' => 'auto', 'language' => null];

    protected $hidden = ['password', 'remember_token'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['password' => 'hashed'];
    }

    /** @return HasMany<Membership, $this> */
    public function memberships(): HasMany
    {
        return $this->hasMany(Membership::class);
    }
}
