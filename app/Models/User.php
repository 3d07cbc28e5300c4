<?php

declare(strict_types=1);

namespace App\Models;

use App\Standins\Messenger;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Laravel\Sanctum\HasApiTokens;
use SensitiveParameter;

/**
 * A person who signs in. They belong to workspaces through memberships.
 *
 * @property string $id
 * @property string $name
 * @property string $email
 * @property string $password
 * @property string $theme
 */
class User extends Authenticatable
{
    /** @use HasApiTokens<PersonalAccessToken> */
    use HasApiTokens;

    use HasUuids;

    protected $guarded = [];

    protected $attributes = ['theme' => 'auto'];

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

    /** Sends the reset link through the messenger rather than a mailer. */
    public function sendPasswordResetNotification(#[SensitiveParameter] $token): void
    {
        $link = url('/reset-password?'.http_build_query(['token' => $token, 'email' => $this->email]));
        app(Messenger::class)->send($this->email, 'Choose a new password', "Someone asked for a new password for this address.\n\nIf it was you, open this within the hour:\n{$link}\n\nIf it was not, nothing has changed and there is nothing to do.");
    }
}
