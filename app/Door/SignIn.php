<?php

declare(strict_types=1);

namespace App\Door;

use App\Problems\Problem;
use App\Tenancy\User;
use Illuminate\Support\Facades\Hash;
use SensitiveParameter;
use Vicissa\Core\Says\Said;

/** Whether somebody is who they say; it takes as long for an address that nobody has. */
final readonly class SignIn
{
    public function __construct(private SecondFactor $second, private DoorLog $doorLog) {}

    public function __invoke(
        string $email,
        #[SensitiveParameter] string $password,
        #[SensitiveParameter] ?string $code,
    ): User {
        $email = mb_strtolower(trim($email));
        $user = User::query()->where('email', $email)->first();
        // For nobody a hash is made, which takes just as long as comparing one.
        $good = $user === null ? Hash::make($password) === '' : Hash::check($password, $user->password);
        if ($user === null || !$good) {
            $this->doorLog->note('sign-in-failed', ['email' => mb_substr($email, 0, 200)], $user);

            throw Problem::field('password', Said::of('door.no-match'));
        }
        if (SecondFactor::has($user)) {
            if ($code === null || trim($code) === '') {
                throw Problem::field('code', Said::of('door.code-wanted'));
            }
            if (!$this->second->accepts($user, $code)) {
                $this->doorLog->note('code-failed', [], $user);

                throw Problem::field('code', Said::of('door.code-wrong'));
            }
        }
        if (Hash::needsRehash($user->password)) {
            $user->update(['password' => $password]);
        }
        $this->doorLog->note('signed-in', [], $user);

        return $user;
    }

    /** Somebody's password again, before what can't be taken back. */
    public static function sure(User $user, #[SensitiveParameter] string $password, string $field = 'password'): void
    {
        if (!Hash::check($password, $user->password)) {
            throw Problem::field($field, Said::of('door.not-yours'));
        }
    }
}
