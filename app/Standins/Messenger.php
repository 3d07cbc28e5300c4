<?php

declare(strict_types=1);

namespace App\Standins;

/** Sends a message to a person outside. */
interface Messenger
{
    /**
     * @param string|null $workspaceId  whose message it is; null for messages about a person's own account
     * @param string|null $calendar  the days it speaks of (RFC 5545)
     */
    public function send(
        string $recipient,
        string $subject,
        string $body,
        ?string $workspaceId = null,
        ?string $calendar = null,
    ): void;
}
