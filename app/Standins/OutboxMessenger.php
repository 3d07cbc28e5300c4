<?php

declare(strict_types=1);

namespace App\Standins;

use Illuminate\Database\ConnectionInterface;
use Illuminate\Support\Str;
use Psr\Clock\ClockInterface;

/** Stand-in for a mail service: keeps messages where they can be read (bin/outbox, or Workspace → Messages). */
final readonly class OutboxMessenger implements Messenger
{
    public function __construct(private ConnectionInterface $database, private ClockInterface $clock) {}

    public function send(
        string $recipient,
        string $subject,
        string $body,
        ?string $workspaceId = null,
        ?string $calendar = null,
    ): void {
        $this->database->table('outbox_messages')->insert([
            'id' => Str::uuid7()->toString(),
            'workspace_id' => $workspaceId,
            'recipient' => $recipient,
            'subject' => $subject,
            'body' => $body,
            'calendar' => $calendar,
            'created_at' => $this->clock->now(),
        ]);
    }
}
