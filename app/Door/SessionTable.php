<?php

declare(strict_types=1);

namespace App\Door;

use Illuminate\Database\ConnectionInterface;

/** Sessions that stand in the database. */
final readonly class SessionTable implements SessionBook
{
    public function __construct(private ConnectionInterface $database) {}

    public function of(string $user): array
    {
        return array_values(
            $this->database
                ->table('sessions')
                ->where('user_id', $user)
                ->orderByDesc('last_activity')
                ->limit(self::MOST)
                ->get(['id', 'ip_address', 'user_agent', 'last_activity'])
                ->map(
                    static fn(object $row): array => [
                        'id' => (string) $row->id,
                        'address' => $row->ip_address,
                        'agent' => $row->user_agent,
                        'seen' => (int) $row->last_activity,
                    ],
                )
                ->all(),
        );
    }

    public function end(string $user, string ...$ids): void
    {
        $this->database->table('sessions')->where('user_id', $user)->whereIn('id', $ids)->delete();
    }

    public function endAll(string $user, ?string $but = null): void
    {
        $this->database
            ->table('sessions')
            ->where('user_id', $user)
            ->when($but !== null, static fn($query) => $query->where('id', '<>', $but))
            ->delete();
    }
}
