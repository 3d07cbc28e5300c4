<?php

declare(strict_types=1);

namespace App\Letters;

use App\Standins\Messenger;
use App\Standins\OutboxMessage;
use Illuminate\Support\Str;
use Psr\Clock\ClockInterface;

/**
 * By mail (MAIL_URL): the letter is written down with what it belongs to, and goes out by the queue once that stands.
 * Letters about somebody's own account hold secrets of theirs and are written down nowhere but in the queue, sealed.
 */
final readonly class MailMessenger implements Messenger
{
    public function __construct(private ClockInterface $clock) {}

    public function send(
        string $recipient,
        string $subject,
        string $body,
        ?string $workspaceId = null,
        ?string $calendar = null,
    ): void {
        $id = Str::uuid7()->toString();
        if ($workspaceId !== null) {
            OutboxMessage::query()->insert([
                'id' => $id,
                'workspace_id' => $workspaceId,
                'recipient' => $recipient,
                'subject' => $subject,
                'body' => $body,
                'calendar' => $calendar,
                'status' => OutboxMessage::WAITING,
                'created_at' => $this->clock->now(),
            ]);
        }
        SendLetter::dispatch($id, $recipient, $subject, $body, $workspaceId, $calendar)->afterCommit();
    }
}
