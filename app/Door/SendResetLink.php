<?php

declare(strict_types=1);

namespace App\Door;

use App\Says\Teller;
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
            $link = IssueResetLink::link($user, $token);
            $teller = Teller::here()->in($user->language);
            $this->messenger->send(
                $user->email,
                $teller->say('letter.new-password'),
                $teller->say('letter.choose-password', link: $link),
            );
        });
    }
}
