<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Standins\Messenger;

/** Keeps what is sent, for whoever looks. */
final class Letters implements Messenger
{
    /** @var list<array{string, string, string}> to whom, about what, what */
    public array $sent = [];

    public function send(
        string $to,
        string $subject,
        string $body,
        ?string $workspaceId = null,
        ?string $calendar = null,
    ): void {
        $this->sent[] = [$to, $subject, $body];
    }
}
