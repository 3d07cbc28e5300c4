<?php

declare(strict_types=1);

namespace App\Door;

use App\Problems\Problem;
use App\Standins\Messenger;
use App\Standins\OutboxMessenger;
use App\Tenancy\Membership;
use App\Tenancy\Tenancy;
use App\Tenancy\User;
use Illuminate\Auth\Passwords\PasswordBroker;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Password;
use LogicException;
use Vicissa\Core\Says\Said;

/**
 * A link for a new password of somebody who works here, for an owner to hand on, where no mail could bring it. Not for
 * whoever works elsewhere too: it would open that door as well.
 */
final readonly class IssueResetLink
{
    public function __construct(private Tenancy $tenancy, private Messenger $messenger, private DoorLog $doorLog) {}

    public function __invoke(Membership $member, User $by): string
    {
        $user = $member->user()->firstOrFail();
        $why = match (true) {
            !($this->messenger instanceof OutboxMessenger) => 'door.reset-by-mail',
            $user->id === $by->id => 'door.reset-own',
            (bool) DB::scalar('select works_elsewhere(?, ?)', [$user->id, $this->tenancy->workspace()->id])
                => 'door.works-elsewhere',
            default => null,
        };
        if ($why !== null) {
            throw Problem::conflict(Said::of($why));
        }
        $broker = Password::broker();
        if (!($broker instanceof PasswordBroker)) {
            throw new LogicException('Passwords are kept by another broker.');
        }
        $token = $broker->createToken($user);
        $this->doorLog->note('reset-issued', ['for' => $user->name]);

        return self::link($user, $token);
    }

    public static function link(User $user, string $token): string
    {
        return url('/reset-password?' . http_build_query(['token' => $token, 'email' => $user->email]));
    }
}
