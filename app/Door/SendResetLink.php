<?php

declare(strict_types=1);

namespace App\Door;

use App\Standins\Messenger;
use App\Tenancy\User;
use Illuminate\Support\Facades\Password;
use SensitiveParameter;

/**
 * Sends a letter by which a new password can be chosen; unknown addresses get none, and nobody is told which are known.
 */
final readonly class SendResetLink
{
    public function __construct(private Messenger $messenger) {}

    public function __invoke(string $email): void
    {
        Password::sendResetLink(['email' => mb_strtolower(trim($email))], function (
            User $user,
            #[SensitiveParameter] string $token,
        ): void {
            $link = url('/reset-password?' . http_build_query(['token' => $token, 'email' => $user->email]));
            $this->messenger->send(
                $user->email,
                'Choose a new password',
                "Someone asked for a new password for this address.\n\nIf it was you, open this within the hour:\n{$link}\n\nIf it was not, nothing has changed and there is nothing to do.",
            );
        });
    }
}
