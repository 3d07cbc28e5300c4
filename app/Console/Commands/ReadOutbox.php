<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** For the operator: what the stand-in for outgoing mail has kept, password links included (bin/outbox). */
final class ReadOutbox extends Command
{
    protected $signature = 'vicissa:outbox {--limit=10 : How many, newest first}';

    protected $description = 'Read the messages kept instead of sent (needs the database owner’s password)';

    public function handle(): int
    {
        $messages = DB::connection('owner')
            ->table('outbox_messages')
            ->orderByDesc('created_at')
            ->limit((int) $this->option('limit'))
            ->get();
        foreach ($messages as $message) {
            $this->line(
                sprintf(
                    "\n<options=bold>%s</>  to %s\n%s\n\n%s",
                    $message->created_at,
                    $message->recipient,
                    $message->subject,
                    $message->body,
                ),
            );
        }
        if ($messages->isEmpty()) {
            $this->line('No messages yet.');
        }

        return self::SUCCESS;
    }
}
