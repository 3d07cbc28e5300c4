<?php

declare(strict_types=1);

namespace App\Tenancy;

use Carbon\CarbonImmutable;
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
 * @property string|null $second_secret  of their authenticator app, encrypted
 * @property CarbonImmutable|null $second_since  null while it does not count
 * @property int $second_step  of the last code that was taken
 * @property string|null $new_email  until it is confirmed
 * @property string|null $new_email_hash
 * @property CarbonImmutable|null $new_email_until
 * @property CarbonImmutable|null $leaves_at  when the account goes, unless they come back
 */
class User extends Authenticatable
{
    /** @use HasApiTokens<PersonalAccessToken> */
    use HasApiTokens;

    use HasUuids;

    protected $guarded = [];

    protected $attributes = [
        'theme' => 'auto',
        'language' => null,
        'second_secret' => null,
        'second_since' => null,
        'second_step' => 0,
        'new_email' => null,
        'leaves_at' => null,
    ];

    protected $hidden = ['password', 'remember_token', 'second_secret', 'new_email_hash'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'password' => 'hashed',
            'second_since' => 'immutable_datetime',
            'second_step' => 'integer',
            'new_email_until' => 'immutable_datetime',
            'leaves_at' => 'immutable_datetime',
        ];
    }

    /** @return HasMany<Membership, $this> */
    public function memberships(): HasMany
    {
        return $this->hasMany(Membership::class);
    }
}
